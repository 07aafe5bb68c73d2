import { z } from "zod";
import { QUOTE_OPTIONS } from "../payloadWords";
import { text } from "../shapes";

/** What events of the quote carry, in their newest shape. */
export const quotePayloads = {
  "quote.chosen": z.strictObject({
    option: z.enum(QUOTE_OPTIONS),
    expectedMinor: z.int().min(0),
    p80Minor: z.int().min(0),
    currency: z.string().length(3),
    taxPercent: z.number().min(0).max(100),
    days: z.number().min(0).max(365),
    validUntil: z.iso.datetime(),
    assumptions: z.array(text(200)).max(20),
    /** Hands-on minutes the price stands on, P50. */
    labourMinutes: z.number().min(0).max(6000),
    marginPercent: z.number().min(0).max(200),
    agreedBy: z.string().trim().max(80),
  }),
} as const;
