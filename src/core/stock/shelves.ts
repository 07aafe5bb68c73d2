import type { StockLot, StockState } from "./fold";
import { type ItemKind, readItem } from "./items";

export interface ShelfItem {
  item: string;
  kind: ItemKind;
  /** What it is, without its kind. */
  what: string;
  onHand: number;
  /** Here and kept for a job, reserved or about to be taken. */
  kept: number;
  free: number;
  /** Needed by jobs and not here. */
  short: number;
  /** On its way. */
  coming: number;
  /** Jobs that ask for it, each with how much. */
  keptFor: { job: string; count: number }[];
  /** Lots with something left; what goes first stands first. */
  lots: StockLot[];
}

const earlier = (a: StockLot, b: StockLot) => {
  const [x, y] = [a.expires ?? "~", b.expires ?? "~"];
  return x < y ? -1 : x > y ? 1 : a.lot < b.lot ? -1 : 1;
};

/**
 * The stock as it lies on the shelves: what is here and free, what jobs will take, what is short, what comes.
 * @param needs what open jobs will still take, pieces or mm of tape
 * @param coming what orders still bring
 * @example shelvesOf(foldStock([]), [{ job: "H-1", item: "tape/3x0.5", count: 300 }])[0].short // 300
 */
export function shelvesOf(
  s: StockState,
  needs: readonly { job: string; item: string; count: number }[] = [],
  coming: readonly { item: string; count: number }[] = [],
): ShelfItem[] {
  const asks = new Map<string, Map<string, number>>();
  const ask = (item: string, job: string, count: number) => {
    const by = asks.get(item) ?? new Map<string, number>();
    by.set(job, Math.max(by.get(job) ?? 0, count));
    asks.set(item, by);
  };
  // What is reserved for a job is part of what it needs, not on top of it.
  for (const r of s.reserved) ask(r.item, r.job, r.left);
  for (const n of needs) ask(n.item, n.job, n.count);
  const way = new Map<string, number>();
  for (const c of coming) way.set(c.item, (way.get(c.item) ?? 0) + c.count);
  const lots = new Map<string, StockLot[]>();
  for (const l of Object.values(s.lots)) {
    if (l.left <= 0) continue;
    const list = lots.get(l.item);
    if (list) list.push(l);
    else lots.set(l.item, [l]);
  }
  const names = new Set([...Object.keys(s.items), ...asks.keys(), ...way.keys()]);
  return [...names].sort().flatMap((item): ShelfItem[] => {
    const read = readItem(item);
    if (!read) return [];
    const here = s.items[item]?.onHand ?? 0;
    const keptFor = [...(asks.get(item) ?? [])].map(([job, count]) => ({ job, count }));
    const asked = keptFor.reduce((n, k) => n + k.count, 0);
    const comes = way.get(item) ?? 0;
    if (here === 0 && asked === 0 && comes === 0) return [];
    const kept = Math.min(here, asked);
    return [
      {
        item,
        ...read,
        onHand: here,
        kept,
        free: here - kept,
        short: asked - kept,
        coming: comes,
        keptFor,
        lots: (lots.get(item) ?? []).sort(earlier),
      },
    ];
  });
}

/** Worth of a piece, or metre of tape, whose price nobody said, minor units (adj). */
const UNPRICED: Readonly<Record<ItemKind, number>> = {
  panel: 5000,
  tape: 90,
  film: 200,
  screw: 5,
  tool: 500,
  part: 800,
  donor: 0,
};
const DAY_MS = 86_400_000;

/**
 * What a lot is worth, minor units: pieces, or metres of tape, at what they cost.
 * @example lotWorth(foldStock([{ id: "1", clock: "1", type: "stock.received", item: "tape/3x0.5", lot: "R", count: 10000, priceMinor: 90 }]).lots.R) // 900
 */
export function lotWorth(l: StockLot): number {
  const kind = readItem(l.item)?.kind ?? "part";
  return ((kind === "tape" ? l.left / 1000 : l.left) * (l.priceMinor ?? UNPRICED[kind])) | 0;
}

/**
 * The lots to count next: the greatest of worth, times one more than the breaches of its item, times days since it was counted.
 * @param msOf milliseconds of a clock
 * @example toCount(foldStock([]), 0, Number).length // 0
 */
export function toCount(
  s: StockState,
  nowMs: number,
  msOf: (clock: string) => number,
  most = 5,
): { lot: StockLot; days: number; breaches: number }[] {
  return Object.values(s.lots)
    .filter((l) => l.left > 0 && lotWorth(l) > 0)
    .map((lot) => {
      const days = Math.max(0, (nowMs - msOf(lot.counted ?? lot.since)) / DAY_MS);
      const breaches = s.beyond[lot.item] ?? 0;
      return { lot, days, breaches, weight: lotWorth(lot) * (1 + breaches) * days };
    })
    .filter((x) => x.weight > 0)
    .sort((a, b) => b.weight - a.weight || (a.lot.lot < b.lot.lot ? -1 : 1))
    .slice(0, most)
    .map(({ lot, days, breaches }) => ({ lot, days: Math.floor(days), breaches }));
}
