"use client";
import { useEffect, useState } from "react";
import { aheadMs } from "@/client/serverTime";
import type { JobState } from "@/core/job";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { FORGOTTEN_S } from "../shell/forgotten";

const clock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`;

/** What heats now: how long it has been on by the log's own clock, and what is left of the pass; it goes on over a reload and on a second device. */
export function WarmNow({ on, sinceMs }: { on: NonNullable<JobState["heat"]["on"]>; sinceMs: number }) {
  const { press } = useBench();
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    // By the shop's clock: a second device may run ahead of it.
    const tick = () => setNow(Date.now() - (aheadMs() ?? 0));
    tick();
    const t = setInterval(tick, 500);
    return () => clearInterval(t);
  }, []);
  const s = now === null ? null : Math.max(0, (now - sinceMs) / 1000);
  const left = s === null || on.plannedS === undefined ? null : on.plannedS - s;
  const over = left !== null && left <= 0;
  return (
    <div className="caut" role="status">
      <Mark kind="change" size={30} label="Heat is on" />
      <p className="grow">
        <b>
          {s === null
            ? "Heat is on."
            : over
              ? `Off now, and lift: ${clock(s)} on.`
              : left !== null
                ? `${clock(left)} left of this pass.`
                : `${clock(s)} on.`}
        </b>{" "}
        {s !== null && s > FORGOTTEN_S && "Longer than any pass: is it forgotten? "}
        Recording does not switch it off: look at it.
      </p>
      <button type="button" className="btn whitespace-nowrap" onClick={() => press("h", true)}>
        Seen off <kbd>H</kbd>
      </button>
    </div>
  );
}
