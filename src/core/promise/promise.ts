import { draws as drawing, normalCdf, normalDraw, normalQuantile } from "../chance";
import { courseOf, type PromiseInput, spreadOf } from "./course";

export interface PromiseDate {
  /** Likely; four times in five; nineteen in twenty. On the shop's clock. */
  p50Min: number;
  p80Min: number;
  p95Min: number;
  /** Every draw, in order. */
  doneMin: Float64Array;
}

const DRAWS = 4000;
/** A job later than this after its promise counts as so late, min. */
const MOST_LATE = 60 * 1440;
const inside = (p: number): number => Math.min(1 - 1e-9, Math.max(1e-9, p));

function checked(i: PromiseInput): void {
  const bad = (what: string) => {
    throw new RangeError(`promise: ${what}`);
  };
  if (!Number.isFinite(i.nowMin)) bad(`nowMin: read ${i.nowMin}, expected minutes`);
  if (!(i.benches > 0)) bad(`benches: read ${i.benches}, expected more than 0`);
  for (const [name, d] of [
    ["order", i.order],
    ["order.again", i.order?.again],
    ["customer", i.customer],
  ] as const)
    if (d && !(d.p50Days > 0 && d.p80Days >= d.p50Days))
      bad(`${name}: read ${d.p50Days} and ${d.p80Days} days, expected P50 above 0 and P80 not under it`);
  if (i.order && !(i.order.wrongChance >= 0 && i.order.wrongChance <= 1)) bad(`order.wrongChance: read ${i.order.wrongChance}`);
}

/**
 * When a machine will be done, as a distribution: the same input and seed, the same date. The lead time is drawn in layers; an order
 * already out is conditioned on not having come.
 * @param i what the promise depends on, minutes on the shop's clock
 * @param o how many draws, and the seed: a job's id and its last event
 * @returns Infinity where the hours known do not reach so far
 * @throws RangeError for a time or chance that cannot be
 * @example promiseDate({ nowMin: 600, windows: [[540, 1020]], handover: [[600, 1020]], deliveries: { atMin: 660, days: [0] }, benches: 1, order: null, ahead: { p50: 0, p80: 0 }, hands: { p50: 60, p80: 60 }, waitMin: 0 }, { seed: 1 }).p80Min // 660
 */
export function promiseDate(i: PromiseInput, o: { draws?: number; seed?: number | string } = {}): PromiseDate {
  checked(i);
  const n = o.draws ?? DRAWS;
  const u = drawing(o.seed ?? 1);
  const gone = i.order ? Math.max(0, (i.nowMin - i.order.placedMin) / 1440) : 0;
  const spread = i.order ? spreadOf(i.order) : 0;
  const past = i.order && gone > 0 && spread > 0 ? normalCdf(Math.log(gone / i.order.p50Days) / spread) : 0;
  const doneMin = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    const lead = normalQuantile(inside(past + ((k + u()) / n) * (1 - past)));
    const answer = normalDraw(u);
    const again = normalDraw(u);
    const ahead = normalDraw(u);
    const hands = normalDraw(u);
    doneMin[k] = courseOf(i, { answer, lead, again, ahead, hands, wrong: u() < (i.order?.wrongChance ?? 0) });
  }
  doneMin.sort();
  const q = (p: number) => doneMin[Math.min(n - 1, Math.ceil(p * n) - 1)]!;
  return { p50Min: q(0.5), p80Min: q(0.8), p95Min: q(0.95), doneMin };
}

/**
 * The time by which a share of the draws is done.
 * @param share more than 0, at most 1
 * @example doneBy(new Float64Array([600, 700, 800, 900, 1000]), 0.8) // 900
 */
export const doneBy = (doneMin: ArrayLike<number>, share: number): number =>
  doneMin.length ? doneMin[Math.min(doneMin.length - 1, Math.max(0, Math.ceil(share * doneMin.length - 1e-9) - 1))]! : Number.NaN;

/**
 * Chance of being done by a time, from sorted draws.
 * @example chanceBy(new Float64Array([600, 700, 800, 900]), 750) // 0.5
 */
export function chanceBy(doneMin: ArrayLike<number>, dueMin: number): number {
  let lo = 0;
  let hi = doneMin.length;
  while (lo < hi) {
    const m = (lo + hi) >> 1;
    if (doneMin[m]! <= dueMin) lo = m + 1;
    else hi = m;
  }
  return doneMin.length ? lo / doneMin.length : 0;
}

/** Expected days late against a time; one draw counts for at most sixty. @example lateDays([1440, 2880], 1440) // 0.5 */
export function lateDays(doneMin: ArrayLike<number>, dueMin: number): number {
  let sum = 0;
  for (let k = 0; k < doneMin.length; k++) sum += Math.max(0, Math.min(doneMin[k]!, dueMin + MOST_LATE) - dueMin);
  return doneMin.length ? sum / doneMin.length / 1440 : 0;
}

export interface RescueOption {
  id: string;
  extraMinor: number;
  /** What it costs in good will, minor units. */
  hurtsMinor?: number;
  /** The promise itself is moved: to the new one, P80 or as sure as the shop promises. */
  newDue?: "p80";
  /** Ties go to what can be undone. */
  undoable?: boolean;
  change: Partial<PromiseInput>;
}
export interface RescueRow {
  id: string;
  chanceLate: number;
  lateDays: number;
  promiseMin: number;
  costMinor: number;
}

/**
 * Which promise will break, and the cheapest way to keep it: each rescue is a change of the input, judged by the same draws. Cost =
 * extra money + expected late days at what a day costs + annoyance.
 * @returns all rows, the first `asItIs`; `best` the least cost, ties to what can be undone
 * @example rescue(promiseInput, 1e9, [], { lateMinorPerDay: 800, seed: 1 }).best // "asItIs"
 */
export function rescue(
  i: PromiseInput,
  dueMin: number,
  options: readonly RescueOption[],
  o: {
    lateMinorPerDay: number;
    seed: number | string;
    breaksAt?: number;
    draws?: number /** Of what is promised anew; 0.8. */;
    sure?: number;
  },
): { breaks: boolean; best: string; rows: RescueRow[] } {
  const asItIs: RescueOption = { id: "asItIs", extraMinor: 0, undoable: true, change: {} };
  const all = [asItIs, ...options];
  const rows = all.map((r): RescueRow => {
    const p = promiseDate({ ...i, ...r.change }, { seed: o.seed, ...(o.draws ? { draws: o.draws } : {}) });
    const by = doneBy(p.doneMin, o.sure ?? 0.8);
    const due = r.newDue === "p80" ? by : dueMin;
    const late = lateDays(p.doneMin, due);
    return {
      id: r.id,
      chanceLate: 1 - chanceBy(p.doneMin, due),
      lateDays: late,
      promiseMin: by,
      costMinor: r.extraMinor + late * o.lateMinorPerDay + (r.hurtsMinor ?? 0),
    };
  });
  let best = 0;
  for (let k = 1; k < rows.length; k++) {
    const d = rows[k]!.costMinor - rows[best]!.costMinor;
    if (d < -1e-9 || (Math.abs(d) <= 1e-9 && all[k]!.undoable && !all[best]!.undoable)) best = k;
  }
  return { breaks: rows[0]!.chanceLate > (o.breaksAt ?? 0.2), best: rows[best]!.id, rows };
}
