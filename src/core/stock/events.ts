import { z } from "zod";

/** What a shop keeps: kinds of things, each counted in its own unit. */
export const ITEM_KINDS = ["panel", "tape", "film", "screw", "tool", "part", "donor"] as const;
/** States of a panel; *unknown* is never offered as a match. */
export const LOT_STATES = ["new", "opened", "pulled", "used", "cracked", "unknown"] as const;
/** How far a panel was tried. */
export const LOT_TESTS = ["notTested", "lookedAt", "lit", "proven"] as const;

const name = z.string().trim().min(1).max(80);
const count = z.int().min(1).max(10_000_000);
const why = z.string().trim().min(1).max(200);
const envelope = {
  id: z.string().min(1).max(80),
  clock: z.string().min(1).max(40),
  device: z.string().max(60).optional(),
};
const lotOf = {
  item: name,
  lot: name,
  count,
  place: z.string().trim().max(80).default(""),
  state: z.string().max(20).optional(),
  test: z.enum(LOT_TESTS).optional(),
  expires: z.string().max(30).optional(),
};

/** One entry of the stock's own log. */
export const StockEvent = z.discriminatedUnion("type", [
  z.strictObject({
    ...envelope,
    type: z.literal("stock.received"),
    ...lotOf,
    orderLine: name.optional(),
    priceMinor: z.int().min(0).optional(),
    job: name.optional(),
  }),
  z.strictObject({ ...envelope, type: z.literal("stock.salvaged"), ...lotOf, donor: z.string().max(80).optional() }),
  z.strictObject({ ...envelope, type: z.literal("stock.reserved"), item: name, count, job: name }),
  z.strictObject({ ...envelope, type: z.literal("stock.released"), item: name, job: name, count: count.optional() }),
  z.strictObject({ ...envelope, type: z.literal("stock.used"), item: name, count, job: name.optional(), lot: name.optional() }),
  z.strictObject({
    ...envelope,
    type: z.literal("stock.scrapped"),
    item: name,
    count,
    lot: name.optional(),
    why: why.optional(),
  }),
  z.strictObject({
    ...envelope,
    type: z.literal("stock.counted"),
    lot: name,
    count: z.int().min(0).max(10_000_000),
    why: why.optional(),
  }),
  z.strictObject({ ...envelope, type: z.literal("stock.moved"), lot: name, place: z.string().trim().max(80) }),
  z.strictObject({ ...envelope, type: z.literal("stock.takenBack"), eventId: z.string().min(1).max(80) }),
]);
/** As the fold reads it: what has a default may be missing. */
export type StockEvent = z.input<typeof StockEvent>;
export type StockEventType = StockEvent["type"];
