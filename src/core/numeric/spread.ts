/** Middle of a list of numbers; NaN of none. @example median([3, 1, 2]) // 2 */
export function median(list: Iterable<number>): number {
  const a = Float64Array.from(list).sort();
  const n = a.length;
  if (n === 0) return Number.NaN;
  return n % 2 ? a[n >> 1]! : (a[n / 2 - 1]! + a[n / 2]!) / 2;
}

/** Median absolute deviation, scaled to a standard deviation. @example spreadAbout([1, 1, 1]) // 0 */
export function spreadAbout(list: ArrayLike<number>): number {
  const m = median(Array.from(list));
  return 1.4826 * median(Float64Array.from(list, (x) => Math.abs(x - m)));
}
