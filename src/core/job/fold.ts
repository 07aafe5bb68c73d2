import type { Answer, Refusal } from "./answer";
import { apply } from "./apply";
import { compareEvents } from "./clock";
import type { JobEvent } from "./event";
import { eventGate } from "./eventGate";
import { ruleOf } from "./registry";
import { emptyState, type JobState, type Snapshots } from "./state";

/** The rules of folding, counted up whenever they change, so that stored projections know they are old. */
export const FOLD_VERSION = 20;

const upper = (words: string) => words[0]!.toUpperCase() + words.slice(1);

/** Why an event can never be taken back, or undefined. */
const stays = (e: JobEvent): string | undefined => ruleOf(e.type).stays;

/**
 * Events in canonical order, each id once. Sorts only when needed.
 * @example canonical([events[1], events[0]])[0].type // "job.opened"
 */
export function canonical(events: readonly JobEvent[]): JobEvent[] {
  let sorted = true;
  for (let i = 1; i < events.length && sorted; i++) sorted = compareEvents(events[i - 1]!, events[i]!) < 0;
  if (sorted) return events as JobEvent[];
  const seen = new Set<string>();
  const once: JobEvent[] = [];
  for (const e of events) {
    if (seen.has(e.id)) continue;
    seen.add(e.id);
    once.push(e);
  }
  return once.sort(compareEvents);
}

/** Ids taken back by any of these events. */
function takenBack(events: readonly JobEvent[]): Set<string> {
  const ids = new Set<string>();
  for (const e of events) if (e.type === "job.takenBack") ids.add(e.payload.eventId);
  if (ids.size) for (const e of events) if (stays(e)) ids.delete(e.id);
  return ids;
}

/**
 * The events that count, in canonical order: without what was taken back and without the taking back itself.
 * @example counting(events).length === events.length // true
 */
export function counting(events: readonly JobEvent[]): JobEvent[] {
  const all = canonical(events);
  const gone = takenBack(all);
  return all.filter((e) => e.type !== "job.takenBack" && !gone.has(e.id));
}

/**
 * The state of a job: its events in canonical order, each applied once, without those taken back. An event whose gate
 * was shut at its place has happened all the same and stands as a breach.
 * @param events any order, repeats allowed, already validated
 * @param snapshots reference data by content hash
 * @example fold([], {}).job // null
 */
export function fold(events: readonly JobEvent[], snapshots: Snapshots): JobState {
  const state = emptyState();
  const view = { state, snapshots };
  for (const e of counting(events)) {
    const shut = eventGate(view, e);
    apply(state, snapshots, e);
    if (shut) state.breaches.push({ eventId: e.id, gate: shut.gate, reason: shut.reason, resolved: null });
  }
  return state;
}

/**
 * Asks the event's gate on the fold of everything before its place in canonical order.
 * @example askGate(events, snapshots, event).reason // "This build has no screw \"no-such\"."
 */
export function askGate(events: readonly JobEvent[], snapshots: Snapshots, e: JobEvent): Answer {
  if (e.type === "job.takenBack") return mayTakeBack(events, snapshots, e.payload.eventId);
  const before = events.filter((x) => x.id !== e.id && compareEvents(x, e) < 0);
  return eventGate({ state: fold(before, snapshots), snapshots }, e);
}

/**
 * May this event be taken back? Only when every later event still passes its gate; else the first that depends on it is named.
 * @returns null to go, else a refusal whose `blocking` is the id of the dependent event when there is one
 * @example mayTakeBack(events, snapshots, events[0].id).reason // "A job stays opened. Close it instead."
 */
export function mayTakeBack(
  events: readonly JobEvent[],
  snapshots: Snapshots,
  eventId: string,
): (Refusal & { blocking?: string }) | null {
  const used = counting(events);
  const target = used.find((e) => e.id === eventId);
  if (!target)
    return {
      gate: "takeBack",
      reason: events.some((e) => e.id === eventId) ? "It is taken back already." : "There is no such entry in this job.",
    };
  const kept = stays(target);
  if (kept) return { gate: "takeBack", reason: kept };
  const before = fold(used, snapshots);
  const still = ruleOf(target.type).staysWhile?.(before);
  if (still) return { gate: "takeBack", reason: still };
  const known = new Set(before.breaches.map((x) => x.eventId));
  const without = used.filter((e) => e.id !== eventId);
  const fresh = fold(without, snapshots).breaches.find((x) => !known.has(x.eventId));
  if (!fresh) return null;
  const dependent = without.find((e) => e.id === fresh.eventId)!;
  return {
    gate: "takeBack",
    reason: `${upper(ruleOf(dependent.type).name)} depends on it: ${fresh.reason} Take that back first.`,
    blocking: dependent.id,
  };
}
