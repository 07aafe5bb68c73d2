/** What a touch test on a machine without a network gives back, typed by hand. */
export interface TouchResult {
  /** Cells touched, in thousandths. */
  coveredPerMille: number;
  /** Cells nothing touched, and whole columns and rows among them. */
  missed: number;
  columns: number;
  rows: number;
  /** Hands off for so long, s, and how many bursts came meanwhile. */
  watchedS: number;
  ghosts: number;
}

/** Digits of the code, and the five more its check may be: none is taken for another (Crockford's base 32, check modulo 37). */
const DIGITS = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";
const CHECKS = `${DIGITS}*~$=U`;
const FIELDS = [
  ["coveredPerMille", 10],
  ["missed", 12],
  ["columns", 6],
  ["rows", 6],
  ["watchedS", 16],
  ["ghosts", 8],
] as const;
/** Bits of a code without its check: twelve digits of five. */
const LENGTH = 12;

/**
 * A short code for a touch result, in groups of four with a check character; figures too large for it are told as the largest.
 * @example touchCode({ coveredPerMille: 1000, missed: 0, columns: 0, rows: 0, watchedS: 1800, ghosts: 0 }).length // 16
 */
export function touchCode(r: TouchResult): string {
  let n = 0n;
  for (const [k, bits] of FIELDS) {
    const most = 2 ** bits - 1;
    n = (n << BigInt(bits)) | BigInt(Math.max(0, Math.min(most, Math.round(r[k]))));
  }
  // Two bits are spare: zero.
  n <<= 2n;
  let text = "";
  for (let i = LENGTH - 1; i >= 0; i--) text += DIGITS[Number((n >> BigInt(5 * i)) & 31n)];
  return `${text.slice(0, 4)}-${text.slice(4, 8)}-${text.slice(8)}-${CHECKS[Number(n % 37n)]}`;
}

export type ReadCode = { ok: true; result: TouchResult } | { ok: false; problem: string };

/**
 * Reads a code as it is typed: any case, with or without hyphens, O for 0, I and L for 1. One digit wrong, or two changed round, is
 * noticed.
 * @example readTouchCode("ZZZZ").ok // false
 */
export function readTouchCode(text: string): ReadCode {
  const t = text
    .toUpperCase()
    .replace(/[\s–-]/g, "")
    .replace(/O/g, "0")
    .replace(/[IL]/g, "1");
  if (t.length !== LENGTH + 1) return { ok: false, problem: `A code has ${LENGTH + 1} characters; this has ${t.length}.` };
  let n = 0n;
  for (const c of t.slice(0, LENGTH)) {
    const d = DIGITS.indexOf(c);
    if (d < 0) return { ok: false, problem: `"${c}" is no character of a code.` };
    n = (n << 5n) | BigInt(d);
  }
  if (CHECKS[Number(n % 37n)] !== t[LENGTH])
    return { ok: false, problem: "Its check character does not agree: read it once more." };
  n >>= 2n;
  const out: Record<string, number> = {};
  for (const [k, bits] of [...FIELDS].reverse()) {
    out[k] = Number(n & BigInt(2 ** bits - 1));
    n >>= BigInt(bits);
  }
  const result = out as unknown as TouchResult;
  return result.coveredPerMille > 1000
    ? { ok: false, problem: "It says more than everything was covered: no code of this test." }
    : { ok: true, result };
}
