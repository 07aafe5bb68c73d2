import { z } from "zod";
import { Find, MENDED } from "../../build";
import { key, photo, text } from "../shapes";

/** What events of Open carry, in their newest shape. */
export const openPayloads = {
  "open.screwOut": z.strictObject({ screw: key }),
  "open.screwsOutTogether": z.strictObject({ group: key, screws: z.array(key).min(1).max(80) }),
  "open.screwLoosened": z.strictObject({ screw: key }),
  "open.tapeOut": z.strictObject({ tape: key }),
  "open.partFolded": z.strictObject({ part: key }),
  "open.partOut": z.strictObject({ part: key }),
  /** One of several ways was taken: left tethered, laid beside. */
  "open.tethered": z.strictObject({ option: key }),
  /** The lid stands at the angle of this turn. */
  "open.lidTurned": z.strictObject({ turn: key }),
  /** What was left open in the build was looked at: as described, or otherwise, in words. */
  "open.looked": z
    .strictObject({ of: key, as: z.enum(["described", "otherwise"]), words: z.string().trim().max(300).default("") })
    .refine((p) => p.as === "described" || p.words.length > 0, { path: ["words"], message: "say what it is instead" }),
  "open.found": z.strictObject({ ...Find.shape, photo: photo.optional() }),
  /** A step that cannot be done here, and why. */
  /** Mended in the middle of the job: glued and clamped, or a clip put in; what it cures for before anything loads it, min. */
  "open.mended": z.strictObject({
    part: key,
    group: key.optional(),
    what: z.enum(MENDED),
    how: z.string().trim().max(160),
    cureMin: z.int().min(0).max(4320),
  }),
  "open.stuck": z.strictObject({ target: text(80), why: text(300) }),
} as const;
