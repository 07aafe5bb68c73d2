import { z } from "zod";
import { FIND_KINDS } from "./finds";
import { CONNECTOR_KINDS } from "./kinds";

const key = z.string().regex(/^[a-z0-9][a-z0-9-]{0,47}$/, "an id of lower-case letters, digits and hyphens, 48 at most");

/** Something the build does not know, found at the bench. Places in mm on the side named. */
export const Find = z.strictObject({
  kind: z.enum(FIND_KINDS),
  /** The part it holds, or that cannot come away before it is dealt with. */
  holds: key,
  view: z.enum(["lid", "base"]),
  xMm: z.number().min(-50).max(600),
  yMm: z.number().min(-50).max(600),
  words: z.string().trim().min(1).max(60),
  /** Type of a hidden screw, one of the build's; null = another, to be measured. */
  screwType: key.nullable().default(null),
  connector: z.enum(CONNECTOR_KINDS).default("friction"),
});
export type Find = z.infer<typeof Find>;
