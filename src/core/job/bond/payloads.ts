import { z } from "zod";
import { key, nothing } from "../shapes";

/** What events of Bond carry, in their newest shape. */
export const bondPayloads = {
  "bond.tapeLaid": z.strictObject({ piece: key }),
  "bond.rehearsed": nothing,
  "bond.linerPulled": z.strictObject({ piece: key }),
  "bond.dusted": nothing,
  "bond.filmOff": z.strictObject({ film: z.enum(["back", "front"]) }),
  "bond.panelSeated": nothing,
  "bond.pressed": nothing,
} as const;
