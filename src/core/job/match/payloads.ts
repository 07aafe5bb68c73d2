import { z } from "zod";
import { ARRIVAL_ITEMS, RETURN_REASONS } from "../payloadWords";
import { hash, key, photo, text } from "../shapes";

/** What events of Match carry, in their newest shape. */
export const matchPayloads = {
  "match.chosen": z.strictObject({ panelHash: hash, code: text(40), buildHash: hash.nullable() }),
  "match.asked": z.strictObject({ field: key, answer: z.enum(["accepted", "refused"]), by: text(80) }),
  "match.ordered": z.strictObject({
    panelHash: hash,
    seller: text(60),
    priceMinor: z.int().min(0),
    currency: z.string().length(3),
    dueDays: z.int().min(0).max(365),
    acceptedUnknowns: z.array(key).max(40),
    confirmed: z.literal(true),
    /** Days until it comes as the shop's record of this seller has it. */
    days: z.strictObject({ p50: z.number().min(0), p80: z.number().min(0), orders: z.int().min(0) }).optional(),
    /** Further lines of the same order: what a change asks for. */
    lines: z
      .array(z.strictObject({ what: text(80), count: z.int().min(1).max(99), priceMinor: z.int().min(0) }))
      .max(20)
      .optional(),
    /** The line of an order of the shop that brings it; missing = an order of its own. */
    line: text(80).optional(),
    guarantee: z
      .strictObject({ days: z.int().min(0).max(3650), excludes: z.string().trim().max(200), filmsOffEndsReturn: z.boolean() })
      .optional(),
  }),
  "match.arrived": z.strictObject({ codeRead: text(60) }),
  "match.arrivalChecked": z.strictObject({
    item: z.enum(ARRIVAL_ITEMS),
    /** `absent` = none, and none was promised or needed. */
    result: z.enum(["good", "absent", "wrong"]),
    note: z.string().trim().max(200).default(""),
    photo: photo.optional(),
  }),
  "match.returned": z.strictObject({
    reason: z.enum(RETURN_REASONS),
    note: z.string().trim().max(400).default(""),
    /** Parts moved over to it that were taken off again. */
    kept: z.array(key).max(20).default([]),
    photo: photo.optional(),
  }),
  "match.looked": z.strictObject({
    field: key,
    result: z.enum(["agrees", "differs"]),
    source: z.enum(["M", "L", "D"]),
    note: z.string().trim().max(200).default(""),
    photo: photo.optional(),
  }),
} as const;
