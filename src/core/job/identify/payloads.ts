import { z } from "zod";
import { hash, photo, text } from "../shapes";

/** What events of Identify carry, in their newest shape. */
export const identifyPayloads = {
  "identify.panelRead": z.strictObject({
    way: z.enum(["label", "model", "edid", "hand"]),
    text: text(4000),
    code: text(40),
    panelHash: hash.nullable(),
    source: z.enum(["L", "E", "S", "G"]),
    /** The label itself, beside what was read of it. */
    photo: photo.optional(),
  }),
} as const;
