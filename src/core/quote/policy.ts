import { z } from "zod";
import { words } from "../quantity/shapes";

const minor = z.int().min(0).max(100_000_000);
const chance = z.number().min(0).max(1);
const FAMILIES = ["A", "B", "C", "D", "E", "F", "G", "H"] as const;

/** What the shop's prices stand on. Money in minor units. Defaults are adjustable; each has its note. */
export const QuotePolicy = z.strictObject({
  format: z.literal("helvane.quote"),
  version: z.literal(1),
  source: words(300),
  currency: z.string().length(3),
  taxPercent: z.number().min(0).max(100),
  benchRateMinorPerHour: minor,
  validDays: z.int().min(1).max(365),
  /** A later plan that moves the price by more than this asks the customer again, percent. */
  marginPercent: z.number().min(0).max(200),
  /** What another machine of the kind costs, when the job does not say. */
  replacementMinor: minor,
  cover: z.strictObject({ excessMinor: minor, days: z.number().min(0).max(365), keeps: words(160) }),
  makerService: z.strictObject({ priceMinor: minor, days: z.number().min(0).max(365), keeps: words(160) }),
  assemblies: z
    .array(
      z.strictObject({
        machineModel: words(60),
        priceMinor: minor,
        days: z.number().min(0).max(365),
        minutes: z.number().positive().max(600),
      }),
    )
    .max(400),
  /** Default hands-on minutes for a family without a plan: P50 and P80. */
  familyMinutes: z.record(z.enum(FAMILIES), z.tuple([z.number().positive(), z.number().positive()])),
  /** What goes wrong, by family, with its chance per job and what it costs then. */
  mishaps: z
    .array(
      z.strictObject({
        id: z.enum(["films", "bezelClip", "cable", "glass", "screwThread", "other"]),
        name: words(60),
        chance: z.partialRecord(z.enum(FAMILIES), chance),
        otherwise: chance,
        costMinor: minor,
        note: z.string().max(200).default(""),
      }),
    )
    .max(8),
  /** A used or salvaged panel fails or disappoints this often, and costs its price again. */
  usedFails: chance,
  /** Above this share of another machine's price it is said, percent. */
  worthPercent: z.number().min(0).max(1000).optional(),
  /** What one unit of another currency is worth in the shop's own, with the day it was set. */
  rates: z
    .array(z.strictObject({ currency: z.string().length(3), rate: z.number().positive().max(1e6), date: z.iso.date() }))
    .max(40)
    .optional(),
});
export type QuotePolicy = z.infer<typeof QuotePolicy>;
export type Mishap = QuotePolicy["mishaps"][number];
