/** What is left of a tape's strength warm, with the wetting it gets, and with age (E). */
const [WARM, WET, AGE] = [0.5, 0.8, 0.8];
/** Area for a load that hangs for ever: 57 cm2 per kg, as the trade recalls it (adj). */
const CREEP_MM2_PER_KG = 5700;
const G = 9.81;

export interface BondNeeded {
  forceN: number;
  /** Area that a blow asks for, and that a weight hanging for ever does. */
  shockMm2: number;
  creepMm2: number;
  needMm2: number;
  /** Load along the line of tape, and what its peel strength allows. */
  lineNPerMm: number;
  lineAllow: number;
}

/**
 * How much tape it takes to hold a panel: for a blow of so many g with a safety, and for its weight in the long run.
 * @param o mass in kg; strength of the tape in MPa; its peel strength in N/mm; length of the bonded line in mm
 * @throws RangeError where a figure is not more than 0
 * @example Math.round(bondNeeded({ massKg: 0.28, peelNPerMm: 2.5, lineMm: 990 }).forceN) // 275
 */
export function bondNeeded(o: {
  massKg: number;
  shockG?: number;
  safety?: number;
  strengthMPa?: number;
  peelNPerMm: number;
  lineMm: number;
}): BondNeeded {
  const { massKg, shockG = 100, safety = 2, strengthMPa = 0.45, peelNPerMm, lineMm } = o;
  for (const [k, x] of Object.entries({ massKg, shockG, safety, strengthMPa, peelNPerMm, lineMm }))
    if (!(x > 0)) throw new RangeError(`${k}: read ${x}, expected more than 0`);
  const kept = WARM * WET * AGE;
  const forceN = massKg * G * shockG;
  const shockMm2 = (forceN * safety) / (strengthMPa * kept);
  const creepMm2 = massKg * CREEP_MM2_PER_KG;
  return {
    forceN,
    shockMm2,
    creepMm2,
    needMm2: Math.max(shockMm2, creepMm2),
    lineNPerMm: forceN / lineMm,
    lineAllow: (peelNPerMm * kept) / 2,
  };
}
