import { z } from "zod";
import { words } from "@/core/quantity/shapes";
import { DRILL_SLIPS, PlanWeightsShape, ToolStock } from "@/core/teardown";

export const NetworkRequest = z.strictObject({
  on: z.boolean(),
  passcode: z.string().min(6, "a passcode of 6 characters or more").max(64).optional(),
  hosts: z
    .array(
      z
        .string()
        .trim()
        .regex(/^[A-Za-z0-9.-]{1,100}$/, "a host name without http:// and port"),
    )
    .max(10)
    .optional(),
});
export const UnlockRequest = z.strictObject({ passcode: z.string().min(1).max(64), name: z.string().trim().max(60).default("") });
/** POST /api/devices: ends one device's session, or all of them. */
export const RevokeRequest = z.strictObject({
  id: z
    .string()
    .regex(/^[0-9a-f]{16}$/)
    .nullable(),
});
export const BuildImport = z.strictObject({
  text: z.string().max(2_000_000),
  replaceVersion: z.int().min(0).nullable().default(null),
});

/** POST /api/finds: which find to take over into a build. */
export const FindTake = z.strictObject({ key: z.uuid() });

/** PUT /api/tools: what hangs on the wall and what may stand in, over the version that was read. */
export const ToolsSave = ToolStock.pick({ have: true, substitutes: true }).extend({ version: z.int().min(0) });

/** POST /api/drills: how a rehearsal of a build went, or the kind of slip just made. */
export const DrillKeep = z.strictObject({
  build: z.string().regex(/^[a-z0-9][a-z0-9-]{0,47}$/),
  who: words(60),
  slip: z.enum(DRILL_SLIPS).optional(),
  score: z.number().min(0).max(100).optional(),
});

/** PUT /api/weights: all of them, or those Helvane ships with. */
export const WeightsSave = z.union([z.strictObject({ shipped: z.literal(true) }), PlanWeightsShape]);
