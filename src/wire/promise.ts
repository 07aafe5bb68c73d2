import { differenceInCalendarDays, format, startOfDay } from "date-fns";
import { sumLogNormal } from "@/core/chance";
import { calendarOf, type PromiseInput, promiseInputOf, type ShopHours } from "@/core/promise";
import type { JobCard } from "./jobCard";

/** When a job will be done: likely, and four times in five; how likely its promise breaks, where there is one. */
export interface Promised {
  p50Ms: number;
  p80Ms: number;
  late: number | null;
}
/** What the worker says of one job, on the shop's clock. */
export interface PromiseSaid {
  id: string;
  p50Min: number;
  p80Min: number;
  late: number | null;
}

/** Days the shop's clock reaches. */
const DAYS = 400;
const DAY = 1440;

/** The shop's clock from local time, whatever daylight saving does: days by the calendar, minutes by the clock on the wall. */
const toShop = (ms: number, zero: Date): number => {
  const d = new Date(ms);
  return differenceInCalendarDays(d, zero) * DAY + d.getHours() * 60 + d.getMinutes();
};
/** A time on the shop's clock, in ms. */
export const fromShop = (min: number, zero: Date): number =>
  new Date(zero.getFullYear(), zero.getMonth(), zero.getDate() + Math.floor(min / DAY), 0, Math.round(min % DAY)).getTime();

/** Jobs a date can be told of: their panel is here, or ordered. */
const tellable = (c: JobCard): boolean =>
  !c.closed && !c.putOff && (c.shelf === "ready" || c.shelf === "handOver" || (c.shelf === "waiting" && c.order !== null));

/** What is worked off before a job: everything that can be worked at and is promised before it. */
function aheadOf(c: JobCard, all: readonly JobCard[]): { p50: number; p80: number } {
  const before = all.filter(
    (o) =>
      o.id !== c.id &&
      (o.shelf === "ready" || o.shelf === "handOver") &&
      o.minutesLeft &&
      (o.promiseAt ?? "9") < (c.promiseAt ?? "9"),
  );
  return sumLogNormal(before.map((o) => o.minutesLeft!.p50));
}

/** What the date of one job is told from. */
export interface PromiseAsk {
  id: string;
  seed: string;
  input: PromiseInput;
  dueMin: number | null;
}

/** Everything the dates of these jobs are told from, and the midnight their clock begins at. */
export function promiseAsks(cards: readonly JobCard[], hours: ShopHours, nowMs: number): { zero: Date; asks: PromiseAsk[] } {
  const zero = startOfDay(nowMs);
  const calendar = calendarOf(hours, format(zero, "yyyy-MM-dd"), DAYS);
  const asks = cards.filter(tellable).map((c) => ({
    id: c.id,
    seed: `${c.id} ${c.minutesLeft?.p50 ?? ""} ${c.order?.placedIso ?? ""}`,
    dueMin: c.promiseAt === null ? null : toShop(Date.parse(c.promiseAt), zero),
    input: promiseInputOf({
      nowMin: toShop(nowMs, zero),
      calendar,
      hours,
      hands: c.minutesLeft,
      order:
        c.shelf === "waiting" && c.order
          ? { placedMin: toShop(Date.parse(c.order.placedIso), zero), p50Days: c.order.p50Days, p80Days: c.order.p80Days }
          : null,
      ahead: aheadOf(c, cards),
      glass: c.glass,
    }),
  }));
  return { zero, asks };
}
