import { z } from "zod";
import { hash, key, pass, text } from "../shapes";

const mm = z.number().min(-20).max(20);
const at = z.number().min(-600).max(600);
/** Ids of the tables of causes are words of their own. */
const word = z.string().regex(/^[A-Za-z][A-Za-z0-9]{0,39}$/);

/** What is recorded once the panel is in: the search for a fault, hinges, procedures; in their newest shape. */
export const afterPayloads = {
  /** What is seen after the repair, or what a look showed. */
  "after.seen": z.strictObject({ finding: word, answer: z.enum(["yes", "no", "unclear", "notDone"]), causesHash: hash }),
  /** This cause is gone after now, because that check failed. */
  "after.chased": z.strictObject({ cause: word, pass, check: key, causesHash: hash }),
  /** What was to be mended is: the check tells whether it was that. */
  "after.mended": z.strictObject({ cause: word, note: z.string().trim().max(200).default("") }),
  "after.left": z.strictObject({ why: text(200) }),
  /** The panel cannot be bound to its board here, and who of the customer's took it so. */
  "after.pairingLeft": z.strictObject({ by: text(80), why: text(200) }),
  /** Lid against base, closed: gaps and steps in mm, lid minus base, + stands out. */
  "after.hingesRead": z.strictObject({
    when: z.enum(["before", "after"]),
    spanMm: z.number().min(20).max(500),
    clearanceMm: z.tuple([z.number().min(0).max(3), z.number().min(0).max(3)]),
    readings: z
      .array(z.strictObject({ kind: z.enum(["left", "right", "front", "rear"]), xMm: at, yMm: at, mm, nominalMm: mm.optional() }))
      .max(24),
    heights: z.strictObject({ frontLeft: mm, frontRight: mm, rearLeft: mm, rearRight: mm }).optional(),
    toleranceMm: z.number().min(0.01).max(3),
  }),
  /** Spring scale square to the lid at its lip. */
  "after.torqueRead": z.strictObject({
    when: z.enum(["before", "after"]),
    openN: z.number().min(-100).max(100),
    closeN: z.number().min(-100).max(100),
    armM: z.number().min(0.02).max(1),
    lidDeg: z.number().min(0).max(360),
  }),
  /** One thing done or seen in a maker's procedure, with every clock there was. */
  "after.procedureDid": z.strictObject({
    procedureHash: hash,
    at: z.number().min(0),
    mono: z.number().min(0),
    session: z.string().regex(/^[A-Za-z0-9-]{1,60}$/),
    server: z.number().min(0).optional(),
    did: z.discriminatedUnion("kind", [
      z.strictObject({ kind: z.literal("done"), step: key }),
      z.strictObject({
        kind: z.literal("state"),
        set: z.strictObject({
          mains: z.boolean().optional(),
          network: z.boolean().optional(),
          lid: z.enum(["open", "shut"]).optional(),
        }),
      }),
    ]),
  }),
} as const;
