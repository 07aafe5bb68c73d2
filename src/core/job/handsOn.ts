import { readClock } from "./clock";
import type { JobEvent } from "./event";

/** A gap longer than this is not work on this machine but a break, minutes (adj). */
const BREAK_MIN = 20;
const HANDS = /^(open|swap|bond|prove|close)\./;

/**
 * Hands-on minutes of a job: the time between its acts on the machine, breaks left out.
 * @param events those that count, in canonical order
 * @returns minutes, 0 for fewer than two acts
 * @example handsOnMinutes([]) // 0
 */
export function handsOnMinutes(events: readonly JobEvent[]): number {
  let last: number | null = null;
  let sum = 0;
  for (const e of events) {
    if (!HANDS.test(e.type)) continue;
    const ms = readClock(e.clock)!.ms;
    if (last !== null && ms - last <= BREAK_MIN * 60_000) sum += ms - last;
    last = ms;
  }
  return sum / 60_000;
}
