import { z } from "zod";
import { count, lotOf, name, place, why } from "./shapes";

const envelope = {
  id: z.string().min(1).max(80),
  clock: z.string().min(1).max(40),
  device: z.string().max(60).optional(),
};
/** One entry of the stock's own log. */
export const StockEvent = z.discriminatedUnion("type", [
  z.strictObject({
    ...envelope,
    type: z.literal("stock.received"),
    ...lotOf,
    orderLine: name.optional(),
    priceMinor: z.int().min(0).optional(),
    seller: name.optional(),
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
    item: name.optional(),
    count: z.int().min(0).max(10_000_000),
    why: why.optional(),
  }),
  z.strictObject({ ...envelope, type: z.literal("stock.moved"), lot: name, place }),
  z.strictObject({ ...envelope, type: z.literal("stock.takenBack"), eventId: z.string().min(1).max(80) }),
]);
/** As the fold reads it: what has a default may be missing. */
export type StockEvent = z.input<typeof StockEvent>;
export type StockEventType = StockEvent["type"];
