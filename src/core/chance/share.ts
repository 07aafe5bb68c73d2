/** Four in five: the tenth and ninetieth percentile of a normal. */
const Z_TENTH = 1.2815515655446004;

/**
 * What a share may truly be, seen k of n times: Wilson's interval, four in five.
 * @param k times it was so, 0 to n
 * @param n cases, 0 or more
 * @returns shares 0 to 1; the whole range where nothing was seen
 * @throws RangeError for counts that cannot be
 * @example shareInterval(8, 10).share // 0.8
 */
export function shareInterval(k: number, n: number): { share: number; low: number; high: number } {
  if (!(n >= 0) || !(k >= 0) || k > n) throw new RangeError(`read ${k} of ${n}, expected a count of 0 to n`);
  if (n === 0) return { share: 0, low: 0, high: 1 };
  const z2 = Z_TENTH ** 2;
  const p = k / n;
  const mid = (p + z2 / (2 * n)) / (1 + z2 / n);
  const half = (Z_TENTH / (1 + z2 / n)) * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n));
  return { share: p, low: k === 0 ? 0 : mid - half, high: k === n ? 1 : mid + half };
}
