import type { Offer } from "@/core/catalogue";
import { comingOf, msOf, OWN_SHELF } from "@/core/job";
import { codeKey } from "@/core/panel";
import { goodUntil, readItem, readTape, type StockEvent, type StockLot, type StockState, shelvesOf, toCount } from "@/core/stock";
import type { RollHere } from "@/core/tape";
import { connection } from "@/data/connection";
import { cardSeqs } from "@/data/jobListStore";
import { catalogueEntries, panelsById } from "@/data/panelStore";
import type { JobCard } from "@/wire/jobCard";
import type { StockPageData, StockToday } from "@/wire/stock";
import { adviseBuying } from "./buying";
import { benchCards } from "./jobList";
import { readReference } from "./reference";
import { salvageRows } from "./salvage";
import { tradeOf } from "./sellers";
import { readStock } from "./stockState";

const DAY_MS = 86_400_000;

/** A state as a log begun anew: one receipt for each lot, one word for each thing kept. */
function baselineOf(s: StockState): StockEvent[] {
  const lots = Object.values(s.lots).filter((l) => l.left > 0);
  const until = (l: StockLot) => goodUntil(l, msOf);
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
        ...(until(l) === null ? {} : { expires: until(l)! }),
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
  // Asked for before the cards are read: what came in between was not looked at.
  const seen = await cardSeqs(db);
  const [read, cards, ref] = await Promise.all([readStock(), benchCards(), readReference()]);
  const needs = cards.open.flatMap((c) => c.needs.map((n) => ({ ...n, job: c.number, jobId: c.id, seen: seen.get(c.id) ?? 0 })));
  const coming = comingOf(read.orders, read.lines);
  const shelves = shelvesOf(read.state, needs, coming);
  // A panel that must not be ordered yet is needed, and not bought.
  const mayBuy = shelvesOf(
    read.state,
    needs.filter((n) => !n.shut),
    coming,
  );
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
    salvage: salvageRows(read.state, ref, nowMs),
    buy: await adviseBuying(read, mayBuy, coming, nowMs),
    currency: ref.quote?.data.currency ?? "EUR",
    sellers: Object.keys(sellers).sort(),
    guarantees: Object.fromEntries(
      Object.entries(sellers).flatMap(([name, { terms: t }]) =>
        t ? [[name, { days: t.guaranteeDays, excludes: t.excludes, filmsOffEndsReturn: t.filmsOffEndsReturn }]] : [],
      ),
    ),
    lines: read.lines,
    nextOrder: `B-${1 + Math.max(0, ...Object.keys(read.orders).map((o) => Number(o.slice(2))))}`,
    nowMs,
  };
}

const AS_OFFERED: Readonly<Record<string, Offer["condition"]>> = { new: "new", opened: "used", pulled: "pulled", used: "used" };

/**
 * Panels that lie free on the own shelf, or are kept for a job that asks, as offers beside the sellers': here today, at what they cost. One whose state is not known,
 * or that is cracked, is offered to nobody.
 */
export async function ownOffers(currency: string, job: string | null = null): Promise<Offer[]> {
  const { state } = await readStock();
  const lotsOf = new Map<string, StockLot[]>();
  for (const l of Object.values(state.lots))
    if (l.left > 0 && readItem(l.item)?.kind === "panel" && AS_OFFERED[l.state])
      lotsOf.set(l.item, [...(lotsOf.get(l.item) ?? []), l]);
  if (lotsOf.size === 0) return [];
  const ids = new Map((await catalogueEntries(connection().db)).map((e) => [codeKey(e.code), e.id]));
  return [...lotsOf].flatMap(([item, lots]) => {
    const panel = ids.get(codeKey(readItem(item)!.what));
    // What was kept for this very job is there for it.
    const mine = state.reserved.filter((r) => r.item === item && r.job === job).reduce((n, r) => n + r.left, 0);
    const free = state.items[item]!.free + mine;
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
            shelf: { lot: lot.lot, place: lot.place, state: lot.state, test: lot.test },
            stock: Math.min(
              free,
              lots.reduce((n, l) => n + l.left, 0),
            ),
          },
        ]
      : [];
  });
}

/** What the bench says of the stock: what jobs are short of, and the orders of the shop that are out. */
export async function stockToday(cards: readonly JobCard[], making = 0): Promise<StockToday> {
  // Before every job has told what it took nothing is said of the stock: it would be wrong.
  if (making > 0) return { short: [], out: [] };
  const { state, orders, lines } = await readStock();
  const needs = cards.flatMap((c) => c.needs.map((n) => ({ ...n, job: c.number })));
  return {
    short: shelvesOf(state, needs, comingOf(orders, lines))
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
    return tape && l.left > 0 ? [{ lot: l.lot, ...tape, leftMm: l.left, place: l.place, expires: goodUntil(l, msOf) }] : [];
  });
}
