import type { Lead } from "./demand";
import { type JointOrder, jointOrder, type OrderLine, type OrderSeller } from "./joint";
import { type ReorderPoint, reorderPoint } from "./point";

/** Something that may be bought today. */
export interface BuyItem {
  item: string;
  /** Pieces jobs wait for that are neither here nor on their way: they must be ordered. */
  must: number;
  /** Pieces in a pack: what is bought is a whole number of packs, and a price is of one. */
  pack: number;
  offers: readonly { seller: string; priceMinor: number; lead: Lead }[];
  /** Panels kept on the shelf: what walks in, and what is free or on its way. Missing = bought for jobs only. */
  shelf?: { occasions: number; days: number; priorRate: number; sizes?: readonly number[]; position: number; running: boolean };
}
/** What the shop reckons with (adj). */
export interface BuyRules {
  carryPerYear: number;
  obsoletePerYear: number;
  /** Where no machine of that model came for a year. */
  obsoleteOldPerYear: number;
  delayMinor: number;
  lateMinorPerDay: number;
  service: number;
}
/** @source SHOP B: defaults of a bench of one to three, to be set by each shop. */
export const BUY_RULES: BuyRules = {
  carryPerYear: 0.1,
  obsoletePerYear: 0.25,
  obsoleteOldPerYear: 0.5,
  delayMinor: 700,
  lateMinorPerDay: 800,
  service: 0.9,
};

export interface BuyLine {
  item: string;
  seller: string;
  packs: number;
  /** Of all packs. */
  priceMinor: number;
  forJobs: number;
  forShelf: number;
  lead: Lead;
}
export interface Advice {
  item: string;
  /** Why it is not bought: it is right as it is, none is to be kept, it can wait, or nobody is known to sell it. */
  is: "enough" | "doNotStock" | "canWait" | "noSeller";
  /** What it costs a year as it is kept, and with none; minor units. */
  perYearMinor: number;
  noneMinor: number;
  S: number;
  position: number;
  point: ReorderPoint | null;
  must: number;
}
export interface BuyToday {
  lines: BuyLine[];
  parcels: { seller: string; goodsMinor: number; postageMinor: number; lead: Lead }[];
  totalMinor: number;
  /** What the same things come to in another number of parcels; null where there is no other way. */
  otherwise: { parcels: number; totalMinor: number } | null;
  advice: Advice[];
}

const mean = (l: Lead) => l.p50Days;

/**
 * What to buy today, from whom: everything jobs wait for, and what the shelf lacks where a parcel goes out anyway or it costs more
 * to wait. Money decides; what is not bought says why.
 * @param sellers with their postage and what is free of it
 * @throws RangeError where a figure cannot be (as `reorderPoint`)
 * @example buyToday({ items: [], sellers: [], rules: BUY_RULES }).lines.length // 0
 */
export function buyToday(ask: { items: readonly BuyItem[]; sellers: readonly OrderSeller[]; rules: BuyRules }): BuyToday {
  const { items, sellers, rules } = ask;
  const advice: Advice[] = [];
  const wanted = items.map((i) => {
    const known = i.offers.filter((o) => sellers.some((s) => s.id === o.seller));
    const cheapest = [...known].sort((a, b) => a.priceMinor - b.priceMinor)[0];
    const postage = cheapest ? (sellers.find((s) => s.id === cheapest.seller)?.postageMinor ?? 0) : 0;
    const point =
      i.shelf && cheapest
        ? reorderPoint({
            ...i.shelf,
            lead: cheapest.lead,
            priceMinor: Math.round(cheapest.priceMinor / i.pack),
            carryPerYear: rules.carryPerYear,
            obsoletePerYear: i.shelf.running ? rules.obsoletePerYear : rules.obsoleteOldPerYear,
            delayMinor: rules.delayMinor,
            orderMinor: postage,
            service: rules.service,
          })
        : null;
    const lacking = point?.economic.stockIt ? Math.max(0, point.economic.S - (i.shelf?.position ?? 0)) : 0;
    return { i, known, point, postage, lacking };
  });
  // A parcel goes out for what jobs wait for, or for a shelf that is below its point.
  const due = wanted.some((w) => (w.i.must > 0 || w.lacking > 0) && w.known.length > 0);
  const lines = wanted.flatMap((w, at) => {
    const packs = Math.ceil((w.i.must + w.lacking) / w.i.pack);
    if (packs === 0 || w.known.length === 0) return [];
    const soonest = Math.min(...w.known.map((o) => mean(o.lead)));
    const delay = w.point ? w.point.ratePerDay * soonest * rules.delayMinor : 0;
    return [
      {
        at,
        packs,
        line: {
          id: w.i.item,
          count: packs,
          offers: w.known.map((o) => ({
            seller: o.seller,
            priceMinor: o.priceMinor,
            lateMinor: w.i.must > 0 ? Math.round(Math.max(0, mean(o.lead) - soonest) * rules.lateMinorPerDay) : 0,
          })),
          // What waits costs its own postage later, what it would have saved until then, and its price all the same.
          skipMinor: w.i.must > 0 ? null : Math.round(w.postage + delay) + Math.min(...w.known.map((o) => o.priceMinor)) * packs,
        },
      },
    ];
  });
  const best = due
    ? choose(
        lines.map((l) => l.line),
        sellers,
      )
    : null;
  const out: BuyLine[] = [];
  for (const [k, l] of lines.entries()) {
    const seller = best?.pick[k] ?? null;
    const w = wanted[l.at]!;
    const offer = seller === null ? undefined : w.known.find((o) => o.seller === seller);
    if (!offer) continue;
    const pieces = l.packs * w.i.pack;
    out.push({
      item: w.i.item,
      seller: offer.seller,
      packs: l.packs,
      priceMinor: offer.priceMinor * l.packs,
      forJobs: Math.min(w.i.must, pieces),
      forShelf: Math.max(0, pieces - w.i.must),
      lead: offer.lead,
    });
  }
  for (const w of wanted) {
    if (out.some((l) => l.item === w.i.item)) continue;
    const p = w.point;
    const year = (perDay: number) => Math.round(perDay * 365);
    const none = p ? year(p.ratePerDay * rules.delayMinor) : 0;
    advice.push({
      item: w.i.item,
      is: w.known.length === 0 ? "noSeller" : w.lacking > 0 ? "canWait" : p && !p.economic.stockIt ? "doNotStock" : "enough",
      perYearMinor: p ? year(p.economic.perDayMinor) : 0,
      noneMinor: none,
      S: p?.economic.S ?? 0,
      position: w.i.shelf?.position ?? 0,
      point: p,
      must: w.i.must,
    });
  }
  const used = [...new Set(out.map((l) => l.seller))];
  const parcels = used.map((seller) => {
    const s = sellers.find((x) => x.id === seller)!;
    const mine = out.filter((l) => l.seller === seller);
    const goodsMinor = mine.reduce((n, l) => n + l.priceMinor, 0);
    return {
      seller,
      goodsMinor,
      postageMinor: s.freeFromMinor !== null && goodsMinor >= s.freeFromMinor ? 0 : s.postageMinor,
      lead: mine.map((l) => l.lead).reduce((a, b) => (a.p50Days >= b.p50Days ? a : b)),
    };
  });
  return {
    lines: out,
    parcels,
    totalMinor: parcels.reduce((n, p) => n + p.goodsMinor + p.postageMinor, 0),
    // The same things bought in another number of parcels.
    otherwise: otherWay(
      lines.filter((_, k) => best?.pick[k]).map((l) => ({ ...l.line, skipMinor: null })),
      sellers,
      used.length,
    ),
    advice,
  };
}

