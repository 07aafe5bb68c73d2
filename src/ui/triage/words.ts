import type { Outcome } from "@/core/triage";

/** Answers with their words and keys. */
export const OUTCOMES: [Outcome, string, string][] = [
  ["yes", "Yes", "Y"],
  ["no", "No", "N"],
  ["unclear", "Unclear", "U"],
];
/** A chance in words that never say certain. @example pct(0.999) // "over 99 %" */
export const pct = (p: number) => (p >= 0.995 ? "over 99 %" : p < 0.01 ? "under 1 %" : `${Math.round(p * 100)} %`);
export const points = (moved: number) => `${moved > 0 ? "+" : "-"}${Math.abs(Math.round(moved * 100))} points`;
