import Papa from "papaparse";
import type { Offer } from "./machine";

/** What a column of somebody's price list may hold. */
export const OFFER_COLUMNS = ["code", "price", "currency", "seller", "condition", "days", "stock", "other"] as const;
export type OfferColumn = (typeof OFFER_COLUMNS)[number];

export interface TypedOffer {
  /** Line in the text, from 1. */
  line: number;
  code: string;
  seller: string;
  condition: Offer["condition"];
  priceMinor: number;
  currency: string;
  days: number;
  stock?: number;
}
export interface OffersRead {
  columns: OfferColumn[];
  /** What stood above the columns, or null where the text has no such line. */
  headings: string[] | null;
  offers: TypedOffer[];
  problems: { line: number; message: string }[];
}

const HEADINGS: readonly (readonly [OfferColumn, RegExp])[] = [
  ["code", /^(code|part( ?(no|number))?\.?|panel|model|item|p\/n|sku|article)$/i],
  ["price", /^(price|unit price|cost|net|amount|each)\b/i],
  ["currency", /^(currency|cur)$/i],
  ["seller", /^(seller|supplier|vendor|shop|from)$/i],
  ["condition", /^(condition|state|grade|quality)$/i],
  ["days", /^(days|lead( time)?|delivery|ships? in|delivery days)\b/i],
  ["stock", /^(stock|qty|quantity|available|pieces|pcs)\b/i],
];
/** As the languages of the world name them (ISO 4217). */
const CURRENCIES = new Set(Intl.supportedValuesOf("currency"));
const SIGNS: Readonly<Record<string, string>> = { "€": "EUR", "£": "GBP", $: "USD" };
const CONDITIONS: readonly (readonly [Offer["condition"], RegExp])[] = [
  ["refurbished", /refurb|reconditioned/i],
  ["pulled", /\bpull(ed|s)?\b|take-?out|removed from/i],
  ["used", /\bused\b|second.?hand|grade [abc]\b/i],
  ["new", /\bnew\b|\boem\b|original/i],
];

/**
 * An amount as people write it, with comma or point, with or without separators of thousands.
 * @returns minor units, or null when it is not an amount
 * @example readAmount("1.284,50") // 128450
 */
