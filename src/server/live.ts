import { EventEmitter } from "node:events";
import { connection } from "@/data/connection";
import { grownAfter, shopCursor } from "@/data/eventStore";

const store = globalThis as typeof globalThis & { helvaneLive?: EventEmitter };

/** Told whenever a job's log has grown, to wake the pages that follow. */
export function live(): EventEmitter {
  store.helvaneLive ??= new EventEmitter().setMaxListeners(500);
  return store.helvaneLive;
}

/** When the last acts came, newest last; ms. */
const lately: number[] = [];
/** Over so many acts in a second a shop is busy: every one told at once to everybody would keep it from taking the next (adj). */
const BUSY = 6;
const KEPT = 40;

export const announce = (jobId: string): void => {
  lately.push(performance.now());
  if (lately.length > KEPT) lately.shift();
  live().emit("job", jobId);
};

/** How long an answer waits for what else is done at the same moment, ms: at a quiet bench not long. @example gatherMs(0) // 300 */
export const gatherMs = (atMs = performance.now()): number => (lately.filter((t) => atMs - t < 1000).length > BUSY ? 1000 : 300);

/** When each device was answered last; ms. */
const answered = new Map<string, number>();
/** How long a device that asks again at once is kept, so that a busy shop answers it once a second. */
export function restMs(device: string | null, atMs = performance.now()): number {
  const last = device === null ? undefined : answered.get(device);
  return last === undefined || gatherMs(atMs) <= 300 ? 0 : Math.max(0, 1000 - (atMs - last));
}
export function answeredNow(device: string | null, atMs = performance.now()): void {
  if (device === null) return;
  answered.set(device, atMs);
  if (answered.size > 500) answered.delete(answered.keys().next().value!);
}

/** The shop's cursor, and the jobs that grew past one; none when no cursor is given. */
export async function grownSince(after: number | null): Promise<{ cursor: number; jobs: string[] }> {
  const { db } = connection();
  const cursor = await shopCursor(db);
  return { cursor, jobs: after === null || cursor <= after ? [] : await grownAfter(db, after) };
}
