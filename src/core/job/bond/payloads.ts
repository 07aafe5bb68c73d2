import { z } from "zod";
import { key, nothing } from "../shapes";

/** What events of Bond carry, in their newest shape. */
export const bondPayloads = {
  /** What was left of a strip of old tape is off its ledge, and how. */
  "bond.adhesiveOff": z.strictObject({ tape: key, method: z.enum(["rolled", "edge", "solvent"]) }),
  "bond.tapeLaid": z.strictObject({ piece: key }),
  "bond.rehearsed": nothing,
  "bond.linerPulled": z.strictObject({ piece: key }),
  "bond.dusted": nothing,
  "bond.filmOff": z.strictObject({ film: z.enum(["back", "front"]) }),
  "bond.panelSeated": nothing,
  "bond.pressed": nothing,
} as const;
