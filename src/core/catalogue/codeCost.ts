/**
 * What a misreading costs, in twentieths (adj): characters that look alike are cheap, a suffix cut off or text caught beside
 * the code costs once, whatever its length. Hyphens, spaces and brackets cost nothing.
 */
export const COST = {
  /** Read one of a look-alike set for another. */
  lookAlike: 6,
  other: 20,
  /** A character too many, a character missing. */
  extra: 16,
  missing: 20,
  /** Text caught before or behind the code, each side once. */
  caught: 12,
  /** The end of the code cut off, once. */
  cut: 5,
} as const;

/** Hits that cost more than this are not near: 2.0. */
export const CEILING = 40;
const PER_ONE = 20;

/** Sets of characters read for one another off scratched labels (trade knowledge, adj). */
export const LOOK_ALIKES = ["0OQD", "1IL7", "8B3", "5S", "2Z", "6G", "UV", "MN"] as const;

/** Characters a cut code must still have, and how many may be missing at most. */
export const KEEP_LEAST = 6;
const CUT_MOST = 5;
/** Shortest part of a code of this length that may stand for it with its end cut off. @example keptLeast(12) // 7 */
export const keptLeast = (length: number): number => Math.max(KEEP_LEAST, length - CUT_MOST);

/** Letters and digits only, upper case. @example flatCode("gv140-fhb (k31)") // "GV140FHBK31" */
export const flatCode = (s: string): string => s.toUpperCase().replace(/[^A-Z0-9]/g, "");

const groupOf = new Map<string, number>();
LOOK_ALIKES.forEach((set, i) => {
  for (const c of set) groupOf.set(c, i);
});

/** Costs of all pairs of character codes, for the plain scan. */
const CODE_COST = new Uint8Array(128 * 128).fill(COST.other);
for (let a = 0; a < 128; a++) CODE_COST[(a << 7) | a] = 0;
for (const set of LOOK_ALIKES)
  for (const a of set) for (const b of set) if (a !== b) CODE_COST[(a.charCodeAt(0) << 7) | b.charCodeAt(0)] = COST.lookAlike;

/** Cost of reading `read` where the catalogue has `has`, in twentieths. @example substitution("O", "0") // 6 */
export const substitution = (read: string, has: string): number => {
  if (read === has) return 0;
  const g = groupOf.get(read);
  return g !== undefined && g === groupOf.get(has) ? COST.lookAlike : COST.other;
};

export interface Difference {
  kind: "lookAlike" | "other" | "extra" | "missing" | "caughtBefore" | "caughtBehind" | "cut";
  /** What was read, what the catalogue has; "" where there is none. */
  read: string;
  has: string;
}

export interface CodeCost {
  /** 1 = one plain mistake; null = nothing near. */
  cost: number;
  suffixMissing: boolean;
  differences: Difference[];
}

/** Distance table: rows are characters of the code, columns of the text. */
function table(q: string, c: string): number[][] {
  const n = q.length;
  const top = Array.from({ length: n + 1 }, (_, j) => (j === 0 ? 0 : Math.min(j * COST.extra, COST.caught)));
  const rows = [top];
  for (let i = 1; i <= c.length; i++) {
    const up = rows[i - 1]!;
    const row = [i * COST.missing];
    for (let j = 1; j <= n; j++)
      row.push(Math.min(up[j - 1]! + substitution(q[j - 1]!, c[i - 1]!), up[j]! + COST.missing, row[j - 1]! + COST.extra));
    rows.push(row);
  }
  return rows;
}

/** Where the cheapest reading ends: row (of the code), column (of the text), cost in twentieths. */
function ending(rows: number[][], n: number, m: number): { i: number; j: number; cost: number } {
  let best = { i: m, j: n, cost: rows[m]![n]! };
  for (let j = 0; j < n; j++) if (rows[m]![j]! + COST.caught < best.cost) best = { i: m, j, cost: rows[m]![j]! + COST.caught };
  for (let i = keptLeast(m); i < m; i++)
    if (rows[i]![n]! + COST.cut < best.cost) best = { i, j: n, cost: rows[i]![n]! + COST.cut };
  return best;
}

const rows = [new Int32Array(256), new Int32Array(256)];

