import { z } from "zod";
import { key, text } from "../shapes";

/** What events of Swap carry, in their newest shape. */
export const swapPayloads = {
  "swap.cableDisconnected": z.strictObject({ connector: key }),
  "swap.cableConnected": z.strictObject({ connector: key, home: z.literal(true) }),
  "swap.changeMade": z.strictObject({ field: key }),
  /** The old one put back where it was, the machine to be closed without a new one. */
  "swap.oldBack": z.strictObject({ part: key }),
  "swap.panelLifted": z.strictObject({
    why: text(200),
    /** What was not done before it was set, whatever was recorded: it is asked for again. */
    forgot: z.strictObject({ what: z.enum(["lead", "part", "film"]), id: key }).optional(),
  }),
  /** Something of the way back only, as the build writes it. */
  "swap.backActDone": z.strictObject({ act: key }),
  "swap.transplanted": z.strictObject({ part: key }),
  "swap.looseTested": z.strictObject({
    supply: z.enum(["mains", "mainsAndBattery", "battery"]),
    picture: z.boolean(),
    note: z.string().trim().max(200).default(""),
  }),
  /** Tried in the loose test beside the picture. */
  "swap.looseSeen": z.strictObject({ look: z.enum(["touch", "camera"]), works: z.boolean() }),
} as const;
