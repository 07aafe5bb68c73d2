import { z } from "zod";
import { DEFAULT_COSTS, ShopCosts } from "./costs";
import type { PromiseInput } from "./course";

const DAY = 1440;
const minute = z.int().min(0).max(DAY);
const span = z.tuple([minute, minute]).refine(([a, b]) => a < b, "ends before it begins");

/** When a shop works, hands over and gets its parcels. Minutes after midnight, Monday first. */
export const ShopHours = z.strictObject({
  bench: z.array(z.array(span).max(4)).length(7),
  /** On days with bench hours. */
  handover: span,
  deliveryAtMin: minute,
  /** Weekdays the carrier calls, Monday 0. */
  deliveryDays: z.array(z.int().min(0).max(6)).max(7),
  /** Days nothing moves, yyyy-mm-dd. */
  holidays: z.array(z.iso.date()).max(100),
  /** Days the last hands stay longer, and until when. */
  evenings: z
    .array(z.strictObject({ day: z.iso.date(), untilMin: minute }))
    .max(100)
    .default([]),
  benches: z.int().min(1).max(9),
  /** Machines lent to a customer who waits. */
  lend: z.int().min(0).max(20).default(0),
  /** What a taped panel with touch glass lies before it is handed over, min. */
  glassDwellMin: z
    .int()
    .min(0)
    .max(7 * DAY),
  /** Chance that what comes is the wrong part (E). */
  wrongChance: z.number().min(0).max(0.5),
  /** What is promised holds in this share of cases: four in five, or nine in ten. */
  sure: z.union([z.literal(0.8), z.literal(0.9)]).default(0.8),
  /** What it weighs days, people and stock with. */
  costs: ShopCosts.default(DEFAULT_COSTS),
});
export type ShopHours = z.infer<typeof ShopHours>;

const WEEKDAY: [number, number][] = [
  [540, 750],
  [795, 1020],
];
/** Until somebody sets them (E). */
export const DEFAULT_HOURS: ShopHours = {
  bench: [WEEKDAY, WEEKDAY, WEEKDAY, WEEKDAY, WEEKDAY, [], []],
  handover: [600, 1020],
  deliveryAtMin: 660,
  deliveryDays: [0, 1, 2, 3, 4],
  holidays: [],
  evenings: [],
  benches: 1,
  lend: 0,
  glassDwellMin: DAY,
  wrongChance: 0.05,
  sure: 0.8,
  costs: DEFAULT_COSTS,
};

/**
 * The hours of so many days on the shop's clock: 0 = midnight before the first of them.
 * @param firstIso the first day, yyyy-mm-dd in local time
 * @throws RangeError for a day that is none
 * @example calendarOf(DEFAULT_HOURS, "2026-11-30", 1).windows // [[540, 750], [795, 1020]]
 */
export function calendarOf(
  h: ShopHours,
  firstIso: string,
  days: number,
): Pick<PromiseInput, "windows" | "handover" | "deliveries"> {
  const first = Date.parse(`${firstIso}T00:00:00Z`);
  if (Number.isNaN(first)) throw new RangeError(`"${firstIso}" is not a day`);
  const windows: [number, number][] = [];
  const handover: [number, number][] = [];
  const calls: number[] = [];
  for (let d = 0; d < days; d++) {
    const date = new Date(first + d * 86_400_000);
    if (h.holidays.includes(date.toISOString().slice(0, 10))) continue;
    const weekday = (date.getUTCDay() + 6) % 7;
    const open = [...h.bench[weekday]!].sort((a, b) => a[0] - b[0]);
    const until = h.evenings.find((e) => e.day === date.toISOString().slice(0, 10))?.untilMin ?? 0;
    const last = open.at(-1);
    if (last && until > last[1]) open[open.length - 1] = [last[0], until];
    for (const [a, b] of open) windows.push([d * DAY + a, d * DAY + b]);
    if (open.length) handover.push([d * DAY + h.handover[0], d * DAY + h.handover[1]]);
    if (h.deliveryDays.includes(weekday)) calls.push(d);
  }
  return { windows, handover, deliveries: { atMin: h.deliveryAtMin, days: calls } };
}

/** Nine in the evening. */
const NINE = 21 * 60;

/**
 * The hours with the next three bench days open until nine: what staying on for a late promise comes to.
 * @param firstIso the first day that counts, yyyy-mm-dd
 * @example withEvenings(DEFAULT_HOURS, "2026-11-28").evenings.map((e) => e.day) // ["2026-11-30", "2026-12-01", "2026-12-02"]
 */
