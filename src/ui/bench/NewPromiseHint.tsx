"use client";
import { format } from "date-fns";
import { useEffect, useState } from "react";
import { sureWords } from "@/core/quantity";
import type { NewPromise } from "@/wire/promise";

/** What can be promised for this machine if its panel is ordered today, what that goes by, and one tap to take it. */
export function NewPromiseHint({ model, onTake }: { model: string; onTake: (ms: number) => void }) {
  const [told, setTold] = useState<NewPromise | null>(null);
  useEffect(() => {
    if (!model.trim()) return setTold(null);
    const abort = new AbortController();
    // Asked once the hand rests, not at every letter.
    const t = setTimeout(
      () =>
        void fetch(`/api/promise?machine=${encodeURIComponent(model.trim())}`, { signal: abort.signal })
          .then((r) => (r.ok ? r.json() : { told: null }))
          .then((b: { told: NewPromise | null }) => setTold(b.told))
          .catch(() => undefined),
      350,
    );
    return () => {
      clearTimeout(t);
      abort.abort();
    };
  }, [model]);
  if (!told) return null;
  return (
    <div className="newpromise" role="status">
      <p>
        Done likely {format(told.p50Ms, "EEE d MMM HH:mm")}, {sureWords(told.sure)} by{" "}
        <b>{format(told.byMs, "EEE d MMM HH:mm")}</b>.
      </p>
      <p className="q">If the panel is ordered today; {told.goesBy.join("; ")}.</p>
      <button type="button" className="btn quiet" onClick={() => onTake(told.byMs)}>
        Promise {format(told.byMs, "EEE d MMM HH:mm")}
      </button>
    </div>
  );
}
