import { z } from "zod";
import { count, lotOf, name, place, why } from "../../stock/shapes";
import { text } from "../shapes";

const priceMinor = z.int().min(0).max(100_000_000);
const orderId = z.string().regex(/^B-\d{1,6}$/, "B- and a number");

/** What events of the stock's own log carry, in their newest shape. They stand in no job. */
export const stockPayloads = {
  "stock.received": z.strictObject({
    ...lotOf,
    /** Line of an order of the shop it came for. */
    orderLine: name.optional(),
    /** What one piece, or one metre of tape, cost. */
    priceMinor: priceMinor.optional(),
    seller: name.optional(),
    job: name.optional(),
  }),
  "stock.salvaged": z.strictObject({ ...lotOf, donor: z.string().trim().max(80).optional() }),
  "stock.reserved": z.strictObject({ item: name, count, job: name }),
  "stock.released": z.strictObject({ item: name, job: name, count: count.optional() }),
  "stock.used": z.strictObject({ item: name, count, job: name.optional(), lot: name.optional() }),
  "stock.scrapped": z.strictObject({ item: name, count, lot: name.optional(), why }),
  "stock.counted": z.strictObject({ lot: name, item: name, count: z.int().min(0).max(10_000_000), why: why.optional() }),
  "stock.moved": z.strictObject({ lot: name, place }),
  /** An order of many lines, each for a job or for the shelf. */
  "stock.ordered": z.strictObject({
    order: orderId,
    seller: text(60),
    currency: z.string().regex(/^[A-Z]{3}$/, "three capital letters"),
    postageMinor: priceMinor,
    dueDays: z.int().min(0).max(365),
    days: z.strictObject({ p50: z.number().min(0).max(400), p80: z.number().min(0).max(400) }).optional(),
    lines: z
      .array(z.strictObject({ line: name, item: name, count, priceMinor, job: name.optional() }))
      .min(1)
      .max(60)
      .refine((all) => new Set(all.map((l) => l.line)).size === all.length, "two lines have one name"),
    confirmed: z.literal(true),
  }),
  "stock.orderMoved": z.strictObject({
    order: orderId,
    is: z.enum(["confirmed", "shipped", "cancelled", "returned"]),
    /** The lines it is about; missing = all that did not come. */
    lines: z.array(name).min(1).max(60).optional(),
    note: z.string().trim().max(200).default(""),
    /** Confirmed or sent: in how many days the last of it is here, by the seller's newest word. */
    inDays: z.int().min(0).max(365).optional(),
  }),
} as const;
