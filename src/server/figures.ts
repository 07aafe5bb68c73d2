import { randomBytes } from "node:crypto";
import { shareInterval } from "@/core/chance";
import { buildOf, candidateOf, fold, msOf, OWN_SHELF } from "@/core/job";
import { median } from "@/core/numeric";
import { type CalendarRow, calendarFeed, csvText, type JobFacts, shopFigures } from "@/core/shopReport";
import { lotWorth, readItem } from "@/core/stock";
import { holdOf } from "@/core/tape";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { cardsStamp, factsOfJobs } from "@/data/jobListStore";
import { listReference } from "@/data/referenceStore";
import { readSetting, writeSetting } from "@/data/settingStore";
import type { FiguresPageData, SellerFigures } from "@/wire/figures";
import { benchCards } from "./jobList";
import { readReference } from "./reference";
import { remember } from "./remember";
import { pastOrders } from "./sellers";
import { readStock } from "./stockState";

const DAY_MS = 86_400_000;
/** Lists of jobs on the page are no longer than this; the CSV has all. */
const MOST = 8;

/** The facts of every job of the shop, open and closed. */
export const allFacts = (): Promise<JobFacts[]> =>
  remember(
    "facts",
    () => cardsStamp(connection().db),
    async () => (await factsOfJobs(connection().db)).map((t) => JSON.parse(t) as JobFacts),
  );

export async function readFigures(nowMs: number): Promise<FiguresPageData> {
  // Cards that are missing are made first: figures speak of all jobs.
  await benchCards();
  const [facts, ref, past, stock, calendar] = await Promise.all([
    allFacts(),
    readReference(),
    pastOrders(),
    readStock(),
    calendarAddress(),
  ]);
  const rateMinorPerHour = ref.quote?.data.benchRateMinorPerHour ?? 0;
  const { earned, ...figures } = shopFigures(facts, { nowIso: new Date(nowMs).toISOString(), rateMinorPerHour });
  const told = earned.filter((e) => e.leftMinor !== null).sort((a, b) => b.leftMinor! - a.leftMinor!);
  const sellers = [...new Set(past.map((o) => o.seller))]
    .filter((s) => s !== OWN_SHELF)
    .sort()
    .map((seller): SellerFigures => {
      const own = past.filter((o) => o.seller === seller);
      const came = own.filter((o) => o.tookDays !== null);
      const returned = own.filter((o) => o.returned !== null).length;
      return {
        seller,
        orders: own.length,
        came: came.length,
        tookDays: came.length ? median(came.map((o) => o.tookDays!)) : null,
        quotedDays: came.length ? median(came.map((o) => o.quotedDays)) : null,
        returned: { of: own.length, times: returned, ...shareInterval(returned, own.length), jobs: [] },
      };
    });
  const lots = Object.values(stock.state.lots).filter((l) => l.left > 0);
  const codes = [...new Set(facts.flatMap((j) => (j.code && j.arrivedIso ? [j.code] : [])))].sort();
  return {
    figures: { ...figures, best: told.slice(0, MOST), worst: told.slice(-MOST).filter((e) => e.leftMinor! < 0) },
    sellers,
    panels: codes.map((code) => {
      const of = facts.filter((j) => j.code === code && j.arrivedIso);
      return {
        code,
        fitted: of.filter((j) => j.outcome === "handedOver").length,
        returned: of.reduce((n, j) => n + j.returns, 0),
        jobs: of.map((j) => j.number),
      };
    }),
    lies: {
      valueMinor: lots.reduce((n, l) => n + (l.priceMinor === null ? 0 : lotWorth(l)), 0),
      unpriced: lots.filter((l) => l.priceMinor === null && readItem(l.item)?.kind !== "donor").length,
      lots: lots.length,
      expiring: lots
        .filter((l) => l.expires !== null && Date.parse(l.expires) - nowMs < 60 * DAY_MS)
        .map((l) => ({ lot: l.lot, item: l.item, expires: l.expires! })),
      breaches: stock.state.breaches.length,
      tape: Object.entries(stock.state.items).flatMap(([item, i]) => {
        if (readItem(item)?.kind !== "tape") return [];
        const first = Object.values(stock.state.lots)
          .filter((l) => l.item === item)
          .reduce((m, l) => Math.min(m, msOf(l.since)), nowMs);
        const days = (nowMs - first) / DAY_MS;
        const perDay = days >= 14 ? i.used / days : 0;
        return [{ item, leftMm: i.onHand, days: perDay > 0 ? Math.round(i.onHand / perDay) : null }];
      }),
    },
    currency: ref.quote?.data.currency ?? "EUR",
    calendar,
    nowMs,
  };
}

