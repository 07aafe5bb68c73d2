import type { z } from "zod";
import {
  type LeadTime,
  leadTime,
  type Offer,
  type PastOrder,
  readFeed,
  type SellerRecord,
  type SellerTerms,
  sellerRecord,
} from "@/core/catalogue";
import { msOf, OWN_SHELF } from "@/core/job";
import { codeKey, type Panel, unknownPanel } from "@/core/panel";
import { connection } from "@/data/connection";
import { catalogueEntries } from "@/data/panelStore";
import { listReference, replaceRows } from "@/data/referenceStore";
import { TABLES } from "@/data/registry";
import { readSetting, writeSetting } from "@/data/settingStore";
import { tradeEvents, tradeStamp } from "@/data/tradeStore";
import { FEED_FAILURES, type FeedFailure, simulatedSellerFeed } from "@/standins/sellerFeed";
import type { OffersByHand, OffersKept } from "@/wire/sellers";
import { remember } from "./remember";

const DAY_MS = 86_400_000;

/** Every order of the shop, from its job logs: quoted, taken, returned. Taken-back entries do not count. */
export const pastOrders = (): Promise<PastOrder[]> => remember("pastOrders", () => tradeStamp(connection().db), readPastOrders);

async function readPastOrders(): Promise<PastOrder[]> {
  const rows = await tradeEvents(connection().db);
  const back = new Set(rows.filter((r) => r.type === "job.takenBack").map((r) => (r.payload as { eventId: string }).eventId));
  const orders: (PastOrder & { jobId: string; atMs: number; open: boolean })[] = [];
  for (const r of rows) {
    if (r.type === "job.takenBack" || back.has(r.id)) continue;
    const p = r.payload as { seller?: string; dueDays?: number; reason?: string };
    const atMs = msOf(r.clock);
    const last = orders.findLast((o) => o.jobId === r.job_id && o.open);
    if (r.type === "match.ordered")
      orders.push({
        jobId: r.job_id,
        atMs,
        open: true,
        seller: p.seller ?? "",
        quotedDays: p.dueDays ?? 0,
        tookDays: null,
        returned: null,
      });
    else if (last && r.type === "match.arrived") last.tookDays ??= (atMs - last.atMs) / DAY_MS;
    else if (last && r.type === "match.returned") {
      last.returned = p.reason ?? "other";
      last.open = false;
    }
  }
  return orders.map(({ seller, quotedDays, tookDays, returned }) => ({ seller, quotedDays, tookDays, returned }));
}

export interface SellerView {
  terms: SellerTerms | null;
  record: SellerRecord;
}

/** Offers with the days the shop's own record expects, and what is known of each seller. */
export async function tradeOf(offers: readonly Offer[]): Promise<{
  offers: (Offer & { lead: LeadTime })[];
  sellers: Record<string, SellerView>;
}> {
  const past = await pastOrders();
  const terms = await listReference(connection().db, "seller");
  const names = [...new Set([...offers.map((o) => o.seller), ...terms.map((t) => t.data.name)])];
  return {
    offers: offers.map((o) => ({
      ...o,
      // What lies on the own shelf is here.
      lead: o.seller === OWN_SHELF ? { p50Days: 0, p80Days: 0, orders: 0 } : leadTime(o.days, o.seller, past),
    })),
    sellers: Object.fromEntries(
      names.map((n) => [n, { terms: terms.find((t) => t.data.name === n)?.data ?? null, record: sellerRecord(n, past) }]),
    ),
  };
}

const FEED = "feedFailure";

/** What the simulated sellers were told to do. HELVANE_FEED_FAIL sets it for trials. */
export async function feedFailure(): Promise<FeedFailure> {
  const told = process.env.HELVANE_FEED_FAIL ?? (await readSetting<FeedFailure>(connection().db, FEED)) ?? "none";
  return FEED_FAILURES.find((f) => f === told) ?? "none";
}
export const tellFeed = (failure: FeedFailure): Promise<void> => writeSetting(connection().db, FEED, failure);

export interface SellerAnswer {
  seller: string;
  ok: boolean;
  words: string;
  problems: string[];
  /** What its prices are from now, ISO; null when they are from a file. */
  asOf: string | null;
}

/** A seller that takes longer than this is left for the next time. */
const PATIENCE_MS = 4000;

