import { negativeBinomial, normalQuantile, Z80 } from "../chance";

/** A seller's lead time, days. */
export interface Lead {
  p50Days: number;
  p80Days: number;
}

/** What the prior is worth: days of watching, and occasions of one each (adj). */
const PRIOR_DAYS = 120;
const ONE_EACH = 4;
/** Equal-chance points the lead time is averaged over, and the largest demand told. */
const CELLS = 65;
const MOST = 60;

/**
 * Rate of walk-in occasions as a Gamma: its class's rate, worth so many days, and what was seen.
 * @param occasions seen, announced ones left out @param days watched, with or without occasions
 * @param priorRate of its class, a day @param priorDays what that is worth
 * @example rateOf(5, 180, 1 / 60).b // 300
 */
export const rateOf = (occasions: number, days: number, priorRate: number, priorDays = PRIOR_DAYS): { a: number; b: number } => ({
  a: Math.max(1e-6, priorRate * priorDays) + occasions,
  b: priorDays + days,
});

/** Chances of the sizes of an occasion, pooled with one each; index = size. @example sizesOf([])[1] // 1 */
export function sizesOf(sizes: readonly number[], weight = ONE_EACH): number[] {
  const p = new Array<number>(Math.max(1, ...sizes) + 1).fill(0);
  p[1]! += weight;
  for (const s of sizes) p[s]! += 1;
  return p.map((x) => x / (weight + sizes.length));
}

/**
 * Demand over the lead time: negative binomial occasions, averaged over a log-normal lead time, compounded with sizes.
 * @returns chances of 0 to 60 units
 * @example leadDemand({ a: 7, b: 300, sizes: [0, 1], lead: { p50Days: 4.4, p80Days: 6 } })[0] > 0.89 // true
 */
export function leadDemand(o: { a: number; b: number; sizes: readonly number[]; lead: Lead }): number[] {
  const sigma = o.lead.p80Days > o.lead.p50Days ? Math.log(o.lead.p80Days / o.lead.p50Days) / Z80 : 0;
  const occasions = new Array<number>(MOST + 1).fill(0);
  for (let i = 0; i < CELLS; i++) {
    const t = o.lead.p50Days * Math.exp(sigma * normalQuantile((i + 0.5) / CELLS));
    negativeBinomial(o.a, o.b, t, MOST).forEach((p, k) => {
      occasions[k]! += p / CELLS;
    });
  }
  const out = new Array<number>(MOST + 1).fill(0);
  let fold = [1];
  for (let k = 0; k <= MOST; k++) {
    fold.forEach((p, d) => {
      out[d]! += occasions[k]! * p;
    });
    if (occasions[k]! < 1e-12 && k > 5) break;
    const next = new Array<number>(Math.min(MOST + 1, fold.length + o.sizes.length - 1)).fill(0);
    fold.forEach((p, d) => {
      o.sizes.forEach((q, s) => {
        if (d + s < next.length) next[d + s]! += p * q;
      });
    });
    fold = next;
  }
  return out;
}
