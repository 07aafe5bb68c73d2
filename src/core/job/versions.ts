import type { JobEvent } from "./event";
import type { EventType } from "./payloads";
import { RULES, ruleOf } from "./registry";
import type { Photo } from "./shapes";

const liftsOf = (type: string) => (Object.hasOwn(RULES, type) ? ruleOf(type as EventType).lift : undefined) ?? [];

/** Which version of its payload is written today. @example newestVersion("triage.damageMarked") // 2 */
export const newestVersion = (type: EventType): number => liftsOf(type).length + 1;

/** The photo an event keeps, whatever it is about; null when it keeps none. @example photoOf(events[0]) // null */
export const photoOf = (e: JobEvent): Photo | null => ("photo" in e.payload ? (e.payload.photo ?? null) : null);

/**
 * An event with its payload at the newest version; the log on disk stays as it was written.
 * @example liftEvent({ type: "plan.made", v: 1, payload: { goal: "panelOut" } }).payload.goal // "subjectOut"
 */
export function liftEvent<T extends { type: string; v: number; payload: unknown }>(e: T): T {
  const lifts = liftsOf(e.type);
  let { v, payload } = e;
  while (v <= lifts.length && typeof payload === "object" && payload !== null) {
    payload = lifts[v - 1]!(payload as Record<string, unknown>);
    v += 1;
  }
  return v === e.v ? e : { ...e, v, payload };
}
