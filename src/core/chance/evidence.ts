/** One explanation: which of the listed causes hold together, with its weight. */
export interface Explanation {
  set: readonly number[];
  weight: number;
}

/**
 * Each cause alone, then each two together: a pair weighs what its parts do, as often as two things happen at once.
 * @param weights of the causes alone, 0 or more, any one unit; one of 0 explains nothing
 * @param pairRate how often a second cause comes with a first, 0 to 1
 * @example explanations([1, 3], 0.1).length // 3
 */
export function explanations(weights: readonly number[], pairRate: number): Explanation[] {
  const on = weights.flatMap((w, i) => (w > 0 ? [i] : []));
  const sum = on.reduce((s, i) => s + weights[i]!, 0);
  const out: Explanation[] = on.map((i) => ({ set: [i], weight: weights[i]! }));
  for (const [k, a] of on.entries())
    for (const b of on.slice(k + 1)) out.push({ set: [a, b], weight: (pairRate * weights[a]! * weights[b]!) / sum });
  return out;
}

/**
 * Each cause brings answers about by itself; an answer is *yes* when any cause brings it about (noisy-OR, over whole combinations).
 * @param a chance of every combination of answers, first answer = lowest bit @param b the same of another cause
 * @example orCombine(Float64Array.of(0.5, 0.5), Float64Array.of(0.5, 0.5))[1] // 0.75
 */
export function orCombine(a: Float64Array, b: Float64Array): Float64Array {
  const out = new Float64Array(a.length);
  for (let i = 0; i < a.length; i++) {
    if (a[i] === 0) continue;
    for (let j = 0; j < b.length; j++) out[i | j]! += a[i]! * b[j]!;
  }
  return out;
}

/**
 * Normalised chances from log weights; null when every one is impossible.
 * @example normalise(Float64Array.of(0, 0))[0] // 0.5
 */
export function normalise(logs: Float64Array): Float64Array | null {
  let top = Number.NEGATIVE_INFINITY;
  for (const l of logs) if (l > top) top = l;
  if (top === Number.NEGATIVE_INFINITY) return null;
  const out = new Float64Array(logs.length);
  let sum = 0;
  for (let i = 0; i < out.length; i++) {
    out[i] = Math.exp(logs[i]! - top);
    sum += out[i]!;
  }
  for (let i = 0; i < out.length; i++) out[i]! /= sum;
  return out;
}
