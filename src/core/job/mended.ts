import { MENDED_WORDS, type Mend, mendHolds, mendId } from "../build";
import { durationWords, listed } from "../quantity";
import { type Answer, no } from "./answer";
import { msOf } from "./clock";
import { buildOf, type JobView } from "./derived";

/** Mends nobody has seen hold yet. @example curing(view).length // 0 */
export const curing = (v: JobView): (Mend & { clock: string })[] =>
  v.state.mends.filter((m) => m.cureMin > 0 && !v.state.backActs[mendId(m)]);

/** Minutes a mend still cures at a place in time; 0 when it has had its time. @example leftMin({ cureMin: 10, clock: "000000000000000-000000" }, 0) // 10 */
export const leftMin = (m: { cureMin: number; clock: string }, nowMs: number): number =>
  Math.max(0, m.cureMin - (nowMs - msOf(m.clock)) / 60_000);

/**
 * Whether something may be loaded: not before every mend it bears on was seen to hold.
 * @param on the part that goes on, the group a screw belongs to with what it holds, or the seating
 * @example cureHolds(view, { part: "bezel" }) // null
 */
export function cureHolds(v: JobView, on: { part?: string; group?: string; seat?: true }): Answer {
  const b = buildOf(v);
  if (!b) return null;
  const waits = curing(v).filter((m) => {
    const holds = mendHolds(b.build, m);
    return (
      (on.part !== undefined && holds.parts.includes(on.part)) ||
      (on.group !== undefined && holds.groups.includes(on.group)) ||
      (on.seat === true && holds.seat)
    );
  });
  return waits.length
    ? no(
        "cure",
        `${listed(waits.map((m) => `the ${MENDED_WORDS[m.what]} of ${b.part.get(m.part)?.name.toLowerCase() ?? m.part}`)).replace(/^./, (c) => c.toUpperCase())} still cures: nothing loads it before it was seen to hold.`,
      )
    : null;
}

/** May a mend's clamp come off? @example mayUnclamp(view, "mend-1", 0).reason // "Nothing of that name was mended." */
export function mayUnclamp(v: JobView, act: string, nowMs: number): Answer {
  const m = v.state.mends.find((x) => mendId(x) === act);
  if (!m) return no("cure", "Nothing of that name was mended.");
  const left = leftMin(m, nowMs);
  return left > 0
    ? no("cure", `It cures for ${durationWords(m.cureMin)}: ${durationWords(left)} left. Clamp on, go on with the rest.`)
    : null;
}
