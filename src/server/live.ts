import { EventEmitter } from "node:events";
import { connection } from "@/data/connection";
import { grownAfter, shopCursor } from "@/data/eventStore";

const store = globalThis as typeof globalThis & { helvaneLive?: EventEmitter };

/** Told whenever a job's log has grown, to wake the pages that follow. */
export function live(): EventEmitter {
  store.helvaneLive ??= new EventEmitter().setMaxListeners(500);
  return store.helvaneLive;
}

export const announce = (jobId: string): void => {
  live().emit("job", jobId);
};

/** The shop's cursor, and the jobs that grew past one; none when no cursor is given. */
export async function grownSince(after: number | null): Promise<{ cursor: number; jobs: string[] }> {
  const { db } = connection();
  const cursor = await shopCursor(db);
  return { cursor, jobs: after === null || cursor <= after ? [] : await grownAfter(db, after) };
}
