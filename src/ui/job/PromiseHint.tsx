"use client";
import { format } from "date-fns";
import { useEffect, useState } from "react";
import type { Promised } from "@/wire/promise";

/** What can be promised for this job, and one tap to take it. */
export function PromiseHint({ jobId, onTake }: { jobId: string; onTake: (ms: number) => void }) {
  const [told, setTold] = useState<Promised | null>(null);
  useEffect(() => {
    const abort = new AbortController();
    fetch(`/api/jobs/${jobId}/promise`, { signal: abort.signal })
      .then((r) => (r.ok ? r.json() : { told: null }))
      .then((b: { told: Promised | null }) => setTold(b.told))
      // Away: the date is written by hand, as ever.
      .catch(() => {});
    return () => abort.abort();
  }, [jobId]);
  if (!told) return null;
  return (
    <p className="flex flex-wrap items-center gap-3 sm:col-span-2">
      <span>
        Likely {format(told.p50Ms, "EEE d MMM HH:mm")}, four times in five by <b>{format(told.p80Ms, "EEE d MMM HH:mm")}</b>
        {told.late !== null && told.late > 0.2 ? `; what is promised breaks in ${Math.round(told.late * 100)} of 100` : ""}.
      </span>
      <button type="button" className="btn quiet" onClick={() => onTake(told.p80Ms)}>
        Promise that
      </button>
    </p>
  );
}
