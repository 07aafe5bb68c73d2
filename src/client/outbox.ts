import { del, entries, set } from "idb-keyval";
import type { JobEvent } from "@/core/job";

/** Events this device has recorded and the server has not acknowledged, kept across a reload or a flat battery. */
const key = (e: JobEvent) => `event:${e.jobId}:${e.clock}:${e.id}`;

/** The same, at hand at once: from one station to the next nothing that was recorded is missing even for a moment. */
const here = new Map<string, JobEvent>();
/** Ids of events whose sending failed: they arrive late, so they have happened. */
export const failedToSend = new Set<string>();

/** A browser that keeps nothing, as in a private window, throws at once: the page still has its acts, and sends them. */
async function quietly<T>(ask: () => Promise<T>): Promise<T | undefined> {
  try {
    return await ask();
  } catch {
    return undefined;
  }
}

/** What this page knows to be unsent of a job, in the order it was recorded. Empty where the page was just loaded. */
export const unsentHere = (jobId: string): JobEvent[] =>
  [...here.values()].filter((e) => e.jobId === jobId).sort((a, b) => (key(a) < key(b) ? -1 : 1));

export async function keepUnsent(e: JobEvent): Promise<void> {
  here.set(e.id, e);
  await quietly(() => set(key(e), e));
}
export async function dropSent(e: JobEvent): Promise<void> {
  here.delete(e.id);
  failedToSend.delete(e.id);
  await quietly(() => del(key(e)));
}
/** Unsent events of a job, in the order they were recorded. */
export async function unsentOf(jobId: string): Promise<JobEvent[]> {
  const all = (await quietly(() => entries<string, JobEvent>())) ?? [];
  return all
    .filter(([k]) => k.startsWith(`event:${jobId}:`))
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, e]) => e);
}
