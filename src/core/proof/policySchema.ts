import { z } from "zod";

/** How many pixel faults are accepted, per million pixels. Editable data with its source. */
export const Policy = z.strictObject({
  format: z.literal("helvane.policy"),
  version: z.literal(1),
  name: z.string().min(1).max(60),
  source: z.string().min(1).max(300),
  perMillion: z.strictObject({
    bright: z.number().min(0),
    dark: z.number().min(0),
    subPixel: z.number().min(0),
    cluster: z.number().min(0),
  }),
});
export type Policy = z.infer<typeof Policy>;
