import { msOf, placeOf } from "./clock";
import type { JobEvent } from "./event";
import type { EventType } from "./payloads";
import { ruleOf } from "./registry";

/** A gap longer than this is not work on this machine but a break, minutes (adj). */
export const BREAK_MIN = 20;

/** Hands on the machine, or on what feeds it. @example actsOnMachine("job.noted") // false */
export const actsOnMachine = (type: EventType): boolean => ruleOf(type).on !== "desk";

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
    if (!actsOnMachine(e.type)) continue;
    const ms = msOf(placeOf(e));
    if (last !== null && ms - last <= BREAK_MIN * 60_000) sum += ms - last;
    last = ms;
  }
  return sum / 60_000;
}
