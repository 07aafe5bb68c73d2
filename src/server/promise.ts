import { leadTime, type Offer } from "@/core/catalogue";
import { codeKey } from "@/core/panel";
import { chanceBy, promiseDate } from "@/core/promise";
import { connection } from "@/data/connection";
import { catalogueEntries } from "@/data/panelStore";
import type { JobCard } from "@/wire/jobCard";
import { fromShop, type OtherSeller, type Promised, promiseAsks } from "@/wire/promise";
import { readShopHours } from "./hours";
import { benchCards } from "./jobList";
import { nowMs } from "./now";
import { pastOrders } from "./sellers";

/** An order placed now; what takes no days, as from the own shelf, takes an hour for the arithmetic. */
const orderedNow = (d: { p50Days: number; p80Days: number }, now: number): JobCard["order"] => ({
  placedIso: new Date(now).toISOString(),
  p50Days: Math.max(0.05, d.p50Days),
  p80Days: Math.max(0.05, d.p80Days),
});

/**
 * When one job will be done, by the same draws the bench page makes; null where its panel is neither here nor ordered.
 * @param ifOrdered days of an order that would be placed now
 */
export async function promiseOf(
  jobId: string,
  ifOrdered: { p50Days: number; p80Days: number } | null = null,
): Promise<Promised | null> {
  const [{ open }, hours] = await Promise.all([benchCards(), readShopHours()]);
  const now = nowMs();
  const cards = open.map(
    (c): JobCard =>
      c.id === jobId && ifOrdered ? { ...c, shelf: "waiting", putOff: null, order: orderedNow(ifOrdered, now) } : c,
  );
  const { zero, asks } = promiseAsks(cards, hours, now);
  const ask = asks.find((a) => a.id === jobId);
  if (!ask) return null;
  const p = promiseDate(ask.input, { seed: ask.seed });
  if (!Number.isFinite(p.p80Min)) return null;
  return {
    p50Ms: fromShop(p.p50Min, zero),
    p80Ms: fromShop(p.p80Min, zero),
    late: ask.dueMin === null ? null : 1 - chanceBy(p.doneMin, ask.dueMin),
    rescues: [],
    why: ask.why,
  };
}

/** What a parcel costs where a seller's own postage is not known (adj), minor units. */
const POSTAGE_MINOR = 490;

/** For every job whose panel is out: the quickest other seller of the same panel, and what that would cost more. */
export async function otherSellers(cards: readonly JobCard[], offers: readonly Offer[]): Promise<Record<string, OtherSeller>> {
  const waiting = cards.filter((c) => c.shelf === "waiting" && c.order && c.newCode);
  if (waiting.length === 0) return {};
  const [entries, past] = await Promise.all([catalogueEntries(connection().db), pastOrders()]);
  const ids = new Map(entries.map((e) => [codeKey(e.code), e.id]));
  const out: Record<string, OtherSeller> = {};
  const leads = new Map<string, ReturnType<typeof leadTime>>();
  const leadOf = (o: Offer) => {
    const key = `${o.days} ${o.seller}`;
    const known = leads.get(key) ?? leadTime(o.days, o.seller, past);
    leads.set(key, known);
    return known;
  };
  for (const c of waiting) {
    const panel = ids.get(codeKey(c.newCode!));
    const found = offers
      .filter((o) => o.panel === panel && o.seller !== c.seller && o.stock !== 0)
      .map((o) => ({ o, lead: leadOf(o) }))
      .sort((a, b) => a.lead.p80Days - b.lead.p80Days)[0];
    if (found)
      out[c.id] = {
        seller: found.o.seller,
        extraMinor: found.o.priceMinor - (c.order!.priceMinor ?? found.o.priceMinor) + POSTAGE_MINOR,
        p50Days: found.lead.p50Days,
        p80Days: found.lead.p80Days,
      };
  }
  return out;
}
