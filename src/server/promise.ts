import { leadTime } from "@/core/catalogue";
import { codeKey } from "@/core/panel";
import { chanceBy, promiseDate } from "@/core/promise";
import { connection } from "@/data/connection";
import { catalogueEntries } from "@/data/panelStore";
import type { JobCard } from "@/wire/jobCard";
import { fromShop, type OtherSeller, type Promised, promiseAsks } from "@/wire/promise";
import { readShopHours } from "./hours";
import { benchCards } from "./jobList";
import { nowMs } from "./now";
import { readReference } from "./reference";
import { pastOrders } from "./sellers";

/** When one job will be done, by the same draws the bench page makes; null where its panel is neither here nor ordered. */
export async function promiseOf(jobId: string): Promise<Promised | null> {
  const [{ open }, hours] = await Promise.all([benchCards(), readShopHours()]);
  const { zero, asks } = promiseAsks(open, hours, nowMs());
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
export async function otherSellers(cards: readonly JobCard[]): Promise<Record<string, OtherSeller>> {
  const waiting = cards.filter((c) => c.shelf === "waiting" && c.order && c.newCode);
  if (waiting.length === 0) return {};
  const [ref, entries, past] = await Promise.all([readReference(), catalogueEntries(connection().db), pastOrders()]);
  const ids = new Map(entries.map((e) => [codeKey(e.code), e.id]));
  const out: Record<string, OtherSeller> = {};
  for (const c of waiting) {
    const panel = ids.get(codeKey(c.newCode!));
    const found = ref.offers
      .filter((o) => o.panel === panel && o.seller !== c.seller && o.stock !== 0)
      .map((o) => ({ o, lead: leadTime(o.days, o.seller, past) }))
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