/** Beyond so many lines or sellers every set of sellers is tried, each line with its cheapest there. */
const [MOST_LINES, MOST_SELLERS, MOST_SETS] = [12, 4, 10];

/** The cheapest order: exact for a day's lines; for a long list exact but for what is free of postage by more goods than are cheapest. */
function choose(lines: readonly OrderLine[], sellers: readonly OrderSeller[]): JointOrder {
  if (lines.length <= MOST_LINES && sellers.length <= MOST_SELLERS) return jointOrder({ lines, sellers });
  const offersOf = (id: string) => lines.filter((l) => l.offers.some((o) => o.seller === id)).length;
  const few = [...sellers].sort((a, b) => offersOf(b.id) - offersOf(a.id)).slice(0, MOST_SETS);
  let best: JointOrder = { total: Number.POSITIVE_INFINITY, pick: lines.map(() => null), goods: few.map(() => 0) };
  for (let set = 0; set < 1 << few.length; set++) {
    const goods = few.map(() => 0);
    let total = 0;
    const pick = lines.map((l): string | null => {
      let least: { seller: string | null; cost: number; goods: number; k: number } | null =
        l.skipMinor === null ? null : { seller: null, cost: l.skipMinor, goods: 0, k: -1 };
      for (const o of l.offers) {
        const k = few.findIndex((s) => s.id === o.seller);
        if (k < 0 || !(set & (1 << k))) continue;
        const sum = o.priceMinor * l.count;
        if (!least || sum + (o.lateMinor ?? 0) < least.cost)
          least = { seller: o.seller, cost: sum + (o.lateMinor ?? 0), goods: sum, k };
      }
      total += least?.cost ?? Number.POSITIVE_INFINITY;
      if (least && least.k >= 0) goods[least.k]! += least.goods;
      return least?.seller ?? null;
    });
    for (const [k, s] of few.entries())
      if (goods[k]! > 0 && (s.freeFromMinor === null || goods[k]! < s.freeFromMinor)) total += s.postageMinor;
    if (total < best.total) best = { total, pick, goods };
  }
  return best;
}

/** What the same things come to otherwise: each where it is cheapest, or all at one seller; null where there is no other way. */
function otherWay(must: readonly OrderLine[], sellers: readonly OrderSeller[], used: number): BuyToday["otherwise"] {
  if (must.length === 0) return null;
  if (used > 1) {
    const totals = sellers.map((s) => choose(must, [s]).total).filter(Number.isFinite);
    return totals.length ? { parcels: 1, totalMinor: Math.round(Math.min(...totals)) } : null;
  }
  const goods = new Map<string, number>();
  for (const l of must) {
    const cheapest = [...l.offers].sort((a, b) => a.priceMinor - b.priceMinor)[0]!;
    goods.set(cheapest.seller, (goods.get(cheapest.seller) ?? 0) + cheapest.priceMinor * l.count);
  }
  if (goods.size === used) return null;
  const postage = (s: OrderSeller) =>
    s.freeFromMinor !== null && (goods.get(s.id) ?? 0) >= s.freeFromMinor ? 0 : s.postageMinor;
  const total = sellers.filter((s) => goods.has(s.id)).reduce((n, s) => n + goods.get(s.id)! + postage(s), 0);
  return { parcels: goods.size, totalMinor: Math.round(total) };
}
