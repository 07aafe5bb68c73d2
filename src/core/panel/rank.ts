import { counted } from "../quantity";
import type { Overall } from "./verdict";

/** What a candidate is sorted by. */
export interface Ranking {
  overall: Overall;
  code: string;
  /** The least it costs of what is in stock, minor units, and days until it comes; null where nobody has it. */
  priceMinor: number | null;
  days: number | null;
}

/** What a day's waiting weighs against the price, minor units (adj). */
export const DAY_MINOR = 200;

const connects = (o: Overall): number => (o.kind === "stop" ? 2 : o.kind === "doNotConnect" ? 1 : 0);
const open = (o: Overall): number => o.looks + o.asks + o.changes;
const weight = (r: Ranking, dayMinor: number): number =>
  r.priceMinor === null ? Number.POSITIVE_INFINITY : r.priceMinor + (r.days ?? 0) * dayMinor;

/**
 * Candidates in the order in which a technician would take them: what can be connected first, then what is to be had, then the fewest
 * looks, questions and changes, then price and days by the shop's weight; the code last, so that luck has no part in it.
 * @param dayMinor what a day weighs, minor units
 * @example rankCandidates([], DAY_MINOR) // []
 */
export const rankCandidates = <T extends Ranking>(list: readonly T[], dayMinor: number = DAY_MINOR): T[] =>
  [...list].sort(
    (a, b) =>
      connects(a.overall) - connects(b.overall) ||
      Number(a.priceMinor === null) - Number(b.priceMinor === null) ||
      open(a.overall) - open(b.overall) ||
      a.overall.looks - b.overall.looks ||
      compare(weight(a, dayMinor), weight(b, dayMinor)) ||
      (a.code < b.code ? -1 : a.code > b.code ? 1 : 0),
  );
const compare = (x: number, y: number) => (x === y ? 0 : x < y ? -1 : 1);

/**
 * Why a candidate stands where it stands, in words.
 * @example rankWords({ overall: overallVerdict([]), code: "X", priceMinor: null, days: null }) // "can be connected, nothing open, nobody has it"
 */
export function rankWords(r: Ranking): string {
  const o = r.overall;
  const parts = [
    o.looks ? counted(o.looks, "look") : "",
    o.asks ? counted(o.asks, "question") : "",
    o.changes ? counted(o.changes, "change") : "",
  ].filter(Boolean);
  return [
    o.kind === "stop" ? "does not fit" : o.kind === "doNotConnect" ? "not to be connected yet" : "can be connected",
    parts.length ? parts.join(", ") : "nothing open",
    r.priceMinor === null ? "nobody has it" : `${(r.priceMinor / 100).toFixed(2)} in ${counted(r.days ?? 0, "day")}`,
  ].join(", ");
}