export function withEvenings(h: ShopHours, firstIso: string, count = 3): ShopHours {
  const first = Date.parse(`${firstIso}T00:00:00Z`);
  if (Number.isNaN(first)) throw new RangeError(`"${firstIso}" is not a day`);
  const days: string[] = [];
  for (let d = 0; d < 60 && days.length < count; d++) {
    const date = new Date(first + d * 86_400_000);
    const iso = date.toISOString().slice(0, 10);
    if (h.bench[(date.getUTCDay() + 6) % 7]!.length && !h.holidays.includes(iso)) days.push(iso);
  }
  const rest = h.evenings.filter((e) => !days.includes(e.day) && e.day >= firstIso);
  return { ...h, evenings: [...rest, ...days.map((day) => ({ day, untilMin: NINE }))].sort((a, b) => (a.day < b.day ? -1 : 1)) };
}

const clock = (m: number): string => `${Math.floor(m / 60)}:${String(m % 60).padStart(2, "0")}`;
/** Hours of a day as they are written. @example hoursText([[540, 750], [795, 1020]]) // "9:00-12:30, 13:15-17:00" */
export const hoursText = (spans: readonly (readonly [number, number])[]): string =>
  spans.map(([a, b]) => `${clock(a)}-${clock(b)}`).join(", ");

/**
 * Reads hours as people write them; null where they cannot be read or lie over one another.
 * @example readHours("9-12:30, 13.15 - 17") // [[540, 750], [795, 1020]]
 */
export function readHours(text: string): [number, number][] | null {
  const t = text.trim();
  if (t === "" || /^(closed|-|–)$/i.test(t)) return [];
  const spans: [number, number][] = [];
  for (const part of t.split(/[,;]/)) {
    const m = /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*(?:-|–|to)\s*(\d{1,2})(?:[:.](\d{2}))?\s*$/i.exec(part);
    if (!m) return null;
    const at = (h: string, min: string | undefined) => Number(h) * 60 + Number(min ?? 0);
    const [a, b] = [at(m[1]!, m[2]), at(m[3]!, m[4])];
    if (!(a < b && b <= DAY && Number(m[2] ?? 0) < 60 && Number(m[4] ?? 0) < 60)) return null;
    spans.push([a, b]);
  }
  spans.sort((x, y) => x[0] - y[0]);
  return spans.every((s, i) => i === 0 || s[0] >= spans[i - 1]![1]) ? spans : null;
}

/** Hands-on time where nothing is planned yet, min (E). */
const UNPLANNED = { p50: 45, p80: 70 };

/**
 * What the promise of one job depends on, from what a list knows of it.
 * @param o now in minutes on the clock of `calendar`; an order that is out, placed on the same clock
 * @example promiseInputOf({ nowMin: 600, calendar: calendarOf(DEFAULT_HOURS, "2026-11-30", 9), hours: DEFAULT_HOURS, hands: null, order: null, ahead: { p50: 0, p80: 0 }, glass: false }).hands.p50 // 45
 */
export function promiseInputOf(o: {
  nowMin: number;
  calendar: Pick<PromiseInput, "windows" | "handover" | "deliveries">;
  hours: ShopHours;
  hands: PromiseInput["hands"] | null;
  order: { placedMin: number; p50Days: number; p80Days: number } | null;
  ahead: PromiseInput["ahead"];
  glass: boolean;
}): PromiseInput {
  return {
    nowMin: o.nowMin,
    ...o.calendar,
    benches: o.hours.benches,
    order: o.order && { ...o.order, wrongChance: o.hours.wrongChance },
    ahead: o.ahead,
    hands: o.hands ?? UNPLANNED,
    waitMin: 0,
    dwellMin: o.glass ? o.hours.glassDwellMin : 0,
  };
}

/**
 * The minute that is said to a customer: the end of the hand-over hour in which it will be done, never past the end of that day's hours.
 * @param min on the shop's clock, minutes
 * @param handover hours of hand-over, in order
 * @returns `min` itself where no hand-over holds it
 * @source SHOP C
 * @example saidBy(700, [[600, 1020]]) // 720
 */
export function saidBy(min: number, handover: readonly (readonly [number, number])[]): number {
  const at = handover.find(([from, to]) => min >= from && min <= to);
  return at ? Math.min(at[1], Math.ceil(min / 60) * 60) : min;
}
