export interface CartonAsk {
  machines: number;
  /** Chance that one of them needs it. */
  needChance: number;
  unitMinor: number;
  cartonOf: number;
  cartonMinor: number;
  /** What a left-over brings, and how many are used anyway. */
  salvageMinor: number;
  delayMinor: number;
  spareUse: number;
}
export interface CartonChoice {
  cartons: number;
  units: number;
  costMinor: number;
  /** Expected left over, and expected short. */
  left: number;
  short: number;
}

/** A left-over that is used anyway is worth this share of a unit. */
const USED_ANYWAY = 0.9;

/**
 * Cartons and units for a fleet against a binomial need: shortage costs a unit and the delay, left-overs bring something back.
 * @throws RangeError for counts or chances that cannot be
 * @example cartonChoice({ machines: 30, needChance: 0.87, unitMinor: 3950, cartonOf: 10, cartonMinor: 33000, salvageMinor: 2200, delayMinor: 700, spareUse: 2 }).cartons // 3
 */
export function cartonChoice(o: CartonAsk): CartonChoice {
  if (!(Number.isInteger(o.machines) && o.machines >= 0))
    throw new RangeError(`machines: read ${o.machines}, expected a whole number`);
  if (!(Number.isInteger(o.cartonOf) && o.cartonOf >= 1))
    throw new RangeError(`cartonOf: read ${o.cartonOf}, expected 1 or more`);
  if (!(o.needChance >= 0 && o.needChance <= 1)) throw new RangeError(`needChance: read ${o.needChance}, expected 0 to 1`);
  let need = [1];
  for (let i = 0; i < o.machines; i++)
    need = Array.from(
      { length: need.length + 1 },
      (_, k) => (need[k] ?? 0) * (1 - o.needChance) + (need[k - 1] ?? 0) * o.needChance,
    );
  let best: CartonChoice | null = null;
  for (let cartons = 0; cartons * o.cartonOf <= o.machines + o.cartonOf; cartons++)
    for (let units = 0; units <= Math.max(0, o.machines + 3 - cartons * o.cartonOf); units++) {
      const have = cartons * o.cartonOf + units;
      let left = 0;
      let short = 0;
      for (const [k, p] of need.entries()) {
        left += p * Math.max(0, have - k);
        short += p * Math.max(0, k - have);
      }
      const soon = Math.min(left, o.spareUse);
      const costMinor =
        cartons * o.cartonMinor +
        units * o.unitMinor +
        short * (o.unitMinor + o.delayMinor) -
        soon * o.unitMinor * USED_ANYWAY -
        (left - soon) * o.salvageMinor;
      if (!best || costMinor < best.costMinor) best = { cartons, units, costMinor, left, short };
    }
  return best!;
}
