import type { StockEvent } from "./events";

export interface StockItem {
  onHand: number;
  reserved: number;
  free: number;
  received: number;
  salvaged: number;
  used: number;
  scrapped: number;
  /** What counting put right, + and −. */
  corrected: number;
}
export interface StockLot {
  lot: string;
  item: string;
  left: number;
  place: string;
  expires: string | null;
  state: string;
  /** How far a panel was tried; null where nobody said. */
  test: string | null;
  /** What one piece, or one metre of tape, cost; null where nobody said. */
  priceMinor: number | null;
  /** Clocks of when it came in and when it was counted last. */
  since: string;
  counted: string | null;
  /** Clock of the first that was used of it; null while it is whole. */
  opened: string | null;
}
export interface StockReservation {
  job: string;
  item: string;
  left: number;
}
export interface StockState {
  items: Record<string, StockItem>;
  lots: Record<string, StockLot>;
  reserved: StockReservation[];
  /** What happened beyond the books: which event, and by how much. */
  breaches: { eventId: string; why: string }[];
  /** How many of them each item has. */
  beyond: Record<string, number>;
}

const before = (a: string | undefined, b: string | undefined): number =>
  (a ?? "") < (b ?? "") ? -1 : (a ?? "") > (b ?? "") ? 1 : 0;

/** Order of a log whatever order it arrived in. @example inOrder([]).length // 0 */
export const inOrder = (events: readonly StockEvent[]): StockEvent[] =>
  [...new Map(events.map((e) => [e.id, e])).values()].sort(
    (a, b) => before(a.clock, b.clock) || before(a.device, b.device) || before(a.id, b.id),
  );

/** Everything of one item, kept together so that a long log stays quick. */
class Shelf {
  readonly lots: StockLot[] = [];
  readonly held: StockReservation[] = [];
  onHand = 0;
  reserved = 0;
  readonly flow = { received: 0, salvaged: 0, used: 0, scrapped: 0, corrected: 0 };

  /** Takes from lots: the one named, else earliest expiry, then lowest lot. Returns what could not be taken. */
  take(count: number, lot: string | undefined, openedAt: string | null): number {
    let n = count;
    const from = (l: StockLot) => {
      const k = Math.min(l.left, n);
      if (k > 0) l.opened ??= openedAt;
      l.left -= k;
      this.onHand -= k;
      n -= k;
    };
    const named = lot === undefined ? undefined : this.lots.find((l) => l.lot === lot);
    if (named) from(named);
    if (n <= 0) return 0;
    const rest = this.lots
      .filter((l) => l.left > 0 && l !== named)
      .sort((a, b) => before(a.expires ?? "~", b.expires ?? "~") || before(a.lot, b.lot));
    for (const l of rest) {
      if (n <= 0) break;
      from(l);
    }
    return n;
  }
  /** Less is held for a job. */
  letGo(r: StockReservation, count: number): void {
    const k = Math.min(r.left, count);
    r.left -= k;
    this.reserved -= k;
  }
}

/**
 * What lies where, told from the log alone. Nothing is ever stored as a count; the same events in any order, repeated or not, give
 * the same state. What was used beyond the books is a breach, never a negative count; reservations without stock behind them give
 * way newest first.
 * @param events of `stock.*`, count in pieces or mm of tape
 * @example foldStock([]).breaches // []
 */
