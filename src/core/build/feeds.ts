import { z } from "zod";
import { words } from "../quantity/shapes";

const VoltSpan = z
  .strictObject({ min: z.number().min(0).max(100), max: z.number().min(0).max(100) })
  .refine((r) => r.min <= r.max, "the least is above the most");

/** What a machine gives its panel: the link, the rails, what it was sold with, and cables to be had. */
export const Feeds = {
  /** What board and display cable carry. */
  link: z
    .strictObject({
      lanes: z.int().min(1).max(8).nullable(),
      ratesGbps: z.array(z.number().min(1).max(20)).min(1).max(10).nullable(),
      compression: z.enum(["yes", "no", "unknown"]).default("unknown"),
      cableLanes: z.int().min(1).max(8).nullable(),
      cableMaxRateGbps: z.number().min(1).max(20).nullable(),
      lvdsLinks: z
        .union([z.literal(1), z.literal(2)])
        .nullable()
        .default(null),
      source: words(120),
      /** The board's list of rates above is not all it can do. */
      ratesPartial: z.boolean().optional(),
      /** The source dithers down to 6 bit; missing = not known. */
      dithers: z.enum(["yes", "no"]).optional(),
    })
    .optional(),
  /** What this machine feeds its panel, with its tolerance, V. */
  rails: z
    .strictObject({
      logicV: VoltSpan.optional(),
      backlightV: VoltSpan.optional(),
      source: words(120),
    })
    .optional(),
  /** Panels this board was sold with, and whether that code was seen fitted with this board and cable. */
  soldWith: z
    .array(z.strictObject({ code: words(40), seen: words(120), fitted: z.boolean() }))
    .max(40)
    .optional(),
  /** Cables to be had that end in another plug. */
  cableKits: z
    .array(
      z.strictObject({
        part: words(60),
        family: z.enum(["eDP", "LVDS"]),
        contacts: z.int().min(10).max(80),
        pitchMm: z.number().min(0.2).max(2),
        costMinor: z.int().min(0).max(10_000_000),
        minutes: z.number().min(0).max(600),
      }),
    )
    .max(12)
    .optional(),
} as const;
