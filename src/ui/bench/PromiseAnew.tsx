"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";

/** The customer was called and another day agreed: one tap writes it into the job, where it can be taken back. */
export function PromiseAnew({ job, ms, words }: { job: string; ms: number; words: string }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  return (
    <>
      <button
        type="button"
        className="btn quiet col-span-2 justify-self-start"
        disabled={busy}
        onClick={async () => {
          setBusy(true);
          // Loaded when it is wanted: the bench opens without it.
          const { actOn } = await import("@/client/actOn");
          const no = await actOn(job, { type: "job.promised", payload: { promiseAt: new Date(ms).toISOString() } });
          setBusy(false);
          setWrong(no);
          if (!no) router.refresh();
        }}
      >
        Called: promised {words}
      </button>
      {wrong && <span className="wrong">{wrong}</span>}
    </>
  );
}
