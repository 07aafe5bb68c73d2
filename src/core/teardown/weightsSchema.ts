import { z } from "zod";

/** The planner's weights as a shop may set them. None may be below nothing: a plan's floor stands on that. */
export const PlanWeightsShape = z.strictObject({
  toolChange: z.number().min(0).max(20),
  turn: z.number().min(0).max(20),
  minorPerMinute: z.number().min(1).max(100_000),
  heat: z.number().min(0).max(240),
  glue: z.number().min(0).max(240),
  heatEarly: z.number().min(0).max(5),
  glueEarly: z.number().min(0).max(5),
});
