import type { Jet } from "./acts";
import { HeatRun, mixAt } from "./heatRun";
import type { LidModel } from "./lid";

export interface ToolCalibration {
  cal: number;
  /** At the reading less and more its standard deviation. */
  range: [number, number];
  /** What a tenth of strength does to the reading, K. */
  kPerTenth: number;
  /** A tenth is under 2 K: a shorter dwell tells more. */
  weak: boolean;
  /** The reading lies beyond what a strength of 0.6 to 1.5 gives. */
  clipped: boolean;
}

/** Under this many kelvin per tenth a reading says little. */
const WEAK_K = 2;
const FINE = 0.001;

/**
 * How strong a tool is, from one reading: the nozzle held on a spot, the surface read some seconds after it is taken away.
 * @param m the lid it is held on
 * @param o the act (`fromMm` = `toMm`), the reading in °C, how long after shut-off it was taken
 * @throws RangeError where the nozzle moved, or the reading is none
 * @example calibrateTool(heatLid, { act: heatSpot, surfaceC: 60 }).clipped // false
 */
export function calibrateTool(
  m: LidModel,
  o: { act: Jet & { seconds: number }; readAfterS?: number; surfaceC: number; sdK?: number },
): ToolCalibration {
  const { seconds, ...jet } = o.act;
  if (jet.fromMm !== jet.toMm) throw new RangeError("a calibration holds the nozzle on one spot: fromMm and toMm differ");
  if (!Number.isFinite(o.surfaceC)) throw new RangeError(`surfaceC: read ${o.surfaceC}, expected a temperature`);
  const run = new HeatRun(m);
  run.step(seconds, jet);
  run.step(o.readAfterS ?? 5, null);
  const side = jet.edge === "left" || jet.edge === "right";
  const d = m.domain;
  const at = {
    xMm: side ? (jet.edge === "left" ? d.xMm + jet.insetMm : d.xMm + d.widthMm - jet.insetMm) : jet.fromMm,
    yMm: side ? jet.fromMm : jet.edge === "top" ? d.yMm + jet.insetMm : d.yMm + d.heightMm - jet.insetMm,
  };
  const nodes = run.surfaceAt(at);
  const surface = (cal: number): number => mixAt(cal).reduce((x, w, k) => x + w * nodes[k]!, 0);
  const lookUp = (c: number): { cal: number; clipped: boolean } => {
    if (c <= nodes[0]!) return { cal: 0.6, clipped: c < nodes[0]! };
    if (c >= nodes[4]!) return { cal: 1.5, clipped: c > nodes[4]! };
    let [lo, hi] = [0.6, 1.5];
    while (hi - lo > FINE / 10) {
      const mid = (lo + hi) / 2;
      if (surface(mid) < c) lo = mid;
      else hi = mid;
    }
    return { cal: (lo + hi) / 2, clipped: false };
  };
  const sd = o.sdK ?? 1.5;
  const { cal, clipped } = lookUp(o.surfaceC);
  const kPerTenth = surface(1.05) - surface(0.95);
  return {
    cal,
    range: [lookUp(o.surfaceC - sd).cal, lookUp(o.surfaceC + sd).cal],
    kPerTenth,
    weak: kPerTenth < WEAK_K,
    clipped,
  };
}