export function readAmount(text: string): number | null {
  const t = text.replace(/[\s\u00a0'’]/g, "").replace(/[^\d.,-]/g, "");
  if (!/^\d[\d.,]*$/.test(t)) return null;
  const last = Math.max(t.lastIndexOf("."), t.lastIndexOf(","));
  const tail = last < 0 ? "" : t.slice(last + 1);
  const sign = last < 0 ? "" : t[last]!;
  const several = sign !== "" && t.split(sign).length > 2;
  // Three digits behind a single sign are thousands, as on a price list without cents; one or two are cents.
  const decimal = last >= 0 && !several && tail.length >= 1 && tail.length <= 2;
  const whole = (decimal ? t.slice(0, last) : t).replace(/[.,]/g, "");
  if (!decimal && last >= 0 && !/^\d{1,3}([.,]\d{3})+$/.test(t)) return null;
  const n = Number(whole) * 100 + (decimal ? Number(tail.padEnd(2, "0")) : 0);
  return Number.isSafeInteger(n) && whole !== "" ? n : null;
}

/** Letters and digits both, as part codes have them. */
const codeLike = (t: string): boolean =>
  /^[A-Z0-9][A-Z0-9 ./_-]{4,38}[A-Z0-9]$/i.test(t) && /\d/.test(t) && /[a-z]/i.test(t) && !/\s\S+\s/.test(t);
const moneyLike = (t: string): boolean => readAmount(t) !== null && (/[€£$]|\b[A-Z]{3}\b/.test(t) || /[.,]\d{2}\b/.test(t));

function guess(cells: readonly string[][], at: number): OfferColumn {
  const all = cells.map((r) => (r[at] ?? "").trim()).filter(Boolean);
  if (all.length === 0) return "other";
  const share = (f: (t: string) => boolean) => all.filter(f).length / all.length;
  if (share(moneyLike) > 0.6) return "price";
  if (share((t) => /^[A-Z]{3}$/.test(t)) > 0.9) return "currency";
  if (share((t) => CONDITIONS.some(([, r]) => r.test(t))) > 0.6) return "condition";
  if (share((t) => /\bdays?\b/i.test(t) && /\d/.test(t)) > 0.6) return "days";
  if (share((t) => /\b(pcs|pieces|in stock)\b/i.test(t)) > 0.6) return "stock";
  if (share(codeLike) > 0.6) return "code";
  return "other";
}

/** The columns of a table by its headings, and where it has none by what stands in them. */
function columnsOf(rows: readonly string[][]): { columns: OfferColumn[]; headings: string[] | null } {
  const width = Math.max(...rows.map((r) => r.length));
  const top = rows[0]!;
  const named = top.map((t) => HEADINGS.find(([, r]) => r.test(t.trim()))?.[0] ?? null);
  const headed = named.filter(Boolean).length >= Math.min(2, width) && !top.some((t) => moneyLike(t));
  const body = headed ? rows.slice(1) : rows;
  const columns: OfferColumn[] = [];
  for (let i = 0; i < width; i++) {
    const c = (headed ? named[i] : null) ?? guess(body, i);
    columns.push(c !== "other" && columns.includes(c) ? "other" : c);
  }
  return { columns, headings: headed ? top : null };
}

/** One line of running text: the code and the amount in it, whatever stands around them. */
function fromWords(line: string): string[] | null {
  const price =
    /[€£$]\s?\d[\d.,]*\d|(?<![\w.,])\d[\d.,]*\s?[€£$]/.exec(line) ??
    [...line.matchAll(/(?<![\w.,])\d[\d.,]*\s?([A-Z]{3})\b/g)].find((m) => CURRENCIES.has(m[1]!)) ??
    /(?<![\w.,])\d+[.,]\d{2}(?![\w.,]*\d)/.exec(line);
  const code = line.split(/[\s,;|]+/).find((t) => codeLike(t) && !moneyLike(t));
  if (!price || !code) return null;
  const days = /(\d{1,3})(?:\s*(?:-|to)\s*(\d{1,3}))?\s*(?:working |business )?days?\b/i.exec(line);
  const stock = /(\d+)\s*(?:pcs|pieces|in stock)/i.exec(line);
  return [code, price[0], days ? (days[2] ?? days[1])! : "", line, stock ? stock[1]! : ""];
}

/**
 * Offers from a page of text: CSV or a pasted table with columns named or not, or lines of running text. What cannot be read is named by
 * line; nothing is made up but what the defaults say.
 * @param defaults what a line does not say: seller, currency, days, condition
 * @param as the columns, where a person has put the guess right
 * @example readOffersText("GV140FHB-K36;84,20", { seller: "Norrow Parts", currency: "EUR", days: 5, condition: "new" }).offers[0].priceMinor // 8420
 */
export function readOffersText(
  text: string,
  defaults: Pick<TypedOffer, "seller" | "currency" | "days" | "condition">,
  as: readonly OfferColumn[] | null = null,
): OffersRead {
  const lines = text.split(/\r?\n/);
  const used = lines.flatMap((l, i) => (l.trim() ? [{ l, line: i + 1 }] : [])).slice(0, 2000);
  const none: OffersRead = { columns: [], headings: null, offers: [], problems: [] };
  if (used.length === 0) return none;
  const cut = (sign: string) => used.map(({ l }) => Papa.parse<string[]>(l, { delimiter: sign }).data[0] ?? [l]);
  // A comma may stand in the amounts: it parts columns only where nothing else does.
  const sign = ["\t", ";", "|", ","].find((s) => used.filter(({ l }) => l.includes(s)).length >= used.length * 0.8) ?? null;
  let rows = sign ? cut(sign) : null;
  let { columns, headings } = rows ? columnsOf(rows) : { columns: [] as OfferColumn[], headings: null };
  if (as && rows) columns = [...as];
  if (!rows || (!as && (!columns.includes("code") || !columns.includes("price")))) {
    rows = used.map(({ l }) => fromWords(l) ?? []);
    columns = ["code", "price", "days", "condition", "stock"];
    headings = null;
  }
  const out: OffersRead = { columns, headings, offers: [], problems: [] };
  for (const [i, cells] of rows.entries()) {
    if (headings && i === 0) continue;
    const { line } = used[i]!;
    const of = (c: OfferColumn) => (cells[columns.indexOf(c)] ?? "").trim();
    const wrong = (message: string) => out.problems.push({ line, message });
    const code = of("code");
    const price = of("price");
    if (!code || !price) {
      wrong(cells.length === 0 ? "no code with a price beside it" : code ? `${code}: no price` : "no code");
      continue;
    }
    if (code.length > 40 || !/[a-z0-9]/i.test(code)) {
      wrong(`"${code.slice(0, 50)}" is not a part code: 2 to 40 characters`);
      continue;
    }
    const amount = readAmount(price);
    if (amount === null || amount > 100_000_000) {
      wrong(`${code}: "${price.slice(0, 30)}" is not an amount`);
      continue;
    }
    const said = of("condition");
    const days = /\d{1,3}(?=\D*$)/.exec(of("days"))?.[0];
    const stock = /\d{1,6}/.exec(of("stock"))?.[0];
    out.offers.push({
      line,
      code,
      priceMinor: amount,
      currency: /\b([A-Z]{3})\b/.exec(of("currency") || price)?.[1] ?? SIGNS[/[€£$]/.exec(price)?.[0] ?? ""] ?? defaults.currency,
      seller: of("seller").slice(0, 60) || defaults.seller,
      condition: CONDITIONS.find(([, r]) => r.test(said))?.[0] ?? defaults.condition,
      days: days ? Math.min(365, Number(days)) : defaults.days,
      ...(stock ? { stock: Math.min(100_000, Number(stock)) } : {}),
    });
  }
  return out;
}
