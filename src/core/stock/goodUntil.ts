import type { StockLot } from "./fold";
import { readItem } from "./items";

/** Shelf life of tape: months from making, sealed, and months once its roll was opened (adj; the tape's own data first). */
const [SEALED_MONTHS, OPENED_MONTHS] = [24, 12];

const later = (ms: number, months: number): string => {
  const d = new Date(ms);
  d.setUTCMonth(d.getUTCMonth() + months);
  return d.toISOString().slice(0, 10);
};

/**
 * Until when a lot is good: the date on it; tape no longer than a year once its roll was opened, and where it bears no date two years
 * from when it came in, as nobody knows when it was made. Past it is a question, not a stop: a test strip is peeled.
 * @param msOf milliseconds of a clock
 * @returns a day, as 2027-05-28, or null where it keeps
 * @source SHOP A
 * @example goodUntil({ item: "tape/3x0.5", expires: "2027-05-28", opened: null, since: "0" }, Number) // "2027-05-28"
 */
export function goodUntil(
  l: Pick<StockLot, "item" | "expires" | "opened" | "since">,
  msOf: (clock: string) => number,
): string | null {
  if (readItem(l.item)?.kind !== "tape") return l.expires?.slice(0, 10) ?? null;
  const days = [
    l.expires?.slice(0, 10) ?? later(msOf(l.since), SEALED_MONTHS),
    ...(l.opened === null ? [] : [later(msOf(l.opened), OPENED_MONTHS)]),
  ];
  return days.sort()[0]!;
}