export const TABLES_OF_FIGURES = ["jobs", "orders", "stock", "times"] as const;
export type TableOfFigures = (typeof TABLES_OF_FIGURES)[number];

/** A table of the shop as CSV: what the figures stand on. No customer words. */
export async function tableCsv(of: TableOfFigures): Promise<string> {
  const facts = await allFacts();
  if (of === "jobs")
    return csvText(
      [
        "job",
        "machine",
        "family",
        "panel",
        "seller",
        "outcome",
        "opened",
        "promised",
        "closed",
        "price_minor",
        "parts_minor",
        "currency",
        "returns",
        "lifts",
        "came_back_after",
      ],
      facts.map((j) => [
        j.number,
        j.machine,
        j.family,
        j.code,
        j.seller,
        j.outcome,
        j.openedIso,
        j.promisedIso,
        j.closedIso,
        j.priceMinor,
        j.partsMinor,
        j.currency,
        j.returns,
        j.lifts,
        j.cameBack,
      ]),
    );
  if (of === "times")
    return csvText(
      ["job", "opened", "decided", "ordered", "arrived", "begun", "closed", "hands_min", "planned_min"],
      facts.map((j) => [
        j.number,
        j.openedIso,
        j.decidedIso,
        j.orderedIso,
        j.arrivedIso,
        j.begunIso,
        j.closedIso,
        Math.round(j.handsMin * 10) / 10,
        j.plannedMin === null ? null : Math.round(j.plannedMin * 10) / 10,
      ]),
    );
  const { orders, state } = await readStock();
  if (of === "orders")
    return csvText(
      ["order", "line", "seller", "placed", "item", "count", "price_minor", "currency", "job", "came", "ended"],
      [
        ...Object.entries(orders).flatMap(([id, o]) =>
          o.lines.map((l) => [
            id,
            l.line,
            o.seller,
            new Date(msOf(o.clock)).toISOString(),
            l.item,
            l.count,
            l.priceMinor,
            o.currency,
            l.job,
            l.came,
            o.over[l.line] ?? null,
          ]),
        ),
        ...facts
          .filter((j) => j.orderedIso)
          .map((j) => [
            j.number,
            j.number,
            j.seller,
            j.orderedIso,
            `panel/${j.code ?? ""}`,
            1,
            j.partsMinor,
            j.currency,
            j.number,
            j.arrivedIso ? 1 : 0,
            null,
          ]),
      ],
    );
  return csvText(
    ["lot", "item", "left", "unit", "place", "state", "tested", "good_until", "price_minor", "came_in", "counted"],
    Object.values(state.lots).map((l) => [
      l.lot,
      l.item,
      l.left,
      readItem(l.item)?.kind === "tape" ? "mm" : "piece",
      l.place,
      l.state,
      l.test,
      l.expires,
      l.priceMinor,
      new Date(msOf(l.since)).toISOString(),
      l.counted === null ? null : new Date(msOf(l.counted)).toISOString(),
    ]),
  );
}

const CALENDAR = "calendar";

/** The secret part of the feed's address; null while the feed is off. */
export const calendarSecret = async (): Promise<string | null> =>
  (await readSetting<{ secret: string | null }>(connection().db, CALENDAR))?.secret ?? null;