export function foldStock(events: readonly StockEvent[]): StockState {
  const log = inOrder(events);
  const gone = new Set(log.flatMap((e) => (e.type === "stock.takenBack" ? [e.eventId] : [])));
  const shelves = new Map<string, Shelf>();
  const lots = new Map<string, StockLot>();
  const breaches: StockState["breaches"] = [];
  const beyond: StockState["beyond"] = {};
  const shelf = (item: string): Shelf => {
    let s = shelves.get(item);
    if (!s) {
      s = new Shelf();
      shelves.set(item, s);
    }
    return s;
  };
  const reservation = (s: Shelf, job: string) => s.held.find((r) => r.job === job);
  for (const e of log) {
    if (gone.has(e.id) || e.type === "stock.takenBack") continue;
    let item: string | undefined;
    const breach = (why: string) => {
      breaches.push({ eventId: e.id, why });
      if (item !== undefined) beyond[item] = (beyond[item] ?? 0) + 1;
    };
    switch (e.type) {
      case "stock.received":
      case "stock.salvaged": {
        if (lots.has(e.lot)) {
          breach(`lot ${e.lot} was received before`);
          continue;
        }
        item = e.item;
        const s = shelf(item);
        const lot = {
          lot: e.lot,
          item,
          left: e.count,
          place: e.place ?? "",
          expires: e.expires ?? null,
          state: e.state ?? "new",
          test: e.test ?? null,
          priceMinor: (e.type === "stock.received" ? e.priceMinor : undefined) ?? null,
          since: e.clock,
          counted: null,
          opened: null,
        };
        lots.set(e.lot, lot);
        s.lots.push(lot);
        s.onHand += e.count;
        s.flow[e.type === "stock.received" ? "received" : "salvaged"] += e.count;
        break;
      }
      case "stock.reserved": {
        item = e.item;
        const s = shelf(item);
        const k = Math.max(0, Math.min(e.count, s.onHand - s.reserved));
        if (k < e.count) breach(`${e.count - k} of ${item} short for ${e.job}`);
        let r = reservation(s, e.job);
        if (!r) {
          r = { job: e.job, item, left: 0 };
          s.held.push(r);
        }
        r.left += k;
        s.reserved += k;
        break;
      }
      case "stock.released": {
        item = e.item;
        const s = shelf(item);
        const r = reservation(s, e.job);
        if (r) s.letGo(r, e.count ?? r.left);
        break;
      }
      case "stock.used":
      case "stock.scrapped": {
        item = e.item;
        const s = shelf(item);
        const short = s.take(e.count, e.lot, e.type === "stock.used" ? e.clock : null);
        s.flow[e.type === "stock.used" ? "used" : "scrapped"] += e.count - short;
        if (short > 0) breach(`${short} of ${item} ${e.type === "stock.used" ? "used" : "scrapped"} that stock did not hold`);
        const r = e.type === "stock.used" && e.job !== undefined ? reservation(s, e.job) : undefined;
        if (r) s.letGo(r, e.count);
        break;
      }
      case "stock.counted": {
        const lot = lots.get(e.lot);
        if (!lot) {
          breach(`lot ${e.lot} is not known`);
          continue;
        }
        item = lot.item;
        const s = shelf(item);
        s.flow.corrected += e.count - lot.left;
        s.onHand += e.count - lot.left;
        lot.left = e.count;
        lot.counted = e.clock;
        break;
      }
      case "stock.moved": {
        const lot = lots.get(e.lot);
        if (lot) lot.place = e.place;
        else breach(`lot ${e.lot} is not known`);
        continue;
      }
    }
    // What was taken without standing in stock may eat into what others hold: the newest reservations give way, and say so.
    const s = shelf(item);
    for (let k = s.held.length - 1; k >= 0 && s.reserved > s.onHand; k--) {
      const r = s.held[k]!;
      const n = Math.min(r.left, s.reserved - s.onHand);
      if (n <= 0) continue;
      s.letGo(r, n);
      breach(`${r.job} lost ${n} of ${item}`);
    }
  }
  const names = [...shelves.keys()].sort();
  return {
    items: Object.fromEntries(
      names.map((i) => {
        const s = shelves.get(i)!;
        return [i, { onHand: s.onHand, reserved: s.reserved, free: s.onHand - s.reserved, ...s.flow }];
      }),
    ),
    lots: Object.fromEntries([...lots.keys()].sort().map((l) => [l, lots.get(l)!])),
    reserved: names.flatMap((i) => shelves.get(i)!.held.filter((r) => r.left > 0)),
    breaches,
    beyond,
  };
}
