import { z } from "zod";

const id = z.string().regex(/^[A-Za-z][A-Za-z0-9]{0,40}$/, "an id of letters and digits");
const p = z.number().min(0).max(1);

/** What faults there are, what signs and tests say about them, and what a wrong decision costs. Data, not code. */
export const TriageTable = z.strictObject({
  format: z.literal("helvane.triage"),
  version: z.literal(1),
  source: z.string().min(1).max(400),
  currency: z.string().length(3),
  benchRateMinorPerHour: z.int().min(0),
  /** The last one is *none of these*. Priors are weights and are normalised. */
  faults: z
    .array(
      z.strictObject({ id, name: z.string().min(1).max(60), prior: z.number().positive(), advice: z.string().min(1).max(160) }),
    )
    .min(2)
    .max(60),
  findings: z
    .array(
      z.strictObject({
        id,
        name: z.string().min(1).max(80),
        kind: z.enum(["sign", "test"]),
        /** Findings that look at one thing count once, by the strongest. */
        group: id.optional(),
        how: z.string().max(240).default(""),
        minutes: z.number().min(0).max(240).default(0),
        riskMinor: z.int().min(0).default(0),
        caution: z.string().max(240).optional(),
        /** Probability of *yes* under each fault. Missing faults take `otherwise`. */
        yes: z.record(id, p),
        otherwise: p,
      }),
    )
    .min(1)
    .max(300),
  decisions: z
    .array(
      z.strictObject({ id, name: z.string().min(1).max(60), lossMinor: z.record(id, z.int().min(0)), otherwise: z.int().min(0) }),
    )
    .min(1)
    .max(40),
});
export type TriageTable = z.infer<typeof TriageTable>;
