import type { Policy } from "./policySchema";

export const FAULT_CLASSES = ["bright", "dark", "subPixel", "cluster"] as const;
export type FaultClass = (typeof FAULT_CLASSES)[number];
export const FAULT_CLASS_WORDS: Record<FaultClass, string> = {
  bright: "bright dot",
  dark: "dark dot",
  subPixel: "sub-pixel fault",
  cluster: "cluster",
};

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
 * @example judgeFaults(policy, { h: 1920, v: 1080 }, ["dark"]).find((r) => r.class === "dark").found // 1
 */
export function judgeFaults(policy: Policy, pixels: { h: number; v: number } | null, faults: readonly FaultClass[]): PolicyRow[] {
  const millions = pixels ? (pixels.h * pixels.v) / 1e6 : 1;
  return FAULT_CLASSES.map((c) => {
    const found = faults.filter((f) => f === c).length;
    const atMost = Math.floor(policy.perMillion[c] * millions + 1e-9);
    return { class: c, found, atMost, ok: found <= atMost };
  });
}
