import { z } from "zod";
import { words } from "../quantity/shapes";

/** What hangs on the wall, and what may stand in for what does not. */
export const ToolStock = z.strictObject({
  format: z.literal("helvane.tools"),
  version: z.literal(1),
  source: z.string().min(1).max(200),
  have: z.array(words(60)).max(200),
  substitutes: z
    .array(
      z.strictObject({
        for: words(60),
        use: words(60),
        have: z.boolean(),
        note: z.string().trim().max(160),
      }),
    )
    .max(100),
});
export type ToolStock = z.infer<typeof ToolStock>;
