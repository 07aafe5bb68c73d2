import { logSpread, normalCdf, type P50P80 } from "../chance";

export interface Risk {
  chance: number;
  costMinor: number;
}

/** What one option costs: something fixed, labour at a rate, and things that may go wrong, each by itself. */
export interface Cost {
  fixedMinor: number;
  /** Minutes; zeros for no labour. */
  labour: P50P80;
  rateMinorPerHour: number;
  risks: readonly Risk[];
}

/** Every combination of mishaps with its chance and cost: at most 2^8. */
function combinations(risks: readonly Risk[]): { chance: number; costMinor: number }[] {
  let out = [{ chance: 1, costMinor: 0 }];
  for (const r of risks)
    out = out.flatMap((c) => [
      { chance: c.chance * (1 - r.chance), costMinor: c.costMinor },
      { chance: c.chance * r.chance, costMinor: c.costMinor + r.costMinor },
    ]);
  return out.filter((c) => c.chance > 0);
}

/** Mean of a cost, exact: a log-normal's mean is median x exp(sigma^2 / 2). Minor units, not rounded. @example expectedMinor({ fixedMinor: 100, labour: { p50: 0, p80: 0 }, rateMinorPerHour: 0, risks: [] }) // 100 */
export function expectedMinor(c: Cost): number {
  const s = logSpread(c.labour);
  const labour = ((c.labour.p50 * Math.exp((s * s) / 2)) / 60) * c.rateMinorPerHour;
  return c.fixedMinor + labour + c.risks.reduce((sum, r) => sum + r.chance * r.costMinor, 0);
}

/**
 * A quantile of a cost, exact: labour is log-normal, each mishap happens or not, so the total is a mixture of shifted
 * log-normals; its distribution function is summed over all combinations and inverted by bisection. No drawing of numbers.
 * @param q 0 < q < 1
 * @returns minor units, to a hundredth of one
 * @example quantileMinor({ fixedMinor: 500, labour: { p50: 0, p80: 0 }, rateMinorPerHour: 0, risks: [] }, 0.8) // 500
 */
export function quantileMinor(c: Cost, q: number): number {
  const s = logSpread(c.labour);
  const median = (c.labour.p50 / 60) * c.rateMinorPerHour;
  const combos = combinations(c.risks);
  const below = (x: number): number =>
    combos.reduce((sum, k) => {
      const rest = x - c.fixedMinor - k.costMinor;
      if (median === 0 || s === 0) return sum + (rest >= median - 1e-9 ? k.chance : 0);
      return rest <= 0 ? sum : sum + k.chance * normalCdf(Math.log(rest / median) / s);
    }, 0);
  let lo = c.fixedMinor;
  let hi = c.fixedMinor + median * Math.exp(8 * s) + c.risks.reduce((a, r) => a + r.costMinor, 0) + 1;
  if (below(lo) >= q) return lo;
  while (hi - lo > 0.005) {
    const mid = (lo + hi) / 2;
    if (below(mid) >= q) hi = mid;
    else lo = mid;
  }
  return hi;
}
