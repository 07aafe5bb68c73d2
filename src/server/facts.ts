import { OWN_SHELF } from "@/core/job";
import { median } from "@/core/numeric";
import { type JobFacts, type Placed, type SideCosts, sideCosts } from "@/core/shopReport";
import { connection } from "@/data/connection";
import { cardsStamp, factsOfJobs } from "@/data/jobListStore";
import { remember } from "./remember";
import type { StockRead } from "./stockState";

/** The facts of every job of the shop, open and closed. */
export const allFacts = (): Promise<JobFacts[]> =>
  remember(
    "facts",
    () => cardsStamp(connection().db),
    async () => (await factsOfJobs(connection().db)).map((t) => ({ ...NOT_TOLD, ...(JSON.parse(t) as JobFacts) })),
  );
/** What facts of earlier rules do not say, should the disk not take new ones. */
const NOT_TOLD: Pick<JobFacts, "placed" | "tape" | "opened"> = {
  placed: [],
  tape: {},
  opened: { openMin: 0, longestMin: 0, takenUp: 0 },
};

/** What tape and parcels cost each job: by what its rolls cost, by the shop's orders, and by what is on record of a seller. */
export function costsBy(
  stock: StockRead,
  terms: readonly { name: string; postageMinor?: number; freeFromMinor?: number | null }[],
) {
  const metres = new Map<string, number | null>();
  const metreMinor = (item: string): number | null => {
    if (!metres.has(item)) {
      const known = Object.values(stock.state.lots).flatMap((l) =>
        l.item === item && l.priceMinor !== null ? [l.priceMinor] : [],
      );
      metres.set(item, known.length ? median(known) : null);
    }
    return metres.get(item)!;
  };
  const orders = Object.values(stock.orders);
  const postageOf = (o: Placed): number | null => {
    if (o.seller === OWN_SHELF) return 0;
    const joint = o.line === null ? undefined : orders.find((x) => x.lines.some((l) => l.line === o.line));
    if (joint) {
      const all = joint.lines.reduce((n, l) => n + l.priceMinor, 0);
      return all > 0 ? Math.round((joint.postageMinor * o.goodsMinor) / all) : 0;
    }
    const t = terms.find((x) => x.name === o.seller);
    if (t?.postageMinor === undefined) return null;
    return t.freeFromMinor != null && o.goodsMinor >= t.freeFromMinor ? 0 : t.postageMinor;
  };
  return Object.assign((j: JobFacts): SideCosts => sideCosts(j, metreMinor, postageOf), { postageOf });
}
