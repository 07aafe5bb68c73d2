import { z } from "zod";
import { hash, text } from "../shapes";

/** What events of Plan carry, in their newest shape. */
export const planPayloads = {
  "plan.made": z.strictObject({ buildHash: hash, goal: z.enum(["subjectOut", "lidOff", "cableOut", "cameraOut"]) }),
  "plan.rebuilt": z.strictObject({ buildHash: hash, why: text(200) }),
} as const;
