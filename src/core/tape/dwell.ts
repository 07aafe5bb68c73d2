import type { BondNeeded } from "./bondNeeded";

/** Half of its strength at 20 min, nine tenths at a day, at 21 °C; time doubles per 10 K colder (E: 8 to 15). */
const REF_C = 21;
const DOUBLES_K = 10;
const BETA = Math.log(Math.log(10) / Math.log(2)) / Math.log(1440 / 20);
const TAU_MIN = 20 / Math.log(2) ** (1 / BETA);
/** Times may be this much shorter or longer (E). */
const SPREAD = 2.5;
/** Nothing is handed over sooner, min. */
const SOONEST_MIN = 20;

const slower = (tempC: number): number => 2 ** ((REF_C - tempC) / DOUBLES_K);

/**
 * What share of its full strength a tape has.
 * @param tMin minutes since it was pressed; tempC the room's, °C
 * @example Math.round(100 * strengthAt(20, 21)) // 50
 */
export const strengthAt = (tMin: number, tempC: number): number =>
  tMin <= 0 ? 0 : 1 - Math.exp(-((tMin / (TAU_MIN * slower(tempC))) ** BETA));

/**
 * How long it takes to a share of its strength, min; Infinity for all of it.
 * @example Math.round(dwellFor(0.5, 21)) // 20
 */
export const dwellFor = (share: number, tempC: number): number =>
  share >= 1 ? Number.POSITIVE_INFINITY : share <= 0 ? 0 : TAU_MIN * slower(tempC) * (-Math.log(1 - share)) ** (1 / BETA);

/** A moment with its range, min; null = never with this tape on this ledge. */
export type Moment = { min: number; soonMin: number; lateMin: number } | null;

/**
 * When a lid may stand upright, be handed over gently, be carried in a bag. Promise the late end.
 * @param areaMm2 what is bonded; need what `bondNeeded` says
 * @returns moments after pressing; `inRange` false outside 15 to 40 °C: warm the parts first
 * @example mayLeave(5892, bondNeeded({ massKg: 0.28, peelNPerMm: 2.5, lineMm: 990 }), 21).handedOver.min // 20
 */
export function mayLeave(
  areaMm2: number,
  need: Pick<BondNeeded, "creepMm2" | "shockMm2">,
  tempC: number,
): { upright: Moment; handedOver: Moment; carried: Moment; inRange: boolean } {
  const at = (share: number, soonest = 0): Moment => {
    const min = Math.max(soonest, dwellFor(share, tempC));
    return Number.isFinite(min) ? { min, soonMin: min / SPREAD, lateMin: min * SPREAD } : null;
  };
  const creep = need.creepMm2 / areaMm2;
  const shock = need.shockMm2 / areaMm2;
  return {
    upright: at(1.5 * creep),
    handedOver: at(Math.max(creep, 0.5 * shock), SOONEST_MIN),
    carried: at(Math.max(creep, shock), SOONEST_MIN),
    inRange: tempC >= 15 && tempC <= 40,
  };
}
