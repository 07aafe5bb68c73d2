import { HAZARDS, type Hazard, MONEY_STOPS, type MoneyStop } from "../triage";
import { type Answer, no } from "./answer";
import type { JobState } from "./state";

export const openHazards = (s: JobState): Hazard[] => (Object.keys(s.hazards) as Hazard[]).filter((h) => !s.hazards[h]!.madeSafe);
export const openMoneyStops = (s: JobState): MoneyStop[] =>
  (Object.keys(s.moneyStops) as MoneyStop[]).filter((m) => s.moneyStops[m]!.waived === null);
export const openBreaches = (s: JobState) => s.breaches.filter((b) => b.resolved === null);
export const hazardWords = (h: Hazard) => HAZARDS[h];
export const moneyWords = (m: MoneyStop) => MONEY_STOPS[m];

/** Safety stops first: nothing but making safe or handing on passes them. */
export function safetyClear(v: { state: JobState }, gate = "safety"): Answer {
  const h = openHazards(v.state)[0];
  if (!h) return null;
  const { name, say } = hazardWords(h);
  return no(gate, `${name}. ${say} Record how it was made safe, or hand the machine to a trained person.`);
}

/** No breach is open. */
export function breachClear(v: { state: JobState }, gate: string): Answer {
  const b = openBreaches(v.state)[0];
  return b ? no(gate, `A breach is not resolved: ${b.reason}`) : null;
}