/**
 * Asks every seller for prices, stock and days. One that is silent or late keeps its old offers, with their date; a bad
 * row is named and left out; what is no longer offered is marked as out of stock, never dropped from under a job.
 */
export async function refreshOffers(nowMs: number): Promise<SellerAnswer[]> {
  const { db } = connection();
  const rows = (await listReference(db, "offer")).filter((r) => !r.data.byHand);
  const entries = await catalogueEntries(db);
  const codeOf = new Map(entries.map((e) => [e.id, e.code]));
  const ids = new Map(entries.map((e) => [codeKey(e.code), e.id]));
  const feed = simulatedSellerFeed(
    rows.map((r) => r.data),
    (p) => codeOf.get(p) ?? null,
    Math.floor(nowMs / DAY_MS),
    await feedFailure(),
  );
  const asOf = new Date(nowMs).toISOString();
  const answers: SellerAnswer[] = [];
  for (const seller of [...new Set(rows.map((r) => r.data.seller))].sort()) {
    const old = rows.filter((r) => r.data.seller === seller);
    const oldest = old.map((r) => r.data.asOf ?? null).sort()[0] ?? null;
    const silent = (words: string): SellerAnswer => ({ seller, ok: false, words, problems: [], asOf: oldest });
    let patience: ReturnType<typeof setTimeout> | undefined;
    const got = await Promise.race([
      feed.ask(seller),
      new Promise<{ ok: false; problem: string }>((done) => {
        patience = setTimeout(
          () => done({ ok: false, problem: `${seller} took longer than ${PATIENCE_MS / 1000} s.` }),
          PATIENCE_MS,
        );
      }),
    ]);
    clearTimeout(patience);
    if (!got.ok) {
      answers.push(silent(got.problem));
      continue;
    }
    const read = readFeed(seller, got.rows, (c) => ids.get(codeKey(c)) ?? null, asOf);
    const next = read.offers.map((o) => ({ id: old.find((r) => sameOffer(r.data, o))?.id ?? TABLES.offer.id(o), data: o }));
    const gone = old
      .filter((r) => !next.some((n) => n.id === r.id))
      .map((r) => ({ id: r.id, data: { ...r.data, stock: 0, asOf } }));
    await replaceRows(db, "offer", [...next, ...gone], asOf);
    answers.push({ seller, ok: true, words: `${read.offers.length} offers`, problems: read.problems, asOf });
  }
  return answers;
}

const sameOffer = (a: Offer, b: Offer) => a.panel === b.panel && a.seller === b.seller && a.condition === b.condition;

/**
 * Keeps offers written down by hand. A code nobody recorded becomes a panel of which everything is unknown but what its code suggests; a
 * seller nobody knows has no record yet. All or nothing.
 */
export async function keepOffers(list: z.infer<typeof OffersByHand>["offers"], nowIso: string): Promise<OffersKept> {
  const { db } = connection();
  const known = new Map(
    (await catalogueEntries(db)).flatMap((e) => [e.code, ...e.names].map((n) => [codeKey(n), e.id] as const)),
  );
  const sellers = new Set((await listReference(db, "offer")).map((r) => r.data.seller));
  const made = new Map<string, Panel>();
  const offers: Offer[] = [];
  for (const o of list) {
    const key = codeKey(o.code);
    let panel = known.get(key);
    if (!panel) {
      const fresh = { ...unknownPanel(o.code), id: TABLES.panel.id({ ...unknownPanel(o.code) }) };
      made.set(fresh.id, fresh);
      known.set(key, fresh.id);
      panel = fresh.id;
    }
    const { code: _, ...rest } = o;
    offers.push({ ...rest, panel, asOf: nowIso, byHand: true });
  }
  const rows = new Map(offers.map((o) => [TABLES.offer.id(o), { id: TABLES.offer.id(o), data: o }]));
  await replaceRows(
    db,
    "panel",
    [...made.values()].map((data) => ({ id: data.id, data })),
    nowIso,
  );
  await replaceRows(db, "offer", [...rows.values()], nowIso);
  return {
    offers: rows.size,
    newPanels: [...made.values()].map((p) => p.code),
    newSellers: [...new Set(list.map((o) => o.seller))].filter((x) => !sellers.has(x)),
  };
}
