/** z of the 80th percentile of a normal distribution. */
export const Z80 = 0.8416212335729143;

/**
 * Error function: Maclaurin series below 3, continued fraction of its complement above; good to 1e-11 (DLMF 7.6.1, 7.9.1).
 * @param x any number
 * @example erf(0) // 0
 */
export function erf(x: number): number {
  const a = Math.abs(x);
  if (a < 3) {
    let term = a;
    let sum = a;
    for (let n = 1; n < 80; n++) {
      term *= (-a * a) / n;
      sum += term / (2 * n + 1);
    }
    return Math.sign(x) * sum * (2 / Math.sqrt(Math.PI));
  }
  let f = 0;
  for (let k = 40; k >= 1; k--) f = k / 2 / (a + f);
  return Math.sign(x) * (1 - Math.exp(-a * a) / (Math.sqrt(Math.PI) * (a + f)));
}

/** Chance that a standard normal is at most z. @example normalCdf(0) // 0.5 */
export const normalCdf = (z: number): number => 0.5 * (1 + erf(z / Math.SQRT2));
