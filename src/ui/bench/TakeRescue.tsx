"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";

const WORDS = { firstInLine: "Take it", evening: "Take it", secondBench: "Take it", inTurn: "In its turn again" } as const;

/**
 * A way to keep a promise, taken at one tap: a place in the queue is the job's and can be taken back; evenings and a second pair of hands
 * are the shop's hours and stand in Settings.
 */
export function TakeRescue({ job, way }: { job: string; way: keyof typeof WORDS }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<{ ok: boolean; words: string } | null>(null);
  const take = async () => {
    setBusy(true);
    if (way === "firstInLine" || way === "inTurn") {
      // Loaded when it is wanted: the bench opens without it.
      const { actOn } = await import("@/client/actOn");
      const no = await actOn(job, { type: "job.tookFirst", payload: { first: way === "firstInLine" } });
      setSaid(no ? { ok: false, words: no } : null);
    } else {
      const { send } = await import("@/client/send");
      const r = await send("POST", "/api/hours", { take: way });
      setSaid(
        r.ok
          ? {
              ok: true,
              words:
                way === "evening"
                  ? "The next three bench days go until nine: Settings has them."
                  : "One bench more from now: Settings has it.",
            }
          : r.said,
      );
    }
    setBusy(false);
    router.refresh();
  };
  return (
    <>
      <button type="button" className="btn quiet col-span-2 justify-self-start" disabled={busy} onClick={() => void take()}>
        {WORDS[way]}
      </button>
      {said && (
        <span role="status" className={said.ok ? "" : "wrong"}>
          {said.words}
        </span>
      )}
    </>
  );
}
