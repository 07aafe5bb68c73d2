import { logSpread, type P50P80 } from "../chance";

/** A time in days, as a shop knows it. */
export interface Days {
  p50Days: number;
  p80Days: number;
}
export interface PromiseOrder extends Days {
  /** On the shop's clock; before now for an order that is out. */
  placedMin: number;
  /** Chance that what comes is the wrong part. */
  wrongChance: number;
  /** How long the second seller takes then; missing = as the first. */
  again?: Days;
}

/** What a promise depends on. Times in whole minutes on the shop's clock (0 = local midnight before the first day of the input). */
export interface PromiseInput {
  nowMin: number;
  /** Bench hours, in order, not overlapping. */
  windows: readonly (readonly [number, number])[];
  /** Hours in which a machine is handed over, in order. */
  handover: readonly (readonly [number, number])[];
  /** The carrier's call: minutes after midnight, on these days. */
  deliveries: { atMin: number; days: readonly number[] };
  benches: number;
  order: PromiseOrder | null;
  /** An answer that is awaited. */
  customer?: Days | null;
  /** Hands-on minutes of the jobs ahead, and of this one. */
  ahead: P50P80;
  hands: P50P80;
  /** Waits nobody is bound by (tape, heat, charge), min. */
  waitMin: number;
  /** What lies still after the last act before it is handed over, min. */
  dwellMin?: number;
}

/** Standard normal draws of one course of events, and whether the first part is the wrong one. */
export interface Chances {
  answer: number;
  lead: number;
  again: number;
  ahead: number;
  hands: number;
  wrong: boolean;
}

const DAY = 1440;

/** Clock time once `work` minutes of bench time are done from t on; Infinity beyond the last hours known. @example advance([[540, 1020]], 600, 60) // 660 */
export function advance(windows: PromiseInput["windows"], t: number, work: number): number {
  let left = work;
  for (const [from, to] of windows) {
    if (to <= t) continue;
    const start = Math.max(from, t);
    if (left <= to - start + 1e-9) return start + left;
    left -= to - start;
  }
  return Number.POSITIVE_INFINITY;
}

/** The carrier's first call at or after t. @example nextDelivery({ atMin: 660, days: [0, 1] }, 700) // 2100 */
export function nextDelivery(d: PromiseInput["deliveries"], t: number): number {
  for (const day of d.days) if (day * DAY + d.atMin >= t - 1e-6) return day * DAY + d.atMin;
  return Number.POSITIVE_INFINITY;
}

/** t, or the beginning of the next slot after it. @example nextSlot([[600, 1020]], 30) // 600 */
export function nextSlot(slots: PromiseInput["handover"], t: number): number {
  for (const [from, to] of slots) {
    if (t <= from) return from;
    if (t <= to) return t;
  }
  return Number.POSITIVE_INFINITY;
}

/** Spread of a time in days. @example spreadOf({ p50Days: 4, p80Days: 4 }) // 0 */
export const spreadOf = (d: Days): number => logSpread({ p50: d.p50Days, p80: d.p80Days });
const daysAt = (d: Days, z: number): number => d.p50Days * Math.exp(spreadOf(d) * z);
const minutesAt = (d: P50P80, z: number): number => d.p50 * Math.exp(logSpread(d) * z);

/**
 * When one course of events has the machine ready for hand-over: answer, order, the carrier's call, again with a wrong part, the
 * queue ahead, half the hands-on time, the waits, the other half, the dwell, the next hand-over hour.
 * @example courseOf({ nowMin: 600, windows: [[540, 1020]], handover: [[600, 1020]], deliveries: { atMin: 660, days: [0] }, benches: 1, order: null, ahead: { p50: 0, p80: 0 }, hands: { p50: 60, p80: 60 }, waitMin: 0 }, { answer: 0, lead: 0, again: 0, ahead: 0, hands: 0, wrong: false }) // 660
 */
export function courseOf(i: PromiseInput, z: Chances): number {
  const answered = i.customer ? advance(i.windows, i.nowMin + daysAt(i.customer, z.answer) * DAY, 0) : i.nowMin;
  let here = answered;
  if (i.order) {
    const placed = i.customer ? Math.max(i.order.placedMin, answered) : i.order.placedMin;
    // Overdue, it comes with the next call at the earliest.
    here = nextDelivery(i.deliveries, Math.max(i.nowMin, placed + daysAt(i.order, z.lead) * DAY));
    if (z.wrong) here = nextDelivery(i.deliveries, here + daysAt(i.order.again ?? i.order, z.again) * DAY);
  }
  const queue = i.ahead.p50 > 0 ? advance(i.windows, i.nowMin, minutesAt(i.ahead, z.ahead) / i.benches) : i.nowMin;
  const start = Math.max(here, queue, i.nowMin);
  const work = minutesAt(i.hands, z.hands);
  const half = advance(i.windows, start, work / 2);
  const done = advance(i.windows, half + i.waitMin, work / 2);
  return nextSlot(i.handover, done + (i.dwellMin ?? 0));
}
