import { differenceInCalendarDays } from "date-fns";
import { leadTime, type Offer, type PastOrder } from "@/core/catalogue";
import { type JobEvent, msOf, OWN_SHELF, placeOf, type ShopOrder } from "@/core/job";
import { codeKey } from "@/core/panel";
import { BUY_RULES, type BuyItem, type BuyToday, buyToday } from "@/core/reorder";
import {
  itemName,
  readItem,
  readTape,
  type ShelfItem,
  type StockEvent,
  type StockLot,
  type StockState,
  shelvesOf,
  toCount,
} from "@/core/stock";
import type { RollHere } from "@/core/tape";
import { connection } from "@/data/connection";
import { catalogueEntries, panelsById } from "@/data/panelStore";
import { listReference } from "@/data/referenceStore";
import type { JobCard } from "@/wire/jobCard";
import type { StockPageData, StockToday } from "@/wire/stock";
import { allJobs } from "./find";
import { benchCards } from "./jobList";
import { readReference } from "./reference";
import { pastOrders, tradeOf } from "./sellers";
import { readStock, type StockRead } from "./stockState";

const DAY_MS = 86_400_000;
/** Postage of a parcel where a seller's is not known (adj), minor units. */
const POSTAGE_MINOR = 490;
/** An occasion of as many is a fleet's, announced: it teaches nothing of who walks in (adj). */
const FLEET = 5;
/** Days a seller of tape and screws takes where nobody said (adj). */
const QUOTED_DAYS = 2;

/** What is on its way, by item. */
export const comingOf = (orders: Record<string, ShopOrder>): { item: string; count: number }[] =>
  Object.values(orders).flatMap((o) =>
    o.lines.filter((l) => !o.over[l.line] && l.came < l.count).map((l) => ({ item: l.item, count: l.count - l.came })),
  );

/** A state as a log begun anew: one receipt for each lot, one word for each thing kept. */
function baselineOf(s: StockState): StockEvent[] {
  const lots = Object.values(s.lots).filter((l) => l.left > 0);
  return [
    ...lots.map(
      (l, k): StockEvent => ({
        id: `base-${k}`,
        clock: "0",
        type: "stock.received",
        item: l.item,
        lot: l.lot,
        count: l.left,
        place: l.place,
        state: l.state,
        ...(l.expires === null ? {} : { expires: l.expires }),
        ...(l.test === null ? {} : { test: l.test as never }),
        ...(l.priceMinor === null ? {} : { priceMinor: l.priceMinor }),
      }),
    ),
    ...s.reserved.map(
      (r, k): StockEvent => ({
        id: `kept-${k}`,
        clock: "1",
        type: "stock.reserved",
        item: r.item,
        count: r.left,
        job: r.job,
      }),
    ),
  ];
}

export async function readStockPage(nowMs: number): Promise<StockPageData> {
  const { db } = connection();
  const [read, cards, ref] = await Promise.all([readStock(), benchCards(), readReference()]);
  const needs = cards.open.flatMap((c) => c.needs.map((n) => ({ ...n, job: c.number, jobId: c.id })));
  const coming = comingOf(read.orders);
  const shelves = shelvesOf(read.state, needs, coming);
  const entries = await catalogueEntries(db);
  const ids = new Map(entries.map((e) => [codeKey(e.code), e.id]));
  const codes = [...new Set([...shelves.map((s) => s.item), ...coming.map((c) => c.item)])].flatMap((i) => {
    const r = readItem(i);
    return r?.kind === "panel" ? [r.what] : [];
  });
  const known = await panelsById(
    db,
    codes.flatMap((c) => ids.get(codeKey(c)) ?? []),
  );
  const sizes: StockPageData["sizes"] = {};
  for (const c of codes) {
    const o = known.find((p) => p.id === ids.get(codeKey(c)))?.data.outline.value;
    if (o) sizes[c] = { widthMm: o.widthMm, heightMm: o.heightMm };
  }
  const { sellers } = await tradeOf(ref.offers);
  return {
    events: read.own.events,
    cursor: read.own.cursor,
    baseline: baselineOf(read.state),
    breaches: read.state.breaches.slice(-20).reverse(),
    needs,
    count: toCount(read.state, nowMs, msOf).map(({ lot: l, days, breaches }) => ({
      lot: l.lot,
      item: l.item,
      left: l.left,
      place: l.place,
      days,
      breaches,
    })),
    sizes,
    buy: await adviseBuying(read, shelves, coming, nowMs),
    currency: ref.quote?.data.currency ?? "EUR",
    sellers: Object.keys(sellers).sort(),
    nextOrder: `B-${1 + Math.max(0, ...Object.keys(read.orders).map((o) => Number(o.slice(2))))}`,
    nowMs,
  };
}