/**
 * Cost of reading `text` for one code, in twentieths: what a plain scan asks of every code, and the index has to agree with.
 * Both are flattened first; give them flat (`flatCode`) to scan many.
 * @example codeCostUnits("GV14OFHBK31", "GV140FHBK31") // 6
 */
export function codeCostUnits(text: string, code: string): number {
  return flatCostUnits(flatCode(text), flatCode(code));
}

/** The same for text and code that are flat already. @example flatCostUnits("GV14OFHBK31", "GV140FHBK31") // 6 */
export function flatCostUnits(q: string, c: string): number {
  const n = q.length;
  const m = c.length;
  if (n >= 256) return ending(table(q, c), n, m).cost;
  let up = rows[0]!;
  let row = rows[1]!;
  for (let j = 0; j <= n; j++) up[j] = j === 0 ? 0 : Math.min(j * COST.extra, COST.caught);
  let best = Number.POSITIVE_INFINITY;
  const least = keptLeast(m);
  for (let i = 1; i <= m; i++) {
    row[0] = i * COST.missing;
    const has = c.charCodeAt(i - 1);
    for (let j = 1; j <= n; j++) {
      let x = up[j - 1]! + CODE_COST[(q.charCodeAt(j - 1) << 7) | has]!;
      const missing = up[j]! + COST.missing;
      if (missing < x) x = missing;
      const extra = row[j - 1]! + COST.extra;
      if (extra < x) x = extra;
      row[j] = x;
    }
    if (i >= least && i < m && row[n]! + COST.cut < best) best = row[n]! + COST.cut;
    [up, row] = [row, up];
  }
  if (up[n]! < best) best = up[n]!;
  for (let j = 0; j < n; j++) if (up[j]! + COST.caught < best) best = up[j]! + COST.caught;
  return best;
}

/**
 * Cost of reading `text` for `code`, with the differences character by character.
 * @returns cost 1 for one plain mistake, 0.3 for one look-alike; differences in reading order
 * @example explainCode("GV14OFHB-K31", "GV140FHB-K31").differences // [{ kind: "lookAlike", read: "O", has: "0" }]
 */
export function explainCode(text: string, code: string): CodeCost {
  const q = flatCode(text);
  const c = flatCode(code);
  const rows = table(q, c);
  const end = ending(rows, q.length, c.length);
  const out: Difference[] = [];
  if (end.i < c.length) out.push({ kind: "cut", read: "", has: c.slice(end.i) });
  if (end.j < q.length) out.push({ kind: "caughtBehind", read: q.slice(end.j), has: "" });
  let { i, j } = end;
  while (i > 0 || j > 0) {
    const here = rows[i]![j]!;
    if (i === 0) {
      out.push(
        here === COST.caught && j * COST.extra > COST.caught
          ? { kind: "caughtBefore", read: q.slice(0, j), has: "" }
          : { kind: "extra", read: q.slice(0, j), has: "" },
      );
      break;
    }
    if (j > 0 && here === rows[i - 1]![j - 1]! + substitution(q[j - 1]!, c[i - 1]!)) {
      const cost = substitution(q[j - 1]!, c[i - 1]!);
      if (cost) out.push({ kind: cost === COST.lookAlike ? "lookAlike" : "other", read: q[j - 1]!, has: c[i - 1]! });
      i -= 1;
      j -= 1;
    } else if (j > 0 && here === rows[i]![j - 1]! + COST.extra) {
      out.push({ kind: "extra", read: q[j - 1]!, has: "" });
      j -= 1;
    } else {
      out.push({ kind: "missing", read: "", has: c[i - 1]! });
      i -= 1;
    }
  }
  return { cost: end.cost / PER_ONE, suffixMissing: end.i < c.length, differences: out.reverse() };
}

/** One difference in words. @example differenceWords({ kind: "lookAlike", read: "O", has: "0" }) // "read O, catalogue has 0" */
export function differenceWords(d: Difference): string {
  switch (d.kind) {
    case "lookAlike":
    case "other":
      return `read ${d.read}, catalogue has ${d.has}`;
    case "extra":
      return `read ${d.read} too many`;
    case "missing":
      return `${d.has} is missing`;
    case "caughtBefore":
      return `caught ${d.read} before it`;
    case "caughtBehind":
      return `caught ${d.read} behind it`;
    case "cut":
      return `the end ${d.has} is cut off`;
  }
}
