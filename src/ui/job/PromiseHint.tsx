"use client";
import { format } from "date-fns";
import { useEffect, useState } from "react";
import { sureWords } from "@/core/quantity";
import type { Promised } from "@/wire/promise";

/** What can be promised for this job, as it stands or if its panel is ordered now, and one tap to take it. */
export function PromiseHint({
  jobId,
  lead,
  onTake,
}: {
  jobId: string;
  /** Days of an order that would be placed now. */
  lead?: { p50Days: number; p80Days: number };
  onTake?: (ms: number) => void;
}) {
  const [p50, p80] = [lead?.p50Days, lead?.p80Days];
  const [told, setTold] = useState<Promised | null>(null);
  useEffect(() => {
    const abort = new AbortController();
    const asked = p50 === undefined ? "" : `?p50=${p50}&p80=${p80}`;
    fetch(`/api/jobs/${jobId}/promise${asked}`, { signal: abort.signal })
      .then((r) => (r.ok ? r.json() : { told: null }))
      .then((b: { told: Promised | null }) => setTold(b.told))
      // Away: the date is written by hand, as ever.
      .catch(() => {});
    return () => abort.abort();
  }, [jobId, p50, p80]);
  if (!told) return null;
  return (
    <p className="flex flex-wrap items-center gap-3 sm:col-span-2">
      <span>
        {lead ? "Ordered now, it is done likely " : "Likely "}
        {format(told.p50Ms, "EEE d MMM HH:mm")}, {sureWords(told.sure)} by <b>{format(told.byMs, "EEE d MMM HH:mm")}</b>
        {told.late !== null && told.late > 0.2 ? `; what is promised breaks in ${Math.round(told.late * 100)} of 100` : ""}.
      </span>
      {onTake && (
        <button type="button" className="btn quiet" onClick={() => onTake(told.byMs)}>
          Promise that
        </button>
      )}
    </p>
  );
}
