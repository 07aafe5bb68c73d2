import { z } from "zod";
import type { OrderAnswer } from "@/core/catalogue";

export const FeedRequest = z.strictObject({ failure: z.enum(["none", "outage", "late", "badRows", "short", "wrong"]) });

/** POST /api/feed: asks a seller after what of an order of the shop did not come yet. */
export const OrderAsk = z.strictObject({ order: z.string().regex(/^B-\d{1,6}$/, "B- and a number") });
export type OrderReply = OrderAnswer;

export interface OffersReply {
  answers: { seller: string; ok: boolean; words: string; problems: string[]; asOf: string | null }[];
}

/** PUT /api/offers: offers written down by hand or read from a page of text. A code nobody has recorded becomes a record of its own. */
export const OffersByHand = z.strictObject({
  offers: z
    .array(
      z.strictObject({
        code: z
          .string()
          .trim()
          .min(2)
          .max(40)
          .regex(/[a-z0-9]/i, "a letter or digit"),
        seller: z.string().trim().min(1).max(60),
        condition: z.enum(["new", "pulled", "refurbished", "used"]),
        priceMinor: z.int().min(0).max(100_000_000),
        currency: z.string().regex(/^[A-Z]{3}$/, "three capital letters"),
        days: z.int().min(0).max(365),
        stock: z.int().min(0).max(100_000).optional(),
      }),
    )
    .min(1)
    .max(2000),
});
export interface OffersKept {
  offers: number;
  /** Codes that were not on record: everything about them is unknown yet. */
  newPanels: string[];
  newSellers: string[];
}
