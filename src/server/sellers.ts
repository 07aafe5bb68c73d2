import { sql } from "kysely";
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
import { readClock } from "@/core/job";
import { codeKey } from "@/core/panel";
import { connection } from "@/data/connection";
import { catalogueEntries } from "@/data/panelStore";
import { contentHash, listReference } from "@/data/referenceStore";
import { readSetting, writeSetting } from "@/data/settingStore";
import { FEED_FAILURES, type FeedFailure, simulatedSellerFeed } from "@/standins/sellerFeed";
import { remember } from "./remember";

const DAY_MS = 86_400_000;

/** Every order of the shop, from its job logs: quoted, taken, returned. Taken-back entries do not count. */
export const pastOrders = (): Promise<PastOrder[]> =>
  remember(
    "pastOrders",
    async () => {
      // Events are only ever added: as many of these as before are the same ones.
      const { rows } = await sql<{ n: number }>`
        select count(*) as n from events where type in ('match.ordered', 'match.arrived', 'match.returned', 'job.takenBack')`.execute(
        connection().db,
      );
      return String(rows[0]?.n);
    },
    readPastOrders,
  );

async function readPastOrders(): Promise<PastOrder[]> {
  const { rows } = await sql<{ id: string; job_id: string; type: string; payload: string; clock: string }>`
    select id, job_id, type, payload, clock from events
    where type in ('match.ordered', 'match.arrived', 'match.returned', 'job.takenBack')
    order by job_id, clock, device, id`.execute(connection().db);
  const back = new Set(
    rows.filter((r) => r.type === "job.takenBack").map((r) => (JSON.parse(r.payload) as { eventId: string }).eventId),
  );
  const orders: (PastOrder & { jobId: string; atMs: number; open: boolean })[] = [];
  for (const r of rows) {
    if (r.type === "job.takenBack" || back.has(r.id)) continue;
    const p = JSON.parse(r.payload) as { seller?: string; dueDays?: number; reason?: string };
    const atMs = readClock(r.clock)?.ms ?? 0;
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
  const terms = await listReference<SellerTerms>(connection().db, "seller");
  const names = [...new Set([...offers.map((o) => o.seller), ...terms.map((t) => t.data.name)])];
  return {
    offers: offers.map((o) => ({ ...o, lead: leadTime(o.days, o.seller, past) })),
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
  const rows = await listReference<Offer>(db, "offer");
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
    const next = read.offers.map((o) => ({ id: old.find((r) => sameOffer(r.data, o))?.id ?? offerId(o), data: o }));
    const gone = old
      .filter((r) => !next.some((n) => n.id === r.id))
      .map((r) => ({ id: r.id, data: { ...r.data, stock: 0, asOf } }));
    await saveOffers([...next, ...gone], asOf);
    answers.push({ seller, ok: true, words: `${read.offers.length} offers`, problems: read.problems, asOf });
  }
  return answers;
}

const slug = (s: string) => s.toLowerCase().replace(/[^a-z0-9]+/g, "-");
const offerId = (o: Offer) => `${o.panel}-${slug(o.seller)}-${o.condition}`;
const sameOffer = (a: Offer, b: Offer) => a.panel === b.panel && a.seller === b.seller && a.condition === b.condition;

async function saveOffers(list: readonly { id: string; data: Offer }[], nowIso: string): Promise<void> {
  await connection()
    .db.transaction()
    .execute(async (trx) => {
      for (const { id, data } of list) {
        const json = JSON.stringify(data);
        await trx
          .insertInto("reference")
          .values({ kind: "offer", id, hash: contentHash(data), version: 1, json, updated_at: nowIso })
          .onConflict((c) =>
            c
              .columns(["kind", "id"])
              .doUpdateSet(({ eb, ref }) => ({ json, updated_at: nowIso, version: eb(ref("reference.version"), "+", 1) })),
          )
          .execute();
      }
    });
}
