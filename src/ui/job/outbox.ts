import { del, entries, set } from "idb-keyval";
import type { JobEvent } from "@/core/job";

/** Events this device has recorded and the server has not acknowledged, kept across a reload or a flat battery. */
const key = (e: JobEvent) => `event:${e.jobId}:${e.clock}:${e.id}`;

export async function keepUnsent(e: JobEvent): Promise<void> {
  await set(key(e), e).catch(() => undefined);
}
export async function dropSent(e: JobEvent): Promise<void> {
  await del(key(e)).catch(() => undefined);
}
/** Unsent events of a job, in the order they were recorded. */
export async function unsentOf(jobId: string): Promise<JobEvent[]> {
  const all = await entries<string, JobEvent>().catch(() => []);
  return all
    .filter(([k]) => k.startsWith(`event:${jobId}:`))
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, e]) => e);
}
