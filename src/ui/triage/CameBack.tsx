"use client";
import { differenceInCalendarDays, format } from "date-fns";
import { useEffect, useState } from "react";
import type { Seen } from "@/core/causes";
import {
  feedsOf,
  fold,
  handoverSheet,
  type JobEvent,
  type JobState,
  type JobView,
  looseSeenGood,
  msOf,
  type Snapshots,
} from "@/core/job";
import { counted } from "@/core/quantity";
import { useBench } from "../job/context";
import { Causes } from "../station/Causes";
import { RefusalBox } from "../station/RefusalBox";

/** A machine that came back: what the earlier job proved, what is still under guarantee, and the causes from both logs. */
export function CameBack({ from }: { from: { job: string; number: string } }) {
  const { log, view, reference, setKeys, nowMs } = useBench();
  const [old, setOld] = useState<JobView | "away" | null>(null);
  setKeys({});
  useEffect(() => {
    const abort = new AbortController();
    fetch(`/api/jobs/${from.job}/events?after=0`, { signal: abort.signal })
      .then(async (r) => {
        if (!r.ok) throw new Error();
        const body = (await r.json()) as { events: { event: JobEvent }[]; snapshots: Snapshots };
        const events = body.events.map((x) => x.event);
        setOld({ state: fold(events, body.snapshots), snapshots: body.snapshots });
      })
      .catch(() => {
        if (!abort.signal.aborted) setOld("away");
      });
    return () => abort.abort();
  }, [from.job]);
  if (old === null)
    return (
      <p className="q" role="status">
        The log of {from.number} is being read.
      </p>
    );
  if (old === "away")
    return <p role="alert">The log of {from.number} cannot be read now. What was seen and touched then is unknown.</p>;
  const s = old.state;
  const table = reference.causes;
  const sheet = handoverSheet(old, null);
  const proof = sheet?.sections.filter((x) => x.title.startsWith("Tested") || x.title === "Hinges, faults mended") ?? [];
  return (
    <>
      <h1 className="step">Came back after {from.number}</h1>
      <RefusalBox />
      <p>
        {s.closedClock ? `Closed ${format(msOf(s.closedClock), "EEE d MMM yyyy")}` : "Never closed"}.{" "}
        <a className="link" href={`/jobs/${from.job}/handover`} target="_blank" rel="noreferrer">
          Its hand-over sheet
        </a>
        . {guaranteeWords(s, nowMs)}
      </p>
      <ul className="rows tight" aria-label="Proved then">
        {proof.flatMap((x) =>
          x.rows.map((r) => (
            <li key={`${x.title} ${r.name}`}>
              <em>{x.title === "Tested before closing" ? "Open" : x.title === "Tested closed up" ? "Closed" : "Then"}</em>
              <span className="grow">
                <b>{r.name}:</b> {r.value}
              </span>
            </li>
          )),
        )}
      </ul>
      {table && (
        <section aria-label="What it may be" className="flex flex-col gap-3">
          <h2 className="sec">What it may be</h2>
          <p className="q">
            From what that repair touched, and what is seen today. A new fault is none of these: ask Triage as well.
          </p>
          <Causes
            table={table.data}
            ask={{ feeds: feedsOf(old), looseGood: looseSeenGood(old), seen: view.state.after.seen }}
            onSee={(finding: string, answer: Seen) =>
              log.record({ type: "after.seen", payload: { finding, answer, causesHash: table.hash } })
            }
          />
        </section>
      )}
    </>
  );
}

/** What is left of the seller's guarantee; what nobody recorded is said to be unknown. */
function guaranteeWords(s: JobState, nowMs: number): string {
  const o = s.match.order;
  if (!o) return "No order is recorded: the seller's guarantee is unknown.";
  if (!o.guarantee) return `${o.seller}: its guarantee was not recorded.`;
  const gone = differenceInCalendarDays(nowMs, msOf(o.clock));
  const left = o.guarantee.days - gone;
  return left > 0
    ? `${o.seller} guarantees for ${counted(left, "day")} more${o.guarantee.excludes ? `, not for ${o.guarantee.excludes}` : ""}.`
    : `${o.seller}'s guarantee ended ${counted(-left, "day")} ago.`;
}
