import { HAZARDS, type Hazard, MONEY_STOPS, type MoneyStop } from "../triage";
import { type Answer, no } from "./answer";
import type { JobState } from "./state";

/** Hazards raised and not made safe. @example openHazards(s) // [] */
export const openHazards = (s: JobState): Hazard[] => (Object.keys(s.hazards) as Hazard[]).filter((h) => !s.hazards[h]!.madeSafe);
/** Money stops raised and not waived. @example openMoneyStops(s) // [] */
export const openMoneyStops = (s: JobState): MoneyStop[] =>
  (Object.keys(s.moneyStops) as MoneyStop[]).filter((m) => s.moneyStops[m]!.waived === null);
/** Breaches nobody has resolved. @example openBreaches(s) // [] */
export const openBreaches = (s: JobState) => s.breaches.filter((b) => b.resolved === null);
/**
 * A hazard in words: its name, and what is done.
 * @example hazardWords("hotBattery").name // "Hot, leaking or smelling battery"
 */
export const hazardWords = (h: Hazard) => HAZARDS[h];
/** A money stop in words. @example moneyWords("warranty").name // "Warranty or accident cover" */
export const moneyWords = (m: MoneyStop) => MONEY_STOPS[m];

/** Safety stops first: nothing but making safe or handing on passes them. @example safetyClear(view) // null */
export function safetyClear(v: { state: JobState }, gate = "safety"): Answer {
  const h = openHazards(v.state)[0];
  if (!h) return null;
  const { name, say } = hazardWords(h);
  return no(gate, `${name}. ${say} Record how it was made safe, or hand the machine to a trained person.`);
}

/** Liquid was told of and nobody has recorded that it was opened, cleaned and dried. @example isWet(s) // false */
export const isWet = (s: JobState): boolean => s.wet !== null && s.wet.cleared === null;

/** What is done with a machine that liquid went into, in its order. */
export const LIQUID_SAYS =
  "Liquid: press no key. Mains out and pack off first; then open it, clean it, dry it without heat. Nothing wakes or feeds it before that is recorded.";

/** No liquid in it that is not cleared: nothing powers a wet machine. @example dryClear(view) // null */
export const dryClear = (v: { state: JobState }): Answer => (isWet(v.state) ? no("liquid", LIQUID_SAYS) : null);

/** Solvent that was used is dry and its cloth away: its vapour meets no spark and no heat. @example solventClear(view) // null */
export const solventClear = (v: { state: JobState }): Answer =>
  v.state.bench.solvent
    ? no("solvent", "Solvent is not dry yet: no heat and no power before it is, and the cloth is away.")
    : null;

/** No breach is open. @example breachClear(view, "mayConnect") // null */
export function breachClear(v: { state: JobState }, gate: string): Answer {
  const b = openBreaches(v.state)[0];
  return b ? no(gate, `A breach is not resolved: ${b.reason}`) : null;
}
