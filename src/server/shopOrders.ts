import { fold, type JobEvent, type LineInJob, msOf, type ShopOrder, STOCK_LOG } from "@/core/job";
import { connection } from "@/data/connection";
import { eventsAfter, topSeq } from "@/data/eventStore";
import { linesOfJobs } from "@/data/jobListStore";
import type { JobCard } from "@/wire/jobCard";
import { remember } from "./remember";

/** The stock's own log as it is stored, and the orders of the shop as it tells them. */
export const ownLog = (): Promise<{ events: JobEvent[]; cursor: number; orders: Record<string, ShopOrder> }> =>
  remember(
    "ownLog",
    async () => String(await topSeq(connection().db, STOCK_LOG)),
    async () => {
      const rows = await eventsAfter(connection().db, STOCK_LOG, 0);
      const events = rows.map((r) => r.event);
      return { events, cursor: rows.at(-1)?.seq ?? 0, orders: fold(events, {}).shop.orders };
    },
  );

/** Lines that stand in a job, by their name. */
export async function linesInJobs(): Promise<Record<string, LineInJob>> {
  const out: Record<string, LineInJob> = {};
  // A job that is closed waits for nothing: what still comes goes onto the shelf.
  for (const f of await linesOfJobs(connection().db))
    for (const o of f.placed)
      if (o.line !== null && (f.outcome === null || o.came || o.back !== null))
        out[o.line] = {
          job: f.number,
          id: f.id,
          is: o.back === "neverCame" ? "cancelled" : o.back !== null ? "returned" : o.came ? "came" : "out",
        };
  return out;
}

/** Where a card waits for a line of an order of the shop, the seller's newest word of that order counts for it too. */
export async function newestDays(cards: readonly JobCard[]): Promise<void> {
  if (!cards.some((c) => c.order?.line)) return;
  const all = Object.values((await ownLog()).orders);
  for (const c of cards) {
    const o = c.order?.line ? all.find((x) => x.lines.some((l) => l.line === c.order!.line)) : undefined;
    if (!o?.days || !c.order) continue;
    Object.assign(c.order, {
      placedIso: new Date(msOf(o.clock)).toISOString(),
      p50Days: Math.max(0.1, o.days.p50),
      p80Days: Math.max(0.1, o.days.p50, o.days.p80),
    });
  }
}