const AS_OFFERED: Readonly<Record<string, Offer["condition"]>> = { new: "new", opened: "used", pulled: "pulled", used: "used" };

/**
 * Panels that lie free on the own shelf, as offers beside the sellers': here today, at what they cost. One whose state is not known,
 * or that is cracked, is offered to nobody.
 */
export async function ownOffers(currency: string): Promise<Offer[]> {
  const { state } = await readStock();
  const lotsOf = new Map<string, StockLot[]>();
  for (const l of Object.values(state.lots))
    if (l.left > 0 && readItem(l.item)?.kind === "panel" && AS_OFFERED[l.state])
      lotsOf.set(l.item, [...(lotsOf.get(l.item) ?? []), l]);
  if (lotsOf.size === 0) return [];
  const ids = new Map((await catalogueEntries(connection().db)).map((e) => [codeKey(e.code), e.id]));
  return [...lotsOf].flatMap(([item, lots]) => {
    const panel = ids.get(codeKey(readItem(item)!.what));
    const free = state.items[item]!.free;
    // What is kept for jobs is taken in order: the last is the free one.
    const lot = lots.at(-1)!;
    return panel && free > 0
      ? [
          {
            panel,
            seller: OWN_SHELF,
            condition: AS_OFFERED[lot.state]!,
            priceMinor: lot.priceMinor ?? 0,
            currency,
            days: 0,
            stock: Math.min(
              free,
              lots.reduce((n, l) => n + l.left, 0),
            ),
          },
        ]
      : [];
  });
}

/**
 * Who walked in for which panel: occasions of a customer on a day, fleets left out, over the days since the shop's first job or the
 * first entry of its stock.
 */
async function walkIns(own: readonly JobEvent[], nowMs: number) {
  const jobs = (await allJobs()).filter((j) => j.newCode && j.openedAtIso);
  const first = Math.min(nowMs, ...jobs.map((j) => Date.parse(j.openedAtIso!)), ...own.slice(0, 50).map((e) => msOf(placeOf(e))));
  const days = Math.max(1, differenceInCalendarDays(nowMs, first));
  const by = new Map<string, Map<string, number>>();
  const last = new Map<string, number>();
  for (const j of jobs) {
    const code = codeKey(j.newCode!);
    const on = by.get(code) ?? new Map<string, number>();
    const key = `${j.customer} ${j.openedAtIso!.slice(0, 10)}`;
    on.set(key, (on.get(key) ?? 0) + 1);
    by.set(code, on);
    last.set(code, Math.max(last.get(code) ?? 0, Date.parse(j.openedAtIso!)));
  }
  const of = (code: string) => [...(by.get(codeKey(code))?.values() ?? [])].filter((n) => n < FLEET);
  const all = [...by.keys()].reduce((n, c) => n + of(c).length, 0);
  // What a code of this shop is asked for, little known at first: once in 400 days counts for 120 days (adj).
  const rate = by.size ? (by.size * (120 / 400) + all) / ((120 + days) * by.size) : 1 / 400;
  return { days, of, rate, lastMs: (code: string) => last.get(codeKey(code)) ?? null };
}

