import type { Offer, SellerFeed } from "@/core/catalogue";
import { seedOf } from "./board";

export const FEED_FAILURES = ["none", "outage", "late", "badRows", "short", "wrong"] as const;
export type FeedFailure = (typeof FEED_FAILURES)[number];

/** How long the simulated late seller takes, ms. */
const LATE_MS = 6000;

/**
 * A simulated seller: it sends the offers on record, prices a little up or down from day to day, with stock. It can be told
 * to be silent, late, or to send rows that are wrong.
 */
export function simulatedSellerFeed(
  offers: readonly Offer[],
  codeOf: (panel: string) => string | null,
  day: number,
  failure: FeedFailure = "none",
): SellerFeed {
  return {
    async ask(seller) {
      if (failure === "outage") return { ok: false, problem: `${seller} does not answer.` };
      if (failure === "late") await new Promise((done) => setTimeout(done, LATE_MS));
      const rows: unknown[] = offers
        .filter((o) => o.seller === seller)
        .flatMap((o) => {
          const code = codeOf(o.panel);
          if (!code) return [];
          const seed = seedOf(`${o.panel}${seller}${day}`);
          const minor = Math.max(100, Math.round(o.priceMinor * (0.97 + (seed % 61) / 1000)));
          return [
            {
              code,
              condition: o.condition,
              price: (minor / 100).toFixed(2),
              currency: o.currency,
              days: o.days,
              stock: seed % 9,
            },
          ];
        });
      if (failure === "badRows")
        rows.push(
          { code: "GV140FHB-K31", condition: "new", price: "-5.00", currency: "EUR", days: 3, stock: 2 },
          { code: "XX999ZZZ-000", condition: "new", price: "40.00", currency: "EUR", days: 3, stock: 2 },
          { code: "GV140FHB-K31", condition: "new", price: "84.20", currency: "EUR", days: "soon", stock: 2 },
          "out of paper",
        );
      return { ok: true, rows };
    },
  };
}
