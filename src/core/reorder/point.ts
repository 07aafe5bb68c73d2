import { type Lead, leadDemand, rateOf, sizesOf } from "./demand";

export interface ReorderAsk {
  /** Walk-in occasions seen, and days watched. */
  occasions: number;
  days: number;
  /** Occasions a day of its class, and how many days that is worth (adj). */
  priorRate: number;
  priorDays?: number;
  /** Units an occasion asked for, as seen. */
  sizes?: readonly number[];
  lead: Lead;
  priceMinor: number;
  carryPerYear: number;
  obsoletePerYear: number;
  /** What a job loses by waiting a lead time, minor units. */
  delayMinor: number;
  /** Postage of one order. */
  orderMinor: number;
  /** Shown beside, never decides. */
  service: number;
}
/** One base stock S: what it costs a day, how often it serves, how much lies on average. */
export interface StockLevel {
  S: number;
  perDayMinor: number;
  fill: number;
  lies: number;
}
export interface ReorderPoint {
  /** Units a day. */
  ratePerDay: number;
  /** Chances of 0 to 60 units over a lead time. */
  demand: number[];
  economic: StockLevel & { stockIt: boolean };
  forService: StockLevel;
  batch: number;
  /** Order when on hand and on order fall to `s`, up to `S`; s = -1: do not stock. */
  s: number;
  S: number;
  occasions: number;
}

const MOST_S = 20;

/**
 * How many to keep: the base stock that costs least a day. 0 is an answer: do not stock.
 * @throws RangeError for days, prices or shares that cannot be
 * @example reorderPoint({ occasions: 5, days: 180, priorRate: 1 / 60, lead: { p50Days: 4.4, p80Days: 6 }, priceMinor: 3950, carryPerYear: 0.1, obsoletePerYear: 0.25, delayMinor: 700, orderMinor: 490, service: 0.9 }).economic.S // 1
 */
export function reorderPoint(i: ReorderAsk): ReorderPoint {
  for (const [k, least] of [
    ["occasions", 0],
    ["days", 0],
    ["priorRate", 0],
    ["priceMinor", 0],
    ["carryPerYear", 0],
    ["obsoletePerYear", 0],
    ["delayMinor", 0],
    ["orderMinor", 0],
  ] as const)
    if (!(i[k] >= least)) throw new RangeError(`${k}: read ${i[k]}, expected ${least} or more`);
  if (!(i.lead.p50Days > 0)) throw new RangeError(`lead.p50Days: read ${i.lead.p50Days}, expected more than 0`);
  const { a, b } = rateOf(i.occasions, i.days, i.priorRate, i.priorDays);
  const sizes = sizesOf(i.sizes ?? []);
  const demand = leadDemand({ a, b, sizes, lead: i.lead });
  const ratePerDay = (a / b) * sizes.reduce((s, p, k) => s + p * k, 0);
  const hold = (i.priceMinor * (i.carryPerYear + i.obsoletePerYear)) / 365;
  const levels = Array.from({ length: MOST_S + 1 }, (_, S): StockLevel => {
    let lies = 0;
    let fill = 0;
    for (let k = 0; k < S; k++) {
      lies += demand[k]! * (S - k);
      fill += demand[k]!;
    }
    return { S, perDayMinor: hold * lies + ratePerDay * i.delayMinor * (1 - fill), fill, lies };
  });
  const best = levels.reduce((m, c) => (c.perDayMinor < m.perDayMinor - 1e-9 ? c : m));
  const batch = Math.max(1, Math.round(Math.sqrt((2 * i.orderMinor * ratePerDay) / Math.max(1e-9, hold))));
  return {
    ratePerDay,
    demand,
    economic: { ...best, stockIt: best.S > 0 },
    forService: levels.find((c) => c.S > 0 && c.fill >= i.service) ?? levels.at(-1)!,
    batch,
    s: best.S - 1,
    S: best.S - 1 + (best.S > 0 ? batch : 0),
    occasions: i.occasions,
  };
}

/** How often a panel nobody knows anything of is asked for: once in so many days (adj); what was seen weighs against as many (adj). */
const [ONCE_IN_DAYS, PRIOR_DAYS] = [400, 120];

/**
 * How often one panel of a class is asked for, a day: what walked in for all of the class over its codes, little known at first.
 * @param occasions of all its codes, fleets left out, in `days` days; a class of no code is no class
 * @source SHOP B: the class's rate is the prior of each of its codes.
 * @example classRate({ occasions: 0, codes: 0, days: 300 }) // 0.0025
 */
export function classRate({ occasions, codes, days }: { occasions: number; codes: number; days: number }): number {
  if (codes === 0) return 1 / ONCE_IN_DAYS;
  return (codes * (PRIOR_DAYS / ONCE_IN_DAYS) + occasions) / ((PRIOR_DAYS + days) * codes);
}
