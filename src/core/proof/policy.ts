import { z } from "zod";

export const FAULT_CLASSES = ["bright", "dark", "subPixel", "cluster"] as const;
export type FaultClass = (typeof FAULT_CLASSES)[number];
export const FAULT_CLASS_WORDS: Record<FaultClass, string> = {
  bright: "bright dot",
  dark: "dark dot",
  subPixel: "sub-pixel fault",
  cluster: "cluster",
};

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

export interface PolicyRow {
  class: FaultClass;
  found: number;
  atMost: number;
  ok: boolean;
}

/**
 * Counts tapped faults against the policy. The limit is per million pixels, scaled to this panel and rounded down.
 * @param policy the acceptance table
 * @param pixels horizontal and vertical pixels, or null when unknown (one million is then assumed: the strictest usual case)
 * @param faults class of each fault tapped
 * @example judgeFaults(policy, { h: 1920, v: 1080 }, ["dark"])[1] // { class: "dark", found: 1, atMost: 4, ok: true }
 */
export function judgeFaults(policy: Policy, pixels: { h: number; v: number } | null, faults: readonly FaultClass[]): PolicyRow[] {
  const millions = pixels ? (pixels.h * pixels.v) / 1e6 : 1;
  return FAULT_CLASSES.map((c) => {
    const found = faults.filter((f) => f === c).length;
    const atMost = Math.floor(policy.perMillion[c] * millions + 1e-9);
    return { class: c, found, atMost, ok: found <= atMost };
  });
}
