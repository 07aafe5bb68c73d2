import { CEILING, COST, type Difference, explainCode, flatCode, KEEP_LEAST, keptLeast, LOOK_ALIKES } from "./codeCost";

export interface Hit {
  code: string;
  /** 0 = as read; 0.3 for one look-alike, 1 for one plain mistake. Hits of equal cost are equal: luck never decides. */
  cost: number;
  suffixMissing: boolean;
  differences: Difference[];
}

export interface CatalogueIndex {
  /** Number of codes in it. */
  size: number;
  /**
   * Codes nearest to what was read, cheapest first, then by code. `limit` counts hits; all that tie with the last one come
   * too. Nothing near (over the ceiling of 2.0) gives an empty list.
   */
  search(text: string, limit: number): Hit[];
}

const ALPHABET = 36;
const letter = (c: string): number => {
  const x = c.charCodeAt(0);
  return x < 58 ? x - 48 : x - 55;
};
/** Cost of each character for each other, in twentieths. */
const SUBSTITUTE = new Uint8Array(ALPHABET * ALPHABET).fill(COST.other);
for (let i = 0; i < ALPHABET; i++) SUBSTITUTE[i * ALPHABET + i] = 0;
for (const set of LOOK_ALIKES)
  for (const a of set) for (const b of set) if (a !== b) SUBSTITUTE[letter(a) * ALPHABET + letter(b)] = COST.lookAlike;

/** Longest text looked at, letters and digits; what a scanner catches beyond is cut. */
const MOST_TEXT = 120;

/**
 * An index over part codes that finds exactly what a scan of all codes by `codeCostUnits` would find at or below the
 * ceiling. Codes stand sorted, so that codes with a common beginning share the rows of their distance table; a beginning
 * that already costs more than the worst hit wanted is skipped with everything behind it.
 * @param codes any number; repeated ones count once
 * @example createCatalogueIndex(["GV140FHB-K31"]).search("GV14OFHB K3I", 5)[0]?.cost // 0.6
 */
export function createCatalogueIndex(codes: readonly string[]): CatalogueIndex {
  // Codes that differ in punctuation only share one entry.
  const byFlat = new Map<string, string[]>();
  for (const code of codes) {
    const flat = flatCode(code);
    if (!flat) continue;
    const list = byFlat.get(flat);
    if (!list) byFlat.set(flat, [code]);
    else if (!list.includes(code)) list.push(code);
  }
  const flats = [...byFlat.keys()].sort();
  const n = flats.length;
  const start = new Uint32Array(n + 1);
  for (let i = 0; i < n; i++) start[i + 1] = start[i]! + flats[i]!.length;
  const chars = new Uint8Array(start[n]!);
  for (let i = 0; i < n; i++) for (let k = 0; k < flats[i]!.length; k++) chars[start[i]! + k] = letter(flats[i]![k]!);
  // Length of the beginning each code shares with the one before it.
  const shared = new Uint8Array(n + 1);
  let longest = 0;
  for (let i = 0; i < n; i++) {
    const len = start[i + 1]! - start[i]!;
    longest = Math.max(longest, Math.min(255, len));
    if (i === 0) continue;
    const most = Math.min(len, start[i]! - start[i - 1]!, 254);
    let k = 0;
    while (k < most && chars[start[i]! + k] === chars[start[i - 1]! + k]) k++;
    shared[i] = k;
  }
  // For each code: the next one that shares less than this one does with its forerunner, to skip whole beginnings at once.
  const nextAtMost = new Uint32Array(n + 1);
  const open: number[] = [];
  for (let i = n - 1; i >= 0; i--) {
    while (open.length && shared[open.at(-1)!]! > shared[i]!) open.pop();
    nextAtMost[i] = open.length ? open.at(-1)! : n;
    open.push(i);
  }
  /** First code after `i` that shares at most `depth` characters with its forerunner. */
  const skip = (i: number, depth: number): number => {
    let j = i + 1;
    while (j < n && shared[j]! > depth) j = nextAtMost[j]!;
    return j;
  };

  /** Entries with their cost at most `bound`, in twentieths. */
  function within(q: Uint8Array, bound: number): { at: number; cost: number }[] {
    const w = q.length + 1;
    const rows = new Uint16Array((longest + 1) * w);
    // Cheapest end of the text at each depth, for codes whose end is cut off; and the least of those so far.
    const cutAt = new Uint16Array(longest + 1);
    const cutLeast = new Uint16Array(longest + 1);
    rows[0] = 0;
    for (let j = 1; j < w; j++) rows[j] = Math.min(j * COST.extra, COST.caught);
    cutAt[0] = 60_000;
    cutLeast[0] = 60_000;
    const hits: { at: number; cost: number }[] = [];
    let i = 0;
    let depth = 0;
    while (i < n) {
      const from = start[i]!;
      const length = start[i + 1]! - from;
      depth = i === 0 ? 0 : Math.min(depth, shared[i]!);
      let pruned = false;
      while (depth < length) {
        const c = chars[from + depth]! * ALPHABET;
        const up = depth * w;
        const here = up + w;
        let left = (depth + 1) * COST.missing;
        rows[here] = left;
        let least = left;
        for (let j = 1; j < w; j++) {
          let x = rows[up + j - 1]! + SUBSTITUTE[c + q[j - 1]!]!;
          const del = rows[up + j]! + COST.missing;
          if (del < x) x = del;
          const ins = left + COST.extra;
          if (ins < x) x = ins;
          rows[here + j] = x;
          left = x;
          if (x < least) least = x;
        }
        depth += 1;
        cutAt[depth] = left + COST.cut;
        cutLeast[depth] = depth >= KEEP_LEAST ? Math.min(cutLeast[depth - 1]!, left + COST.cut) : 60_000;
        if (least > bound && cutLeast[depth]! > bound) {
          pruned = true;
          break;
        }
      }
      if (pruned) {
        // Everything that begins with these `depth` characters costs too much.
        const next = skip(i, depth - 1);
        i = next;
        continue;
      }
      const last = length * w;
      let cost = rows[last + w - 1]!;
      for (let j = 0; j < w - 1; j++) {
        const x = rows[last + j]! + COST.caught;
        if (x < cost) cost = x;
      }
      for (let k = keptLeast(length); k < length; k++) if (cutAt[k]! < cost) cost = cutAt[k]!;
      if (cost <= bound) hits.push({ at: i, cost });
      depth = length;
      i += 1;
    }
    return hits;
  }

  return {
    size: n,
    search(text, limit) {
      const flat = flatCode(text).slice(0, MOST_TEXT);
      if (!flat || limit < 1) return [];
      const q = Uint8Array.from(flat, letter);
      // Deepen until enough are found: most readings are one or two look-alikes away.
      let found: { at: number; cost: number }[] = [];
      for (const bound of [COST.lookAlike, 2 * COST.lookAlike, COST.other, 26, 32, CEILING]) {
        found = within(q, bound);
        const hits = found.reduce((s, h) => s + byFlat.get(flats[h.at]!)!.length, 0);
        if (hits >= limit) break;
      }
      const all = found
        .flatMap((h) => byFlat.get(flats[h.at]!)!.map((code) => ({ code, units: h.cost })))
        .sort((a, b) => a.units - b.units || (a.code < b.code ? -1 : a.code > b.code ? 1 : 0));
      const worst = all[Math.min(limit, all.length) - 1]?.units ?? 0;
      return all.filter((h, k) => k < limit || h.units === worst).map(({ code }) => ({ code, ...explainCode(flat, code) }));
    },
  };
}
