import type { Snapshots } from "@/core/job";
import { connection } from "@/data/connection";
import { eventsAfter, jobNumbers, readSnapshots } from "@/data/eventStore";

/** Events of a job after a cursor, with the snapshots of the job where there are any. */
export async function readEventsAfter(jobId: string, after: number) {
  const { db } = connection();
  const events = await eventsAfter(db, jobId, after);
  const snapshots: Snapshots = events.length ? await readSnapshots(db, jobId) : {};
  return { events, snapshots, cursor: events.at(-1)?.seq ?? after };
}

/** A number no job here has yet. @example await nextJobNumber() // "H-2425" */
export async function nextJobNumber(): Promise<string> {
  const numbers = (await jobNumbers(connection().db)).map((n) => Number(n.number.slice(2)));
  return `H-${Math.max(2400, ...numbers) + 1}`;
}
