import type { Act, ShopOrder } from "@/core/job";
import { readItem } from "@/core/stock";
import type { StockPageData } from "@/wire/stock";

export type OrderLine = ShopOrder["lines"][number];
export type PageNeed = StockPageData["needs"][number];

/** Whether a line of an order stands, or belongs, in the log of a job: a panel that was ordered for one. */
export const isJobsPanel = (l: Pick<OrderLine, "item" | "job">): boolean => l.job !== null && readItem(l.item)?.kind === "panel";

/** Puts a line of an order into the job it is for: from then on the job waits for it. @returns null, or why not */
export async function bindLine(
  page: Pick<StockPageData, "needs" | "guarantees">,
  o: Pick<ShopOrder, "seller" | "currency" | "dueDays" | "days">,
  line: Pick<OrderLine, "line" | "item" | "priceMinor" | "job">,
): Promise<string | null> {
  const need = page.needs.find((n) => n.job === line.job && n.item === line.item);
  if (!need?.panelHash) return `${line.job} waits for no ${readItem(line.item)?.what ?? "panel"} any more.`;
  if (need.shut) return need.shut;
  const { actOn } = await import("@/client/actOn");
  const act: Act = {
    type: "match.ordered",
    payload: {
      panelHash: need.panelHash,
      seller: o.seller,
      priceMinor: line.priceMinor,
      currency: o.currency,
      dueDays: o.dueDays,
      acceptedUnknowns: [],
      confirmed: true,
      line: line.line,
      ...(o.days ? { days: { ...o.days, orders: 0 } } : {}),
      ...(page.guarantees[o.seller] ? { guarantee: page.guarantees[o.seller] } : {}),
    },
  };
  return actOn(need.jobId, act, need.seen);
}
