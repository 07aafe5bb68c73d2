import type { JobEvent, Snapshots } from "@/core/job";

/** What a page knows of a job to be on the server: every event up to `cursor`, and those of its own acknowledged since. */
export interface Known {
  events: readonly JobEvent[];
  snapshots: Snapshots;
  cursor: number;
}

/** Jobs whose log is kept at hand, newest last. */
const MOST_JOBS = 6;
const jobs = new Map<string, Known>();

/** Two readings of one log in one: a log only grows, so whichever lacks an event is the older reading of it. */
export function together(a: Known, b: Known): Known {
  const has = new Set(a.events.map((e) => e.id));
  const more = b.events.filter((e) => !has.has(e.id));
  return {
    events: more.length ? [...a.events, ...more] : a.events,
    snapshots: { ...a.snapshots, ...b.snapshots },
    cursor: Math.max(a.cursor, b.cursor),
  };
}

/**
 * A page's log as the server sent it, with what this page has seen of the job already. What the server sends for the next station
 * may have been read before the last act arrived: taken alone, acts would be missing there, and gates be asked on half a log.
 */
export const withKnown = (jobId: string, sent: Known): Known => {
  const known = jobs.get(jobId);
  return known ? together(sent, known) : sent;
};

/** Keeps what is known of a job for its next station. */
export function keepKnown(jobId: string, now: Known): void {
  const next = withKnown(jobId, now);
  jobs.delete(jobId);
  jobs.set(jobId, next);
  if (jobs.size > MOST_JOBS) jobs.delete(jobs.keys().next().value!);
}
