/** Days an order takes, and what that is known from, in words. */
export interface NewLead {
  p50Days: number;
  p80Days: number;
  from: string;
}
/** Where a shop has no record yet (adj): a panel from within the country. */
const UNKNOWN_DAYS = { p50Days: 4, p80Days: 8 } as const;
/** So many of them took no longer. */
const atShare = (days: readonly number[], share: number): number =>
  [...days].sort((a, b) => a - b)[Math.max(0, Math.ceil(share * days.length) - 1)]!;
/** Fewer orders than this say less than the default. */
const ENOUGH = 5;

/**
 * How long the panel of a machine that just came in may take: of the panel most often found in that model, the quickest offer that is in
 * stock; else as orders of this shop went; else a default.
 * @param offers of that panel, with the days the shop expects of each; stock 0 counts for nothing
 * @param took days past orders of the shop took, those that came
 * @example newLead([], []).from // "no order yet: 4 to 8 days are usual (A)"
 */
export function newLead(
  offers: readonly { seller: string; panel: string; stock?: number | undefined; p50Days: number; p80Days: number }[],
  took: readonly number[],
): NewLead {
  const best = offers.filter((o) => o.stock !== 0).sort((a, b) => a.p80Days - b.p80Days || a.p50Days - b.p50Days)[0];
  if (best)
    return { p50Days: best.p50Days, p80Days: best.p80Days, from: `${best.panel} from ${best.seller}, as that model mostly has` };
  const known = took.filter((d) => Number.isFinite(d) && d >= 0);
  if (known.length >= ENOUGH)
    return { p50Days: atShare(known, 0.5), p80Days: atShare(known, 0.8), from: `as ${known.length} orders of this shop went` };
  return {
    ...UNKNOWN_DAYS,
    from: `no order yet: ${UNKNOWN_DAYS.p50Days} to ${UNKNOWN_DAYS.p80Days} days are usual (A)`,
  };
}
