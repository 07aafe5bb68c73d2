import { apart } from "../apart";
import type { Verified } from "./verify";

export type { Verified } from "./verify";

/** The longest a year's backup takes to read back on a slow machine, ms. */
const MOST_MS = 20 * 60_000;

/**
 * Reads a backup back whole in a process of its own: pages, every event, every photo, the fold of every job.
 * @param live the running shop's database to hold it against, or null
 * @returns what is wrong and where in words; never throws
 */
export async function verifyBackup(file: string, live: string | null = null): Promise<Verified> {
  const done = await apart<Verified>("verify", { file, live }, { mostMs: MOST_MS });
  return done.ok
    ? done.answer
    : { ok: false, problems: [done.problem], jobs: 0, events: 0, lastSeq: 0, photos: 0, stateHash: "" };
}