const calendarAddress = async (): Promise<string | null> => {
  const secret = await calendarSecret();
  return secret === null ? null : `/calendar/${secret}.ics`;
};
/** Turns the feed on with an address nobody can guess (128 bits), or off; the address before is gone either way. */
export async function setCalendar(on: boolean): Promise<string | null> {
  await writeSetting(connection().db, CALENDAR, { secret: on ? randomBytes(16).toString("hex") : null });
  return calendarAddress();
}

/** What is cancelled stays in the feed so many days, so that calendars take it out. */
const CANCELLED_DAYS = 30;
const HOUR_MS = 3_600_000;

/** When the new tape of an open job holds a machine that is handed over gently, at worst; null where nothing was pressed. */
async function holdsFrom(jobId: string): Promise<string | null> {
  const log = await readLog(connection().db, jobId);
  const view = { state: fold(log.events, log.snapshots), snapshots: log.snapshots };
  const build = buildOf(view)?.build;
  const pressed = view.state.bond.pressedClock;
  const hold = build && pressed ? holdOf(build, view.state.bondTold, candidateOf(view)?.outline.value) : null;
  return hold?.handedOver ? new Date(msOf(pressed!) + hold.handedOver.lateMin * 60_000).toISOString() : null;
}

/**
 * Promises, expected deliveries, when tape holds and when a seller's guarantee ends, as a calendar: job number and machine, never a
 * customer's words.
 */
export async function readCalendar(nowMs: number, shopName: string): Promise<string> {
  const [{ open }, terms] = await Promise.all([benchCards(), listReference(connection().db, "seller")]);
  const resting = new Map<string, string>();
  for (const c of open.filter((x) => x.station === "prove" || x.station === "close")) {
    const from = await holdsFrom(c.id);
    if (from) resting.set(c.id, from);
  }
  /** Guarantee counts from the day the panel came; one that ended a while ago is no entry any more. */
  const guaranteeEnds = (j: JobFacts): number | null => {
    const days = terms.find((t) => t.data.name === j.seller)?.data.guaranteeDays;
    if (!days || !j.arrivedIso || (j.outcome !== null && j.outcome !== "handedOver")) return null;
    const ends = Date.parse(j.arrivedIso) + days * DAY_MS;
    return nowMs - ends > CANCELLED_DAYS * DAY_MS ? null : ends;
  };
  const rows = (await allFacts()).flatMap((j): CalendarRow[] => {
    const cancelled = j.closedIso !== null && j.outcome !== "handedOver";
    const at = (kind: string, iso: string, sequence: number, summary: string): CalendarRow => ({
      job: j.number,
      kind,
      startIso: iso,
      endIso: new Date(Date.parse(iso) + HOUR_MS).toISOString(),
      sequence: sequence + (cancelled ? 1 : 0),
      summary,
      ...(cancelled ? { cancelled: true } : {}),
    });
    const ends = guaranteeEnds(j);
    const holds = resting.get(j.id);
    const kept =
      ends === null ? [] : [at("guarantee", new Date(ends).toISOString(), j.orders, `${j.number}: guarantee of the panel ends`)];
    const ended = j.closedIso !== null && nowMs - Date.parse(j.closedIso) > CANCELLED_DAYS * DAY_MS;
    if (ended) return kept;
    return [
      ...kept,
      ...(holds ? [at("dwell", holds, 0, `${j.number}: tape holds, ${j.machine} may be handed over`)] : []),
      ...(j.promiseIso ? [at("promise", j.promiseIso, j.promiseChanges, `${j.number} promised: ${j.machine}`)] : []),
      ...(j.expectedIso ? [at("delivery", j.expectedIso, Math.max(0, j.orders - 1), `${j.number}: panel expected`)] : []),
    ];
  });
  return calendarFeed(rows, { stamp: new Date(nowMs).toISOString(), name: shopName || "The bench" });
}
