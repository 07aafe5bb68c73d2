import { differenceInCalendarDays, format, startOfDay } from "date-fns";
import { sumLogNormal } from "@/core/chance";
import { calendarOf, type PromiseInput, promiseInputOf, type RescueOption, type ShopHours } from "@/core/promise";
import { durationWords } from "@/core/quantity";
import type { JobCard } from "./jobCard";

/** When a job will be done: likely, and as sure as the shop promises; how likely its promise breaks, where there is one. */
export interface Promised {
  p50Ms: number;
  /** Done by then in this share of cases. */
  byMs: number;
  sure: number;
  late: number | null;
  /** What could be done where it breaks, the cheapest first; empty where it holds. */
  rescues: Rescue[];
  /** Why it is as late as it is. */
  why: string[];
}
/** A way to keep a promise, and what it costs by the same draws: money, lateness and annoyance together, minor units. */
export interface Rescue {
  id: "asItIs" | "otherSeller" | "otherPanel" | "loan" | "firstInLine" | "evening" | "secondBench" | "call";
  late: number;
  costMinor: number;
  /** What could be promised with it, as sure as the shop promises. */
  byMs: number;
}
/** Another seller of the same panel, who may be quicker. */
export interface OtherSeller {
  seller: string;
  /** More than the order that is out, postage included; minor units. */
  extraMinor: number;
  p50Days: number;
  p80Days: number;
}
/** Another panel that fits the old one's place, which may be here sooner. */
export interface OtherPanel extends OtherSeller {
  code: string;
  /** It differs in something the customer is asked about first. */
  asks: boolean;
}
/** What may be here sooner than the order that is out. */
export interface Sooner {
  seller?: OtherSeller;
  panel?: OtherPanel;
}
/** What the worker says of one job, on the shop's clock. */
export interface PromiseSaid {
  id: string;
  p50Min: number;
  byMin: number;
  late: number | null;
  /** Where the promise breaks: what could be done, the cheapest first. */
  rescues: { id: Rescue["id"]; late: number; costMinor: number; byMin: number }[];
}

/** What of a job its date is told from. */
export type PromiseCard = Pick<
  JobCard,
  "id" | "closed" | "putOff" | "shelf" | "order" | "promiseAt" | "first" | "minutesLeft" | "glass" | "returned" | "seller"
>;

