import { tidied, typed, untyped } from "./base32";

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
  /** What ruled lines and still fingers said; missing where they were not tried. */
  lines?: TouchLines;
}
export interface TouchLines {
  /** Worst distance of a ruled line from its own best line, inside and at the edges, and the worst RMS, mm; null = not drawn. */
  insideMm: number | null;
  edgeMm: number | null;
  rmsMm: number | null;
  /** RMS of a still finger, mm; null = not tried. */
  jitterMm: number | null;
  /** Fingers that lay together, and how many were asked for. */
  fingers: number;
  ofFingers: number;
  /** Sides a stroke came in from: left, right, top, bottom. */
  sides: readonly [boolean, boolean, boolean, boolean];
  /** Told too seldom, or with holes. */
  slow: boolean;
}

const FIELDS = [
  ["coveredPerMille", 10],
  ["missed", 12],
  ["columns", 6],
  ["rows", 6],
  ["watchedS", 16],
  ["ghosts", 8],
] as const;
/** Digits of a code without its check: without ruled lines and fingers, and with them. */
const SHORT = 12;
const LONG = 18;
/** Bits of each of the further figures, tenths of a mm; all ones = not tried. */
const MORE = [
  ["insideMm", 6],
  ["edgeMm", 6],
  ["rmsMm", 4],
  ["jitterMm", 5],
] as const;

const grouped = (t: string, each: number): string => (t.match(new RegExp(`.{1,${each}}`, "g")) ?? []).join("-");
const put = (n: bigint, value: number, bits: number): bigint =>
  (n << BigInt(bits)) | BigInt(Math.max(0, Math.min(2 ** bits - 1, Math.round(value))));

/**
 * A short code for a touch result, in groups of four with a check character; figures too large for it are told as the largest. With
 * ruled lines and fingers it is six digits longer.
 * @example touchCode({ coveredPerMille: 1000, missed: 0, columns: 0, rows: 0, watchedS: 1800, ghosts: 0 }).length // 16
 */
export function touchCode(r: TouchResult): string {
  let n = 0n;
  for (const [k, bits] of FIELDS) n = put(n, r[k], bits);
  const { lines } = r;
  if (lines) {
    for (const [k, bits] of MORE) {
      const v = lines[k];
      // The largest figure is not the mark of what was not tried.
      n = put(n, v === null ? 2 ** bits - 1 : Math.min(2 ** bits - 2, v * 10), bits);
    }
    n = put(put(n, lines.fingers, 3), lines.ofFingers, 3);
    for (const side of lines.sides) n = put(n, Number(side), 1);
    n = put(n, Number(lines.slow), 1);
  }
  // Two bits of the short one are spare: zero.
  else n <<= 2n;
  const digits = lines ? LONG : SHORT;
  const t = typed(n, digits);
  return `${grouped(t.slice(0, digits), 4)}-${t[digits]}`;
}

export type ReadCode = { ok: true; result: TouchResult } | { ok: false; problem: string };

/**
 * Reads a code as it is typed: any case, with or without hyphens, O for 0, I and L for 1. One digit wrong, or two changed round, is
 * noticed.
 * @example readTouchCode("ZZZZ").ok // false
 */
export function readTouchCode(text: string): ReadCode {
  const t = tidied(text);
  const long = t.length === LONG + 1;
  if (!long && t.length !== SHORT + 1)
    return {
      ok: false,
      problem: `A code has ${SHORT + 1} characters; this has ${t.length}. With lines and fingers it has ${LONG + 1}.`,
    };
  const read = untyped(t);
  if (typeof read === "string") return { ok: false, problem: read };
  let n = read;
  const take = (bits: number): number => {
    const v = Number(n & BigInt(2 ** bits - 1));
    n >>= BigInt(bits);
    return v;
  };
  let lines: TouchLines | undefined;
  if (long) {
    const slow = take(1) === 1;
    const [bottom, top, right, left] = [take(1), take(1), take(1), take(1)].map(Boolean) as [boolean, boolean, boolean, boolean];
    const [ofFingers, fingers] = [take(3), take(3)];
    const mm: Record<string, number | null> = {};
    for (const [k, bits] of [...MORE].reverse()) {
      const v = take(bits);
      mm[k] = v === 2 ** bits - 1 ? null : v / 10;
    }
    lines = { ...(mm as unknown as TouchLines), fingers, ofFingers, sides: [left, right, top, bottom], slow };
  } else take(2);
  const out: Record<string, number> = {};
  for (const [k, bits] of [...FIELDS].reverse()) out[k] = take(bits);
  const result = { ...(out as unknown as TouchResult), ...(lines ? { lines } : {}) };
  return result.coveredPerMille > 1000
    ? { ok: false, problem: "It says more than everything was covered: no code of this test." }
    : { ok: true, result };
}