async function adviseBuying(
  read: StockRead,
  shelves: readonly ShelfItem[],
  coming: readonly { item: string; count: number }[],
  nowMs: number,
): Promise<BuyToday> {
  const { db } = connection();
  const [ref, past, walk, entries, terms] = await Promise.all([
    readReference(),
    pastOrders(),
    walkIns(read.own.events, nowMs),
    catalogueEntries(db),
    listReference(db, "seller"),
  ]);
  const shelf = new Map(shelves.map((s) => [s.item, s]));
  const onWay = (item: string) => coming.filter((c) => c.item === item).reduce((n, c) => n + c.count, 0);
  const items: BuyItem[] = [];
  const seen = new Set<string>();
  for (const e of entries) {
    const item = itemName("panel", e.code);
    const s = shelf.get(item);
    const sizes = walk.of(e.code);
    if (sizes.length === 0 && !s?.short) continue;
    seen.add(item);
    const last = walk.lastMs(e.code);
    items.push({
      item,
      must: Math.max(0, (s?.short ?? 0) - onWay(item)),
      pack: 1,
      offers: ref.offers
        .filter((o) => o.panel === e.id && o.stock !== 0)
        .map((o) => ({ seller: o.seller, priceMinor: o.priceMinor, lead: leadTime(o.days, o.seller, past) })),
      shelf: {
        occasions: sizes.length,
        days: walk.days,
        priorRate: walk.rate,
        sizes,
        position: (s?.free ?? 0) + Math.max(0, onWay(item) - (s?.short ?? 0)),
        running: last === null || nowMs - last < 365 * DAY_MS || walk.days < 365,
      },
    });
  }
  for (const s of shelves) {
    if (seen.has(s.item) || s.short <= onWay(s.item) || s.kind === "panel") continue;
    items.push({ item: s.item, must: s.short - onWay(s.item), ...packOf(read.own.events, s, past) });
  }
  const sellers = [...new Set(items.flatMap((i) => i.offers.map((o) => o.seller)))].map((id) => {
    const t = terms.find((x) => x.data.name === id)?.data;
    return { id, postageMinor: t?.postageMinor ?? POSTAGE_MINOR, freeFromMinor: t?.freeFromMinor ?? null };
  });
  return buyToday({ items, sellers, rules: BUY_RULES });
}

/** The pack an item came in last, and what each seller asked for one then. */
function packOf(events: readonly JobEvent[], s: ShelfItem, past: readonly PastOrder[]): Pick<BuyItem, "pack" | "offers"> {
  const got = events.flatMap((e) => (e.type === "stock.received" && e.payload.item === s.item ? [e.payload] : []));
  const pack = got.at(-1)?.count ?? 1;
  const by = new Map<string, number>();
  for (const g of got)
    if (g.seller && g.priceMinor !== undefined)
      by.set(g.seller, Math.round(s.kind === "tape" ? (g.priceMinor * pack) / 1000 : g.priceMinor * pack));
  return {
    pack,
    offers: [...by].map(([seller, priceMinor]) => ({ seller, priceMinor, lead: leadTime(QUOTED_DAYS, seller, past) })),
  };
}

/** What the bench says of the stock: what jobs are short of, and the orders of the shop that are out. */
export async function stockToday(cards: readonly JobCard[]): Promise<StockToday> {
  const { state, orders } = await readStock();
  const needs = cards.flatMap((c) => c.needs.map((n) => ({ ...n, job: c.number })));
  return {
    short: shelvesOf(state, needs, comingOf(orders))
      .filter((i) => i.short > i.coming)
      .map((i) => ({ item: i.item, count: i.short - i.coming, jobs: i.keptFor.map((k) => k.job) })),
    out: Object.entries(orders)
      .filter(([, o]) => o.lines.some((l) => !o.over[l.line] && l.came < l.count))
      .map(([order, o]) => ({ order, seller: o.seller, dueMs: msOf(o.clock) + (o.days?.p50 ?? o.dueDays) * DAY_MS })),
  };
}

/** Rolls and remnants of tape on the shelf, by lot. */
export async function rollsHere(): Promise<RollHere[]> {
  const { state } = await readStock();
  return Object.values(state.lots).flatMap((l) => {
    const tape = readTape(l.item);
    return tape && l.left > 0 ? [{ lot: l.lot, ...tape, leftMm: l.left, place: l.place, expires: l.expires }] : [];
  });
}
