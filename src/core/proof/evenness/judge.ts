import type { Evenness } from "./measure";
import type { Scheme } from "./points";

/** Limits of a ratio, and of a colour that drifts (adjustable; the maker's data sheet first). */
export const EVENNESS_LIMITS: Readonly<Record<Scheme, number>> = { 5: 0.8, 9: 0.63, 13: 0.63, 25: 0.63 };
export const SHIFT_LIMITS = { good: 0.012, bad: 0.02 } as const;
/** A verdict needs this many standard deviations clear of its limit. */
const CLEAR = 2;

export type EvenVerdict = "good" | "bad" | "unsure";

/**
 * A ratio against its limit: only where it is two standard deviations clear is it a verdict.
 * @example judgeRatio(0.7, 0.015, 0.63) // "good"
 */
export const judgeRatio = (ratio: number, sigma: number, limit: number): EvenVerdict =>
  ratio - CLEAR * sigma > limit ? "good" : ratio + CLEAR * sigma < limit ? "bad" : "unsure";

export interface EvennessVerdict {
  verdict: EvenVerdict;
  rows: { points: Scheme; ratio: number; sigma: number; limit: number; verdict: EvenVerdict }[];
  /** What was found beside the points, worst first, in words. */
  found: string[];
}

/**
 * The measured evenness by policy: 5 and 9 points decide; marks of three just noticeable contrasts and more, dead zones and dips in the
 * light are bad, marks of two a look. Without two aims nothing is called good.
 * @example judgeEvenness(evenPanel).verdict // "good"
 */
export function judgeEvenness(e: Extract<Evenness, { ok: true }>): EvennessVerdict {
  const rows = ([5, 9] as const).map((n) => {
    const { minOverMax: ratio, sigma } = e.rows[n];
    return { points: n, ratio, sigma, limit: EVENNESS_LIMITS[n], verdict: judgeRatio(ratio, sigma, EVENNESS_LIMITS[n]) };
  });
  const found = [
    ...e.dead.map((d) => `dead zone of ${Math.round(d.areaMm2)} mm² at ${Math.round(d.xMm)}, ${Math.round(d.yMm)} mm`),
    ...e.edges.map(
      (x) =>
        `${x.dips.length === 1 ? "dip" : `${x.dips.length} dips`} in the light at the ${x.edge} edge: ${x.dips.map((d) => Math.round(d.atMm)).join(", ")} mm${x.periodMm ? `, every ${Math.round(x.periodMm)} mm` : ""}`,
    ),
    ...e.marks.map(
      (m) =>
        `${m.contrast > 0 ? "bright" : "dark"} mark at ${Math.round(m.xMm)}, ${Math.round(m.yMm)} mm, ${(Math.abs(m.contrast) * 100).toFixed(1)} %`,
    ),
  ];
  const worst = Math.max(0, ...e.marks.map((m) => m.jnd));
  const bad = rows.some((r) => r.verdict === "bad") || e.dead.length > 0 || e.edges.length > 0 || worst >= 3;
  const sure =
    !e.sharpened &&
    rows.every((r) => r.verdict === "good") &&
    worst < 2 &&
    e.rows[9].colourShift <= SHIFT_LIMITS.bad &&
    e.vignettingRemoved;
  return { verdict: bad ? "bad" : sure ? "good" : "unsure", rows, found };
}
