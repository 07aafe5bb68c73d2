import { seededRandom } from "./randomActs";

/** Draws of demand over a lead time, made by hand: Gamma rate, log-normal time, Poisson occasions, sizes. */
export function drawDemand(
  o: { a: number; b: number; sizes: readonly number[]; p50Days: number; p80Days: number },
  n: number,
  seed = 11,
): number[] {
  const u = seededRandom(seed);
  const normal = () => Math.sqrt(-2 * Math.log(1 - u())) * Math.cos(2 * Math.PI * u());
  /** Marsaglia and Tsang; below one by the power of a uniform draw. */
  const gamma = (shape: number): number => {
    if (shape < 1) return gamma(shape + 1) * (1 - u()) ** (1 / shape);
    const d = shape - 1 / 3;
    const c = 1 / Math.sqrt(9 * d);
    for (;;) {
      const x = normal();
      const v = (1 + c * x) ** 3;
      if (v > 0 && Math.log(1 - u()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
    }
  };
  const counts = new Array<number>(61).fill(0);
  for (let i = 0; i < n; i++) {
    const t = o.p50Days * (o.p80Days / o.p50Days) ** (normal() / 0.8416212335729143);
    const mean = (gamma(o.a) / o.b) * t;
    let occasions = 0;
    for (let p = Math.exp(-mean), x = u(); x > p && occasions < 200; ) {
      x -= p;
      occasions++;
      p *= mean / occasions;
    }
    let units = 0;
    for (let k = 0; k < occasions; k++) {
      let x = u();
      let size = 0;
      while (size < o.sizes.length - 1 && x >= o.sizes[size]!) x -= o.sizes[size++]!;
      units += size;
    }
    counts[Math.min(60, units)]! += 1 / n;
  }
  return counts;
}

/** The least of all choices of sellers, every one tried. */
export function everyOrder(
  lines: readonly {
    count: number;
    offers: readonly { seller: string; priceMinor: number; lateMinor?: number }[];
    skipMinor: number | null;
  }[],
  sellers: readonly { id: string; postageMinor: number; freeFromMinor: number | null }[],
): number {
  let best = Number.POSITIVE_INFINITY;
  const go = (n: number, picked: { seller: string; goods: number }[], cost: number) => {
    if (n === lines.length) {
      let total = cost;
      for (const s of sellers) {
        const goods = picked.filter((p) => p.seller === s.id).reduce((t, p) => t + p.goods, 0);
        total += goods;
        if (goods > 0 && !(s.freeFromMinor !== null && goods >= s.freeFromMinor)) total += s.postageMinor;
      }
      best = Math.min(best, total);
      return;
    }
    const l = lines[n]!;
    for (const o of l.offers)
      go(n + 1, [...picked, { seller: o.seller, goods: o.priceMinor * l.count }], cost + (o.lateMinor ?? 0));
    if (l.skipMinor !== null) go(n + 1, picked, cost + l.skipMinor);
  };
  go(0, [], 0);
  return best;
}

/** What a number of cartons and units costs, need by need, with factorials instead of a running product. */
export function cartonCost(
  o: {
    machines: number;
    needChance: number;
    unitMinor: number;
    cartonOf: number;
    cartonMinor: number;
    salvageMinor: number;
    delayMinor: number;
    spareUse: number;
  },
  cartons: number,
  units: number,
): number {
  const logFact = (n: number) => Array.from({ length: n }, (_, i) => Math.log(i + 1)).reduce((a, b) => a + b, 0);
  let left = 0;
  let short = 0;
  for (let k = 0; k <= o.machines; k++) {
    const p = Math.exp(
      logFact(o.machines) -
        logFact(k) -
        logFact(o.machines - k) +
        k * Math.log(o.needChance) +
        (o.machines - k) * Math.log(1 - o.needChance),
    );
    const over = cartons * o.cartonOf + units - k;
    if (over > 0) left += p * over;
    else short -= p * over;
  }
  const soon = Math.min(left, o.spareUse);
  return (
    cartons * o.cartonMinor +
    units * o.unitMinor +
    short * (o.unitMinor + o.delayMinor) -
    soon * 0.9 * o.unitMinor -
    (left - soon) * o.salvageMinor
  );
}
