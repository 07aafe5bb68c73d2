import { z } from "zod";
import { key, text } from "../shapes";

/** What events of Close carry, in their newest shape. */
export const closePayloads = {
  "close.partBack": z.strictObject({ part: key }),
  /** A part that was stuck on has tape again: new, or what it had and still grips. */
  "close.partTaped": z.strictObject({ tape: key, with: z.enum(["new", "again"]) }),
  /** The lid is out of the angle of this turn again. */
  "close.lidTurnedBack": z.strictObject({ turn: key }),
  "close.screwBack": z.strictObject({
    screw: key,
    /** Type of the screw in hand, when it was looked at; missing = taken for the one that came out. */
    type: key.optional(),
  }),
  "close.screwsBackTogether": z.strictObject({ group: key, screws: z.array(key).min(1).max(80) }),
  "close.screwTightened": z.strictObject({ screw: key }),
  "close.screwAccounted": z.strictObject({ screw: key, as: z.enum(["staysOut", "replaced", "missing"]), reason: text(200) }),
  "close.screwExtra": z.strictObject({ words: text(120), settled: text(200) }),
  "close.seamChecked": z.strictObject({ edge: z.enum(["left", "right", "top", "bottom"]) }),
  "close.angleChecked": z.strictObject({ degrees: z.number().min(0).max(360) }),
  "close.handedOver": z.strictObject({ to: text(80) }),
} as const;
