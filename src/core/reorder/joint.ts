export interface OrderLine {
  id: string;
  count: number;
  /** `lateMinor`: expected late days at what a day costs. */
  offers: readonly { seller: string; priceMinor: number; lateMinor?: number }[];
  /** What not having it yet costs; null = it must be ordered now. */
  skipMinor: number | null;
}
export interface OrderSeller {
  id: string;
  postageMinor: number;
  /** No postage from this much goods on. */
  freeFromMinor: number | null;
}
export interface JointOrder {
  /** Infinity where a line that must be ordered has no offer. */
  total: number;
  /** Seller per line, null = left for later. */
  pick: (string | null)[];
  /** Goods per seller, in the order given. */
  goods: number[];
}

/**
 * Which seller for each line so that goods, postage and lateness together cost least; lines may be left for later at their price.
 * Exact: every choice, cut as soon as it is dearer than the best.
 * @example jointOrder({ lines: [{ id: "a", count: 1, offers: [{ seller: "x", priceMinor: 500 }], skipMinor: null }], sellers: [{ id: "x", postageMinor: 300, freeFromMinor: null }] }).total // 800
 */
export function jointOrder(o: { lines: readonly OrderLine[]; sellers: readonly OrderSeller[] }): JointOrder {
  const at = new Map(o.sellers.map((s, k) => [s.id, k]));
  const goods = o.sellers.map(() => 0);
  const pick: (string | null)[] = new Array(o.lines.length).fill(null);
  let best: JointOrder = { total: Number.POSITIVE_INFINITY, pick: [...pick], goods: [...goods] };
  // Dearest lines first cut soonest; what every line left costs at least is a floor.
  const choices = o.lines.map((l) => {
    const all = l.offers.flatMap((f) => {
      const k = at.get(f.seller);
      return k === undefined
        ? []
        : [{ seller: f.seller as string | null, k, goods: f.priceMinor * l.count, cost: f.lateMinor ?? 0 }];
    });
    if (l.skipMinor !== null) all.push({ seller: null, k: -1, goods: 0, cost: l.skipMinor });
    return all.sort((a, b) => a.goods + a.cost - b.goods - b.cost);
  });
  const order = choices.map((_, i) => i).sort((x, y) => spread(choices[y]!) - spread(choices[x]!));
  const floor = new Array<number>(order.length + 1).fill(0);
  for (let n = order.length - 1; n >= 0; n--) {
    const first = choices[order[n]!]![0];
    floor[n] = floor[n + 1]! + (first ? first.goods + first.cost : Number.POSITIVE_INFINITY);
  }
  const postage = (sums: readonly number[]) =>
    o.sellers.reduce(
      (n, s, k) => n + (sums[k]! > 0 && (s.freeFromMinor === null || sums[k]! < s.freeFromMinor) ? s.postageMinor : 0),
      0,
    );
  const go = (n: number, cost: number): void => {
    if (cost + floor[n]! >= best.total) return;
    if (n === order.length) {
      const total = cost + postage(goods);
      if (total < best.total) best = { total, pick: [...pick], goods: [...goods] };
      return;
    }
    const line = order[n]!;
    for (const c of choices[line]!) {
      if (c.k >= 0) goods[c.k]! += c.goods;
      pick[line] = c.seller;
      go(n + 1, cost + c.goods + c.cost);
      if (c.k >= 0) goods[c.k]! -= c.goods;
    }
    pick[line] = null;
  };
  go(0, 0);
  return best;
}

/** How far a line's choices lie apart. */
const spread = (c: readonly { goods: number; cost: number }[]): number =>
  c.length ? c.at(-1)!.goods + c.at(-1)!.cost - c[0]!.goods - c[0]!.cost : 0;