/** GET /api/promise: what could be promised for a machine that comes in today, and what that goes by. */
export interface NewPromise {
  p50Ms: number;
  byMs: number;
  sure: number;
  goesBy: string[];
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
const tellable = (c: PromiseCard): boolean =>
  !c.closed && !c.putOff && (c.shelf === "ready" || c.shelf === "handOver" || (c.shelf === "waiting" && c.order !== null));

/** What is worked off before a job: everything that can be worked at and is taken first, or promised before it. */
function aheadOf(c: PromiseCard, all: readonly PromiseCard[]): { p50: number; p80: number } {
  const before = all.filter(
    (o) =>
      o.id !== c.id &&
      (o.shelf === "ready" || o.shelf === "handOver") &&
      o.minutesLeft &&
      (o.first === c.first ? (o.promiseAt ?? "9") < (c.promiseAt ?? "9") : o.first),
  );
  return sumLogNormal(before.map((o) => o.minutesLeft!.p50));
}

/** What the date of one job is told from. */
export interface PromiseAsk {
  id: string;
  seed: string;
  sure: number;
  input: PromiseInput;
  dueMin: number | null;
  options: RescueOption[];
  lateMinorPerDay: number;
  why: string[];
}

/** Open until nine for three days. */
const EVENING = [21 * 60, 3] as const;

/** The same repair with another order, placed now. */
const orderedAnew = (id: Rescue["id"], input: PromiseInput, o: OtherSeller, hurtsMinor: number): RescueOption => ({
  id,
  extraMinor: id === "otherSeller" ? Math.max(0, o.extraMinor) : o.extraMinor,
  hurtsMinor,
  change: {
    order: { placedMin: input.nowMin, p50Days: o.p50Days, p80Days: o.p80Days, wrongChance: input.order!.wrongChance },
  },
});

/** What could be done about a late job: everything that changes what it waits for. */
function optionsOf(input: PromiseInput, sooner: Sooner | undefined, { lend, costs }: ShopHours): RescueOption[] {
  const today = Math.floor(input.nowMin / DAY) * DAY;
  const [until, count] = EVENING;
  const dayOf = (w: readonly [number, number]) => Math.floor(w[0] / DAY) * DAY;
  // The next three days somebody is at the bench, as taking it sets them.
  const days = [...new Set(input.windows.map(dayOf))].filter((d) => d >= today).slice(0, count);
  const late = (w: readonly [number, number]): [number, number] => {
    const day = dayOf(w);
    const last = !input.windows.some((x) => x[0] > w[0] && x[0] < day + DAY);
    return days.includes(day) && last ? [w[0], Math.max(w[1], day + until)] : [w[0], w[1]];
  };
  return [
    ...(sooner?.seller && input.order ? [orderedAnew("otherSeller", input, sooner.seller, 0)] : []),
    ...(sooner?.panel && input.order
      ? [orderedAnew("otherPanel", input, sooner.panel, sooner.panel.asks ? costs.finishMinor : 0)]
      : []),
    ...(input.ahead.p50 > 0
      ? [
          {
            id: "firstInLine",
            extraMinor: 0,
            hurtsMinor: costs.firstMinor,
            undoable: true,
            change: { ahead: { p50: 0, p80: 0 } },
          },
          {
            id: "secondBench",
            extraMinor: 0,
            hurtsMinor: costs.eveningMinor,
            undoable: true,
            change: { benches: input.benches + 1 },
          },
        ]
      : []),
    {
      id: "evening",
      extraMinor: 0,
      hurtsMinor: costs.eveningMinor,
      undoable: true,
      change: { windows: input.windows.map(late) },
    },
    ...(lend > 0
      ? [{ id: "loan", extraMinor: 0, hurtsMinor: costs.loanMinor, undoable: true, newDue: "p80" as const, change: {} }]
      : []),
    { id: "call", extraMinor: 0, hurtsMinor: costs.callMinor, newDue: "p80" as const, change: {} },
  ];
}

/** What a job's date stands on, in words: what it waits for, what comes before it. */
function whyOf(c: PromiseCard, input: PromiseInput): string[] {
  const overdue = input.order && (input.nowMin - input.order.placedMin) / DAY > input.order.p50Days;
  return [
    ...(c.returned > 0 ? [`${c.returned === 1 ? "a panel" : `${c.returned} panels`} went back`] : []),
    ...(input.order
      ? [overdue ? `the panel of ${c.seller} is overdue, and the later the longer` : `the panel of ${c.seller} is on its way`]
      : []),
    ...(input.order ? [`${Math.round(input.order.wrongChance * 100)} in 100 come wrong and are ordered again`] : []),
    ...(input.ahead.p50 >= 30 ? [`${durationWords(input.ahead.p50)} of other work come first`] : []),
    ...(input.dwellMin ? [`it lies ${Math.round(input.dwellMin / 60)} h before hand-over`] : []),
  ];
}

/** Everything the dates of these jobs are told from, and the midnight their clock begins at. */
export function promiseAsks(
  cards: readonly PromiseCard[],
  hours: ShopHours,
  nowMs: number,
  sooner: Readonly<Record<string, Sooner>> = {},
): { zero: Date; asks: PromiseAsk[] } {
  const zero = startOfDay(nowMs);
  const calendar = calendarOf(hours, format(zero, "yyyy-MM-dd"), DAYS);
  const asks = cards.filter(tellable).map((c): PromiseAsk => {
    const input = promiseInputOf({
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
    });
    return {
      id: c.id,
      sure: hours.sure,
      seed: `${c.id} ${c.minutesLeft?.p50 ?? ""} ${c.order?.placedIso ?? ""}`,
      dueMin: c.promiseAt === null ? null : toShop(Date.parse(c.promiseAt), zero),
      input,
      options: optionsOf(input, sooner[c.id], hours),
      lateMinorPerDay: hours.costs.lateMinorPerDay,
      why: whyOf(c, input),
    };
  });
  return { zero, asks };
}
