import { z } from "zod";
import { slugId, words } from "../quantity/shapes";
import { CONNECTOR_KINDS, FIND_KINDS, VIEWS } from "./kinds";

const key = slugId(48);

/** Something the build does not know, found at the bench. Places in mm on the side named. */
export const Find = z.strictObject({
  kind: z.enum(FIND_KINDS),
  /** The part it holds, or that cannot come away before it is dealt with. */
  holds: key,
  view: z.enum(VIEWS),
  xMm: z.number().min(-50).max(600),
  yMm: z.number().min(-50).max(600),
  words: words(60),
  /** Type of a hidden screw, one of the build's; null = another, to be measured. */
  screwType: key.nullable().default(null),
  /** Parts that lie over it: away before it is reached, on again only once it is home. */
  under: z.array(key).max(6).optional(),
  connector: z.enum(CONNECTOR_KINDS).default("friction"),
});
export type Find = z.infer<typeof Find>;
