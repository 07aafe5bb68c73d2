import type { JobEvent } from "./event";
import type { EventType, Photo } from "./payloads";

/** Newest payload version of each type; those not listed are at 1. */
const NEWEST: Partial<Record<EventType, number>> = { "triage.damageMarked": 2 };

/** How a payload of one version becomes the next. Old events are lifted when read; the log on disk stays as it was written. */
const LIFT: Partial<Record<EventType, Record<number, (payload: Record<string, unknown>) => Record<string, unknown>>>> = {
  "triage.damageMarked": {
    // Version 1 knew no direction: its lines were drawn from top to bottom.
    1: (p) => ({ ...p, direction: p.kind === "lines" ? "vertical" : null, movesWithLid: false }),
  },
};

/** The photo an event keeps, whatever it is about; null when it keeps none. @example photoOf(note)?.hash // "ab12…" */
export const photoOf = (e: JobEvent): Photo | null => ("photo" in e.payload ? (e.payload.photo ?? null) : null);

/** An event with its payload at the newest version. @example liftEvent(oldMark).v // 2 */
export function liftEvent<T extends { type: string; v: number; payload: unknown }>(e: T): T {
  const newest = NEWEST[e.type as EventType] ?? 1;
  let { v, payload } = e;
  while (v < newest) {
    const lift = LIFT[e.type as EventType]?.[v];
    if (!lift || typeof payload !== "object" || payload === null) break;
    payload = lift(payload as Record<string, unknown>);
    v += 1;
  }
  return v === e.v ? e : { ...e, v, payload };
}

/** Which version of its payload is written today. @example newestVersion("triage.damageMarked") // 2 */
export const newestVersion = (type: EventType): number => NEWEST[type] ?? 1;
