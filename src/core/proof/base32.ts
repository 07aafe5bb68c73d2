/** Digits of a typed code, and the five more its check may be: none is taken for another (Crockford's base 32, check modulo 37). */
const DIGITS = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";
const CHECKS = `${DIGITS}*~$=U`;

/** A number as so many digits and its check character. @example typed(1n, 2) // "01" + "1" */
export function typed(n: bigint, digits: number): string {
  let text = "";
  for (let i = digits - 1; i >= 0; i--) text += DIGITS[Number((n >> BigInt(5 * i)) & 31n)];
  return text + CHECKS[Number(n % 37n)];
}

/** What was typed, as the digits it means: any case, with or without hyphens, O for 0, I and L for 1. @example tidied("o1-l") // "011" */
export const tidied = (text: string): string =>
  text
    .toUpperCase()
    .replace(/[\s–-]/g, "")
    .replace(/O/g, "0")
    .replace(/[IL]/g, "1");

/**
 * The number of a tidied code whose last character is its check; or what is wrong with it.
 * @example untyped("011") // 1n
 */
export function untyped(t: string): bigint | string {
  let n = 0n;
  for (const c of t.slice(0, -1)) {
    const d = DIGITS.indexOf(c);
    if (d < 0) return `"${c}" is no character of a code.`;
    n = (n << 5n) | BigInt(d);
  }
  return CHECKS[Number(n % 37n)] === t.at(-1) ? n : "Its check character does not agree: read it once more.";
}
