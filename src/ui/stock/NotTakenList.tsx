"use client";
import { actWords } from "../job/KeptHere";
import type { JobLogHandle } from "../job/useJobLog";

/** What the server did not take of the stock's acts, for a person to settle. */
export function NotTakenList({ log }: { log: JobLogHandle }) {
  if (log.notTaken.length === 0) return null;
  return (
    <>
      <h2>Not taken, and why</h2>
      <ul data-list="notTaken">
        {log.notTaken.map((n) => {
          const { what, says } = actWords(n.event);
          const words = `${what}. It said: ${says}. Not taken: ${n.refusal.reason}`.slice(0, 2000);
          return (
            <li key={n.event.id} style={{ display: "block" }}>
              <b>{what}</b>
              <p className="break-words">{says}</p>
              <p className="q">{n.refusal.reason}</p>
              <div className="flex flex-wrap gap-2 mt-1">
                <button type="button" className="btn" onClick={() => log.again(n.event.id)}>
                  Try again
                </button>
                <button type="button" className="btn" onClick={() => log.letGo(n.event.id, words, true)}>
                  Keep as a note
                </button>
                <button type="button" className="btn quiet" onClick={() => log.letGo(n.event.id, words, false)}>
                  Discard: the log keeps what it said
                </button>
              </div>
            </li>
          );
        })}
      </ul>
    </>
  );
}
