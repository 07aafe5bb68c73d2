import { KELVIN, TOOLS, type ToolFigures } from "./properties";

/** A jet where it meets a surface: film coefficient on its axis W/m2K, radius mm, temperature °C. */
export interface JetAt {
  h0: number;
  bMm: number;
  jetC: number;
}

export type Tool = keyof typeof TOOLS | ToolFigures;

/** The figures of a tool. @example toolOf("rework").diameterMm // 22 */
export const toolOf = (t: Tool): ToolFigures => (typeof t === "string" ? TOOLS[t] : t);

/** Out to this many nozzle diameters the correlation's mean is matched. */
const MATCHED = 2.5;

/** Mean film coefficient over the disc of one round nozzle, W/m2K (Martin's correlation, about 30 %). */
function martin(dM: number, flowLpm: number, gasC: number, standOffM: number): number {
  const speed = flowLpm / 6e4 / ((Math.PI * dM * dM) / 4);
  const tK = gasC + KELVIN;
  const nu = 1.57e-5 * (tK / 298) ** 1.75;
  const k = 0.0261 * (tK / 298) ** 0.85;
  const re = (speed * dM) / nu;
  const r = MATCHED * dM;
  const a = Math.sqrt(Math.min(0.04, (dM * dM) / (4 * r * r)));
  const apart = Math.min(12, Math.max(2, standOffM / dM));
  const g = (2 * a * (1 - 2.2 * a)) / (1 + 0.2 * (apart - 6) * a);
  const f = 2 * Math.sqrt(re) * Math.sqrt(1 + 0.005 * re ** 0.55);
  return (0.7 ** 0.42 * g * f * k) / dM;
}

/**
 * The jet of a tool at a surface.
 * @param nozzleC temperature at the nozzle, °C
 * @param standOffMm nozzle to surface, mm
 * @param ambientC room, °C
 * @param cal how much stronger it is than this model says, on the film coefficient
 * @example Math.round(jetAt("heatGun", 150, 60, 23).bMm) // 55
 */
export function jetAt(tool: Tool, nozzleC: number, standOffMm: number, ambientC: number, cal = 1): JetAt {
  const { diameterMm, flowLpm } = toolOf(tool);
  const far = standOffMm / diameterMm;
  const eta = far <= 5 ? 1 - 0.03 * far : 4.25 / far;
  const jetC = ambientC + eta * (nozzleC - ambientC);
  const bMm = 1.4 * diameterMm + 0.1 * standOffMm;
  const r = MATCHED * diameterMm;
  const mean = martin(diameterMm * 1e-3, flowLpm, jetC, standOffMm * 1e-3);
  const h0 = (cal * mean * r * r) / (bMm * bMm * (1 - Math.exp((-r * r) / (bMm * bMm))));
  return { h0, bMm, jetC };
}

/**
 * Where on its edge a sweeping nozzle is: there and back at a steady speed, with a dwell at both ends.
 * @param s seconds since the act began
 * @example sweepAt(0, 10, 90, 40, 1) // 10
 */
export function sweepAt(s: number, fromMm: number, toMm: number, speedMmS: number, dwellS: number): number {
  const length = Math.abs(toMm - fromMm);
  if (length === 0) return fromMm;
  const way = toMm > fromMm ? 1 : -1;
  const half = length / speedMmS + dwellS;
  const x = s % (2 * half);
  const back = x >= half;
  const gone = Math.min(length, (back ? x - half : x) * speedMmS);
  return back ? toMm - way * gone : fromMm + way * gone;
}
