import { z } from "zod";
import { Find } from "../../build";
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
  "open.found": z.strictObject({ ...Find.shape, photo: photo.optional() }),
  /** A step that cannot be done here, and why. */
  "open.stuck": z.strictObject({ target: text(80), why: text(300) }),
} as const;
