"use client";
import { OneNotTaken } from "../job/OneNotTaken";
import type { JobLogHandle } from "../job/useJobLog";

/** What the server did not take of the stock's acts, for a person to settle. */
export function NotTakenList({ log }: { log: JobLogHandle }) {
  if (log.notTaken.length === 0) return null;
  return (
    <>
      <h2>Not taken, and why</h2>
      <ul data-list="notTaken">
        {log.notTaken.map((n) => (
          <OneNotTaken key={n.event.id} n={n} log={log} />
        ))}
      </ul>
    </>
  );
}
