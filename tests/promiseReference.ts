import type { PromiseInput } from "@/core/promise";

/**
 * When a job is done, told another way: a table with one entry for each minute of the calendar instead of windows walked through,
 * and plain draws from another generator instead of layers. Knows nothing of the product's code.
 */
export class PromiseReference {
  /** Bench minutes worked by the beginning of each minute of the calendar. */
  private readonly worked: Float64Array;
  private readonly open: Uint8Array;
  private readonly hand: Uint8Array;
  private readonly calls: number[];
  private seed = 987654321;

  constructor(
    readonly i: PromiseInput,
    days = 400,
  ) {
    const n = days * 1440;
    this.open = new Uint8Array(n + 1);
    this.hand = new Uint8Array(n + 1);
    for (const [a, b] of i.windows) this.open.fill(1, a, b);
    // The last minute of a slot still counts as in it.
    for (const [a, b] of i.handover) this.hand.fill(1, a, b + 1);
    this.worked = new Float64Array(n + 1);
    for (let m = 0; m < n; m++) this.worked[m + 1] = this.worked[m]! + this.open[m]!;
    this.calls = i.deliveries.days.map((d) => d * 1440 + i.deliveries.atMin);
  }
  private uniform(): number {
    // xorshift32
    let x = this.seed;
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    this.seed = x >>> 0;
    return (this.seed + 0.5) / 4294967296;
  }
  private normal(): number {
    // Marsaglia's polar way.
    for (;;) {
      const a = 2 * this.uniform() - 1;
      const b = 2 * this.uniform() - 1;
      const s = a * a + b * b;
      if (s > 0 && s < 1) return a * Math.sqrt((-2 * Math.log(s)) / s);
    }
  }
  private spread(p50: number, p80: number): number {
    return p80 > p50 ? p50 * (p80 / p50) ** (this.normal() / 0.8416212335729143) : p50;
  }
  private at(list: Float64Array, t: number): number {
    const m = Math.floor(t);
    return list[m]! + (this.open[m] ? t - m : 0);
  }
  /** The earliest time from t on by which so much was worked. */
  private after(t: number, work: number): number {
    const want = this.at(this.worked, t) + work;
    let lo = Math.floor(t);
    let hi = this.worked.length - 1;
    if (this.worked[hi]! < want) return Number.POSITIVE_INFINITY;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (this.worked[mid]! >= want - 1e-9) hi = mid;
      else lo = mid + 1;
    }
    // Nothing to work: as soon as the bench is open.
    if (work <= 1e-9) {
      let m = Math.floor(t);
      while (!this.open[m]) m++;
      return Math.max(t, m);
    }
    return Math.max(t, lo - (this.worked[lo]! - want));
  }
  private call(t: number): number {
    return this.calls.find((c) => c >= t - 1e-6) ?? Number.POSITIVE_INFINITY;
  }
  once(): number {
    const i = this.i;
    const days = (d: { p50Days: number; p80Days: number }) => this.spread(d.p50Days, d.p80Days) * 1440;
    let here = i.nowMin;
    if (i.customer) here = this.after(i.nowMin + days(i.customer), 0);
    if (i.order) {
      let lead = days(i.order);
      let placed = i.order.placedMin;
      // Out already and not here: only lead times that are still possible.
      while (!i.customer && placed + lead < i.nowMin) lead = days(i.order);
      if (i.customer) placed = Math.max(placed, here);
      here = this.call(Math.max(i.nowMin, placed + lead));
      if (this.uniform() < i.order.wrongChance) here = this.call(here + days(i.order.again ?? i.order));
    }
    const queue = i.ahead.p50 > 0 ? this.after(i.nowMin, this.spread(i.ahead.p50, i.ahead.p80) / i.benches) : i.nowMin;
    const work = this.spread(i.hands.p50, i.hands.p80);
    const half = this.after(Math.max(here, queue, i.nowMin), work / 2);
    const done = this.after(half + i.waitMin, work / 2) + (i.dwellMin ?? 0);
    let m = Math.ceil(done - 1e-9);
    if (this.hand[Math.floor(done)]) return done;
    while (m < this.hand.length && !this.hand[m]) m++;
    return m;
  }
  many(n: number): number[] {
    return Array.from({ length: n }, () => this.once()).sort((a, b) => a - b);
  }
}
