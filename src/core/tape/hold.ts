import type { Build } from "../build";
import { bondNeeded } from "./bondNeeded";
import { cutList } from "./cutList";
import { type Moment, mayLeave } from "./dwell";

/** Mass of what is stuck per area, kg/m2 (adj): a panel with its frame; a unit with its own glass. */
const KG_PER_M2 = { panel: 4.6, cell: 4.6, frontUnit: 7.1, lidAssembly: 7.1 } as const;
/** Room where nobody measured it, °C, and peel strength of the tape, N/mm (adj). */
const ROOM_C = 21;
const PEEL_N_MM = 2.5;

/** When a stuck panel may be moved, counted from the moment it was pressed. */
export interface Hold {
  upright: Moment;
  handedOver: Moment;
  carried: Moment;
  /** False outside 15 to 40 °C: the parts are warmed first. */
  inRange: boolean;
  areaMm2: number;
  roomC: number;
  massKg: number;
  /** The mass is an estimate from the panel's size. */
  estimated: boolean;
  /** Line load over what the tape's peel strength allows. */
  peels: boolean;
}

/**
 * When the tape of a job holds: upright, handed over gently, carried in a bag. Promise the late end.
 * @param build the machine; its cut list is what is bonded
 * @param told room in °C and mass in kg where somebody measured them
 * @param outline of the panel, mm; without it the lid's opening
 * @returns null where nothing is stuck
 * @throws RangeError for a mass that is not more than 0
 * @example holdOf(build, { roomC: 21 }, { widthMm: 312, heightMm: 195 }).massKg.toFixed(2) // "0.28"
 */
export function holdOf(
  build: Build,
  told: { roomC?: number | undefined; massKg?: number | undefined },
  outline?: { widthMm: number; heightMm: number } | null,
): Hold | null {
  const strips = cutList(build);
  if (!strips.length) return null;
  const areaMm2 = strips.reduce((a, p) => a + p.widthMm * p.lengthMm, 0);
  const lineMm = strips.reduce((a, p) => a + p.lengthMm, 0);
  const size = outline ?? build.lid.opening;
  const massKg = told.massKg ?? (KG_PER_M2[build.subject.kind] * size.widthMm * size.heightMm) / 1e6;
  const roomC = told.roomC ?? ROOM_C;
  const need = bondNeeded({ massKg, peelNPerMm: PEEL_N_MM, lineMm });
  return {
    ...mayLeave(areaMm2, need, roomC),
    areaMm2,
    roomC,
    massKg,
    estimated: told.massKg === undefined,
    peels: need.lineNPerMm > need.lineAllow,
  };
}
