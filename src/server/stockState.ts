import { FOLD_VERSION, type JobEvent, type LineInJob, type ShopOrder, STOCK_LOG, stockFromLog, withJobLines } from "@/core/job";
import { foldStock, type StockEvent, type StockState } from "@/core/stock";
import { connection } from "@/data/connection";
import { topSeq } from "@/data/eventStore";
import { cardsSum, stockOfJobs } from "@/data/jobListStore";
import { allTold } from "./jobList";
import { linesInJobs, ownLog } from "./shopOrders";

export interface StockRead {
  own: { events: JobEvent[]; cursor: number };
  state: StockState;
  /** Orders of the shop, with what jobs say of their lines. */
  orders: Record<string, ShopOrder>;
  lines: Record<string, LineInJob>;
}

/** Who told what of each item, and what came of it; an item is told anew only when something of it changed. */
interface Kept {
  stamp: string;
  /** All cards were told by today's rules, and the newest end of the log any was made of. */
  current: boolean;
  newest: number;
  /** What each log says, as it was read: the same text says the same. */
  texts: Map<string, string>;
  /** Events by item, by the log they come from. */
  items: Map<string, Map<string, StockEvent[]>>;
  folded: Map<string, StockState>;
  read: StockRead;
}
const kept = new WeakMap<object, Kept>();

/** Events by their item. One that names only a lot belongs to what that lot is of. */
function byItem(events: readonly StockEvent[]): Map<string, StockEvent[]> {
  const lots = new Map<string, string>();
  for (const e of events) if (e.type === "stock.received" || e.type === "stock.salvaged") lots.set(e.lot, e.item);
  const out = new Map<string, StockEvent[]>();
  for (const e of events) {
    if (e.type === "stock.takenBack") continue;
    const item = "item" in e && e.item !== undefined ? e.item : "lot" in e && e.lot !== undefined ? lots.get(e.lot) : undefined;
    const key = item ?? "";
    const list = out.get(key);
    if (list) list.push(e);
    else out.set(key, [e]);
  }
  return out;
}

/** Puts what a log says in the place of what it said before; the items it touched, then and now. */
function replace(k: Pick<Kept, "items">, from: string, events: readonly StockEvent[], touched: Set<string>): void {
  for (const [item, by] of k.items) if (by.delete(from)) touched.add(item);
  for (const [item, list] of byItem(events)) {
    const by = k.items.get(item) ?? new Map<string, StockEvent[]>();
    by.set(from, list);
    k.items.set(item, by);
    touched.add(item);
  }
}

function merged(folded: ReadonlyMap<string, StockState>): StockState {
  const state: StockState = { items: {}, lots: {}, reserved: [], breaches: [], beyond: {} };
  for (const item of [...folded.keys()].sort()) {
    const s = folded.get(item)!;
    Object.assign(state.items, s.items);
    Object.assign(state.lots, s.lots);
    Object.assign(state.beyond, s.beyond);
    state.reserved.push(...s.reserved);
    state.breaches.push(...s.breaches);
  }
  // By the time of their events, which their ids begin with.
  state.breaches.sort((a, b) => (a.eventId < b.eventId ? -1 : a.eventId > b.eventId ? 1 : 0));
  return state;
}

/**
 * The stock as all logs tell it: the shop's own, and what every job took and gave. Told item by item, as nothing of one item changes
 * another; after an act only what it touched is told anew. Waits until every job has told: what one of them took would be missing.
 */
export async function readStock(): Promise<StockRead> {
  const { db } = connection();
  await allTold();
  const cards = await cardsSum(db);
  const stamp = `${JSON.stringify(cards)} ${await topSeq(db, STOCK_LOG)}`;
  const before = kept.get(db);
  if (before?.stamp === stamp) return before.read;
  const k: Kept = before ?? {
    stamp: "",
    current: false,
    newest: 0,
    texts: new Map(),
    items: new Map(),
    folded: new Map(),
    read: { own: { events: [], cursor: 0 }, state: foldStock([]), orders: {}, lines: {} },
  };
  const touched = new Set<string>();
  // All told by today's rules, then as now: only jobs that grew since say anything new.
  const current = cards.rules === cards.n * FOLD_VERSION;
  const after = k.current && current ? { rules: FOLD_VERSION, seq: k.newest } : null;
  for (const { job, stock } of await stockOfJobs(db, after)) {
    if (k.texts.get(job) === stock) continue;
    k.texts.set(job, stock);
    replace(k, job, JSON.parse(stock) as StockEvent[], touched);
  }
  const own = await ownLog();
  if (!before || own.cursor !== k.read.own.cursor) {
    replace(k, STOCK_LOG, stockFromLog(own.events), touched);
    k.read = { ...k.read, own: { events: own.events, cursor: own.cursor } };
  }
  const lines = await linesInJobs();
  k.read = { ...k.read, lines, orders: withJobLines(own.orders, lines) };
  for (const item of touched) {
    const events = [...(k.items.get(item)?.values() ?? [])].flat();
    if (events.length) k.folded.set(item, foldStock(events));
    else k.folded.delete(item);
  }
  if (touched.size || !before) k.read = { ...k.read, state: merged(k.folded) };
  Object.assign(k, { stamp, current, newest: cards.newest });
  kept.set(db, k);
  return k.read;
}
