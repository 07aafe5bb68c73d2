import { Z80 } from "./normal";

/** A time or cost as P50 and P80 in the same unit. */
export interface P50P80 {
  p50: number;
  p80: number;
}

/** Standard deviation of the logarithm of a log-normal given by P50 and P80; 0 for no spread. @example logSpread({ p50: 10, p80: 10 }) // 0 */
export const logSpread = (x: P50P80): number => (x.p80 > x.p50 && x.p50 > 0 ? Math.log(x.p80 / x.p50) / Z80 : 0);

/**
 * P50 and P80 of a sum of log-normal step times that share one factor for the whole job.
 * Each step has its own spread `sigmaStep`; the shared factor (who, first or tenth of this model) has `sigmaJob`.
 * The sum of the independent parts is matched to one log-normal by mean and variance (Fenton-Wilkinson),
 * then the shared factor's variance is added in log space.
 * @param medians medians of the steps, any one time unit, each greater than 0 (others are ignored)
 * @param sigmaStep log standard deviation per step (adj, default 0.35)
 * @param sigmaJob log standard deviation of the shared factor (adj, default 0.25)
 * @returns zeros for no steps
 * @example sumLogNormal([10], 0, 0) // { p50: 10, p80: 10 }
 */
export function sumLogNormal(medians: readonly number[], sigmaStep = 0.35, sigmaJob = 0.25): P50P80 {
  let mean = 0;
  let variance = 0;
  const grow = Math.exp((sigmaStep * sigmaStep) / 2);
  for (const median of medians) {
    if (!(median > 0)) continue;
    const m = median * grow;
    mean += m;
    variance += m * m * (Math.exp(sigmaStep * sigmaStep) - 1);
  }
  if (mean === 0) return { p50: 0, p80: 0 };
  const s2 = Math.log(1 + variance / (mean * mean));
  const p50 = mean * Math.exp(-s2 / 2);
  return { p50, p80: p50 * Math.exp(Z80 * Math.sqrt(s2 + sigmaJob * sigmaJob)) };
}
