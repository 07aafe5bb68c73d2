import { z } from "zod";

export const MeterRequest = z.strictObject({
  jobId: z.uuid(),
  point: z.string().min(1).max(60),
  mode: z.enum(["continuity", "diode", "dcVolts"]),
});
export interface MeterReply {
  value: number | null;
  unit: "ohm" | "V";
}
/** PUT /api/triage: the whole table as text, and the version it was read at; `shipped` puts back what came with Helvane. */
export const TableRequest = z.union([
  z.strictObject({ text: z.string().max(2_000_000), version: z.int().min(0) }),
  z.strictObject({ shipped: z.literal(true), version: z.int().min(0) }),
]);
export const QuoteSettings = z.strictObject({
  currency: z.string().regex(/^[A-Z]{3}$/, "a currency of three capital letters"),
  taxPercent: z.number().min(0).max(100),
  benchRateMinorPerHour: z.int().min(0),
  validDays: z.int().min(1).max(365),
  marginPercent: z.number().min(0).max(200),
  worthPercent: z.number().min(0).max(1000).optional(),
  rates: z
    .array(z.strictObject({ currency: z.string().length(3), rate: z.number().positive().max(1e6), date: z.iso.date() }))
    .max(40)
    .optional(),
  replacementMinor: z.int().min(0),
  version: z.int().min(0),
});
