import { Z80 } from "../chance";

/** One order of the shop's own past, from ordering to checking in. */
export interface PastOrder {
  seller: string;
  quotedDays: number;
  /** Days it took; null while it is on its way. */
  tookDays: number | null;
  /** Why it went back, or null. */
  returned: string | null;
}

/** Defaults of the pooled estimate (adj). */
export const LEAD_DEFAULTS = {
  /** Median of days taken over days quoted, where nothing is known of a seller. */
  ratio: 1.1,
  /** Spread of that ratio, as standard deviation of its logarithm. */
  spread: 0.35,
  /** How many of the shop's own orders the defaults weigh as much as. */
  weight: 3,
} as const;

export interface LeadTime {
  p50Days: number;
  p80Days: number;
  /** The seller's own orders behind it. */
  orders: number;
}

/**
 * Days until an order comes, from the shop's own record of that seller pooled with defaults by how much there is: the
 * ratio of days taken to days quoted is taken as log-normal, its mean and spread shrunk to the default with weight 3.
 * @param quotedDays what the seller says, days; under half a day counts as half a day
 * @param past the shop's orders of all sellers; only those of this seller that came are used
 * @returns P50 and P80 in days, with the number of orders behind them
 * @example Math.round(leadTime(6, "Brightwater Panels", []).p50Days * 10) // 66
 */
export function leadTime(quotedDays: number, seller: string, past: readonly PastOrder[]): LeadTime {
  const logs = past.flatMap((o) =>
    o.seller === seller && o.tookDays !== null ? [Math.log(Math.max(0.1, o.tookDays) / Math.max(0.5, o.quotedDays))] : [],
  );
  const { ratio, spread, weight } = LEAD_DEFAULTS;
  const prior = Math.log(ratio);
  const n = logs.length;
  const mean = (weight * prior + logs.reduce((a, x) => a + x, 0)) / (weight + n);
  const square = weight * (spread ** 2 + (prior - mean) ** 2) + logs.reduce((a, x) => a + (x - mean) ** 2, 0);
  // The mean itself is uncertain: that widens what the next order may take.
  const sd = Math.sqrt((square / (weight + n)) * (1 + 1 / (weight + n)));
  const days = Math.max(0.5, quotedDays);
  return { p50Days: days * Math.exp(mean), p80Days: days * Math.exp(mean + Z80 * sd), orders: n };
}

export interface SellerRecord {
  seller: string;
  orders: number;
  came: number;
  returned: number;
  /** How often for which reason, most frequent first. */
  reasons: { reason: string; times: number }[];
}

/**
 * What the shop knows of a seller from its own orders.
 * @example sellerRecord("Second Light", [{ seller: "Second Light", quotedDays: 4, tookDays: 6, returned: "cracked" }]).returned // 1
 */
export function sellerRecord(seller: string, past: readonly PastOrder[]): SellerRecord {
  const own = past.filter((o) => o.seller === seller);
  const reasons = new Map<string, number>();
  for (const o of own) if (o.returned) reasons.set(o.returned, (reasons.get(o.returned) ?? 0) + 1);
  return {
    seller,
    orders: own.length,
    came: own.filter((o) => o.tookDays !== null).length,
    returned: own.filter((o) => o.returned !== null).length,
    reasons: [...reasons]
      .map(([reason, times]) => ({ reason, times }))
      .sort((a, b) => b.times - a.times || (a.reason < b.reason ? -1 : 1)),
  };
}
