const A = [-39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239];
const B = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572];
const C = [
  -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783,
];
const D = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416];
/** Below this chance the tail's own expansion holds. */
const TAIL = 0.02425;

const poly = (c: readonly number[], x: number): number => c.reduce((s, k) => s * x + k, 0);
const tail = (q: number): number => poly(C, q) / (poly(D, q) * q + 1);

/**
 * Quantile of the standard normal by a rational approximation (P. J. Acklam, relative error under 1.2e-9).
 * @param p a chance above 0 and below 1; 0 and 1 give the infinities
 * @example Math.abs(normalQuantile(0.8) - Z80) < 1e-8 // true
 */
export function normalQuantile(p: number): number {
  if (p <= 0) return Number.NEGATIVE_INFINITY;
  if (p >= 1) return Number.POSITIVE_INFINITY;
  if (p < TAIL) return tail(Math.sqrt(-2 * Math.log(p)));
  if (p > 1 - TAIL) return -tail(Math.sqrt(-2 * Math.log(1 - p)));
  const q = p - 0.5;
  return (poly(A, q * q) * q) / (poly(B, q * q) * q * q + 1);
}

/**
 * Uniform numbers from 0 up to 1 from a seed: the same seed, the same numbers on every machine.
 * @param seed a whole number, or a text that is turned into one
 * @example draws(1)() === draws(1)() // true
 */
export function draws(seed: number | string): () => number {
  let s = typeof seed === "number" ? seed >>> 0 : seedOf(seed);
  return () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = s;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A seed from a text (FNV-1a). */
function seedOf(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return h >>> 0;
}

/** A standard normal draw from a source of uniform ones (Box and Muller). @example Number.isFinite(normalDraw(draws(1))) // true */
export const normalDraw = (u: () => number): number => Math.sqrt(-2 * Math.log(1 - u())) * Math.cos(2 * Math.PI * u());

/**
 * Chances of 0, 1, … `most` events in a time, where their rate is Gamma(a, b): negative binomial.
 * @param a shape, above 0 @param b rate parameter, in the unit of time @param t the time
 * @example negativeBinomial(2, 30, 0, 1) // [1, 0]
 */
export function negativeBinomial(a: number, b: number, t: number, most: number): number[] {
  const p = b / (b + t);
  const out = [p ** a];
  for (let k = 1; k <= most; k++) out.push((out[k - 1]! * (a + k - 1) * (1 - p)) / k);
  return out;
}
