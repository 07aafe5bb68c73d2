import type { Build } from "../build";
import type { Offer } from "../catalogue";
import { compareFit, type FitRow, overallVerdict, type Panel } from "../panel";
import { formatMoney, listed } from "../quantity";
import type { Part } from "./options";

/** What one unit of another currency is worth in the shop's own, typed by the shop, with its date. */
export interface Rate {
  currency: string;
  rate: number;
  date: string;
}
export interface PartsMore {
  /** How often each panel was seen in this machine model, by id; once each when missing. */
  counts?: Readonly<Record<string, number>> | undefined;
  /** The shop's currency; offers in others are converted by `rates` or left out. Missing: all are taken as they are. */
  currency?: string | undefined;
  rates?: readonly Rate[] | undefined;
  /** What an hour at the bench costs, minor units: minutes that a change takes count in the choice. */
  rateMinorPerHour?: number | undefined;
}

interface Priced {
  offer: Offer;
  panel: Panel;
  priceMinor: number;
  name: string;
  rows: readonly FitRow[];
}

/** An offer's price in the shop's currency, or why it has none. */
function inOwn(o: Offer, more: PartsMore): { minor: number; said: string } | { why: string } {
  if (!more.currency || o.currency === more.currency) return { minor: o.priceMinor, said: "" };
  const r = more.rates?.find((x) => x.currency === o.currency);
  return r
    ? { minor: Math.round(o.priceMinor * r.rate), said: `, at ${r.rate} of ${r.date}` }
    : { why: `${formatMoney(o.priceMinor, o.currency)} from ${o.seller}: no rate for ${o.currency} is set` };
}

const changesOf = (rows: readonly FitRow[]) => rows.flatMap((r) => (r.verdict === "change" && r.change ? [r.change] : []));
const questionsOf = (rows: readonly FitRow[]) =>
  rows.filter((r) => r.verdict === "ask").map((r) => `${r.name.split(",")[0]}: ${r.words}`);

/**
 * The best new and the best used panel on offer that could go in: against the old panel when it is known, else every variant seen
 * in this machine model, weighed by how often. Only what is in stock and has a price in the shop's currency; never one that is a
 * *stop* or must not be connected yet; what asks nothing comes before what must be asked about; what a change takes is counted.
 * @param old the panel in the machine, or null @param seen ids of panels seen in this machine model
 * @returns `left`: what was left out and why, in words
 * @example panelParts(null, [], [], [], build).panelNew // null
 */
export function panelParts(
  old: Panel | null,
  seen: readonly string[],
  panels: readonly Panel[],
  offers: readonly Offer[],
  build: Build | null,
  more: PartsMore = {},
): { panelNew: Part | null; panelUsed: Part | null; basis: string; left: string[] } {
  const left: string[] = [];
  const byId = new Map(panels.map((p) => [p.id, p]));
  const rowsOf = new Map<string, FitRow[]>();
  const fits = (p: Panel): readonly FitRow[] | null => {
    if (!old) return seen.includes(p.id) ? [] : null;
    const rows = rowsOf.get(p.id) ?? compareFit(old, p, build);
    rowsOf.set(p.id, rows);
    const { kind } = overallVerdict(rows);
    return kind === "stop" || kind === "doNotConnect" ? null : rows;
  };
  const priced: Priced[] = offers.flatMap((offer) => {
    const panel = byId.get(offer.panel);
    const rows = panel ? fits(panel) : null;
    if (!panel || !rows || offer.stock === 0) return [];
    const own = inOwn(offer, more);
    if ("why" in own) {
      left.push(`${panel.code}: ${own.why}`);
      return [];
    }
    const name = `${panel.code}, ${offer.condition}, ${offer.seller}, ${formatMoney(own.minor, more.currency ?? offer.currency)} before tax${own.said}`;
    return [{ offer, panel, priceMinor: own.minor, name, rows }];
  });
  const whole = (p: Priced) =>
    p.priceMinor + changesOf(p.rows).reduce((s, c) => s + c.costMinor + (c.minutes / 60) * (more.rateMinorPerHour ?? 0), 0);
  const better = (a: Priced, b: Priced) =>
    Math.min(1, questionsOf(a.rows).length) - Math.min(1, questionsOf(b.rows).length) ||
    whole(a) - whole(b) ||
    a.offer.days - b.offer.days;
  const best = (isNew: boolean): Part | null => {
    const list = priced.filter((p) => (p.offer.condition === "new") === isNew).sort(better);
    if (!old) return variantPart(list, isNew);
    const top = list[0];
    if (!top) return null;
    const changes = changesOf(top.rows);
    const questions = questionsOf(top.rows);
    return {
      name: top.name,
      priceMinor: top.priceMinor,
      days: top.offer.days,
      ...(changes.length
        ? {
            changeMinor: changes.reduce((s, c) => s + c.costMinor, 0),
            changeMinutes: changes.reduce((s, c) => s + c.minutes, 0),
          }
        : {}),
      ...(questions.length ? { questions } : {}),
    };
  };
  /** Not read yet: the cheapest offer of each variant seen, weighed by how often it was. */
  const variantPart = (list: readonly Priced[], isNew: boolean): Part | null => {
    const of = seen.flatMap((id) => {
      const p = list.find((x) => x.panel.id === id);
      if (p) return [{ p, count: more.counts?.[id] ?? 1 }];
      const code = byId.get(id)?.code;
      if (code && isNew) left.push(`${code} was seen in this model, and no new one has a price`);
      return [];
    });
    const total = of.reduce((s, x) => s + x.count, 0);
    if (total === 0) return null;
    if (of.length === 1) return { name: of[0]!.p.name, priceMinor: of[0]!.p.priceMinor, days: of[0]!.p.offer.days };
    const variants = of.map((x) => ({ code: x.p.panel.code, priceMinor: x.p.priceMinor, share: x.count / total }));
    return {
      name: `${listed(variants.map((v) => v.code))}, whichever is in it`,
      priceMinor: Math.round(variants.reduce((s, v) => s + v.share * v.priceMinor, 0)),
      days: Math.max(...of.map((x) => x.p.offer.days)),
      variants,
    };
  };
  return {
    panelNew: best(true),
    panelUsed: best(false),
    basis: old ? `Parts that fit ${old.code}` : "Parts by machine model: the panel was not read yet",
    left: [...new Set(left)],
  };
}
