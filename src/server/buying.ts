import { differenceInCalendarDays } from "date-fns";
import { leadTime, type PastOrder } from "@/core/catalogue";
import { type JobEvent, msOf, placeOf } from "@/core/job";
import { codeKey } from "@/core/panel";
import { BUY_RULES, type BuyItem, type BuyToday, buyToday, classRate } from "@/core/reorder";
import { itemName, type ShelfItem } from "@/core/stock";
import { connection } from "@/data/connection";
import { catalogueEntries, panelsById } from "@/data/panelStore";
import { listReference } from "@/data/referenceStore";
import { allFacts } from "./facts";
import { allJobs } from "./find";
import { readShopHours } from "./hours";
import { POSTAGE_MINOR } from "./postage";
import { readReference } from "./reference";
import { pastOrders } from "./sellers";
import type { StockRead } from "./stockState";

const DAY_MS = 86_400_000;
/** An occasion of as many is a fleet's, announced: it teaches nothing of who walks in (adj). */
const FLEET = 5;
/** Days a seller of tape and screws takes where nobody said (adj). */
const QUOTED_DAYS = 2;

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
  const classes = await classesOf([...by.keys()]);
  return {
    days,
    of,
    // What panels of its family and diagonal are asked for in this shop.
    rate: (code: string) => {
      const mine = classes.get(codeKey(code));
      const codes = mine === undefined ? [] : [...by.keys()].filter((c) => classes.get(c) === mine);
      return classRate({ occasions: codes.reduce((n, c) => n + of(c).length, 0), codes: codes.length, days });
    },
    lastMs: (code: string) => last.get(codeKey(code)) ?? null,
  };
}

/** Family of the machines it was fitted in, and diagonal: what a panel is counted with. One of which either is not known is in no class. */
async function classesOf(keys: readonly string[]): Promise<Map<string, string>> {
  const { db } = connection();
  const [facts, entries] = await Promise.all([allFacts(), catalogueEntries(db)]);
  const families = new Map(facts.flatMap((j) => (j.code && j.family ? [[codeKey(j.code), j.family] as const] : [])));
  const ids = new Map(entries.map((e) => [codeKey(e.code), e.id]));
  const panels = await panelsById(
    db,
    keys.flatMap((k) => ids.get(k) ?? []),
  );
  const diagonals = new Map(panels.map((p) => [p.id, p.data.diagonalIn.value]));
  return new Map(
    keys.flatMap((k) => {
      const diagonal = diagonals.get(ids.get(k) ?? "");
      const family = families.get(k);
      return diagonal == null || family === undefined ? [] : [[k, `${family} ${diagonal}`] as const];
    }),
  );
}

/** What to buy today: what jobs wait for and may be ordered, and what the shelf lacks. */
export async function adviseBuying(
  read: StockRead,
  shelves: readonly ShelfItem[],
  coming: readonly { item: string; count: number }[],
  nowMs: number,
): Promise<BuyToday> {
  const { db } = connection();
  const [ref, past, walk, entries, terms, hours] = await Promise.all([
    readReference(),
    pastOrders(),
    walkIns(read.own.events, nowMs),
    catalogueEntries(db),
    listReference(db, "seller"),
    readShopHours(),
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
        priorRate: walk.rate(e.code),
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
  const { delayMinor, lateMinorPerDay, carryPerYear, obsoletePerYear, obsoleteOldPerYear } = hours.costs;
  const rules = { ...BUY_RULES, delayMinor, lateMinorPerDay, carryPerYear, obsoletePerYear, obsoleteOldPerYear };
  return buyToday({ items, sellers, rules });
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
