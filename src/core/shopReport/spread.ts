/** The middle of some figures, and where eight in ten of them lie. */
export interface Spread {
  p10: number;
  p50: number;
  p90: number;
  of: number;
}

/**
 * The middle of some figures and the tenths at either end, between the two nearest.
 * @returns null of none
 * @example spreadOf([1, 2, 3, 4, 5])?.p50 // 3
 */
export function spreadOf(figures: readonly number[]): Spread | null {
  if (figures.length === 0) return null;
  const s = [...figures].sort((a, b) => a - b);
  const at = (q: number) => {
    const x = q * (s.length - 1);
    const k = Math.floor(x);
    return s[k]! + (x - k) * ((s[k + 1] ?? s[k]!) - s[k]!);
  };
  return { p10: at(0.1), p50: at(0.5), p90: at(0.9), of: s.length };
}
