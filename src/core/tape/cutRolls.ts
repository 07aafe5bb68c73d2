export interface RollPiece {
  id: string;
  lengthMm: number;
  tailMm?: number;
}

export type RollCut =
  | {
      ok: true;
      plan: { roll: string; pieces: string[]; leftMm: number }[];
      newRolls: number;
      scrapMm: number;
      remnantsTouched: number;
    }
  | { ok: false; problem: "noRollLongEnough"; longestMm: number };

export interface CutAsk {
  pieces: readonly RollPiece[];
  rolls: readonly { id: string; mm: number }[];
  newRollMm?: number | null;
  kerfMm?: number;
  leaderMm?: number;
  scrapBelowMm?: number;
}

interface Bin {
  id: string;
  mm: number;
  fresh: boolean;
}
interface Settings {
  kerf: number;
  leader: number;
  small: number;
}

/** Up to so many pieces every way is tried. */
const MOST_EXACT = 12;
/** A new roll weighs more than any scrap, scrap more than any remnant touched. */
const [NEW, SCRAP] = [1e9, 1e3];

/**
 * Straight stretches of an edge between keep-outs, each pulled back a little; those too short to hold are left out.
 * @param lengthMm of the edge; keepOuts along it, mm
 * @example stretches(194, [{ fromMm: 80, toMm: 118 }]) // [[0, 79], [119, 194]]
 */
export function stretches(
  lengthMm: number,
  keepOuts: readonly { fromMm: number; toMm: number }[],
  o: { clearMm?: number; leastMm?: number } = {},
): [number, number][] {
  const clear = o.clearMm ?? 1;
  const least = o.leastMm ?? 8;
  const out: [number, number][] = [];
  let from = 0;
  for (const k of [...keepOuts].sort((a, b) => a.fromMm - b.fromMm)) {
    if (k.fromMm - clear - from >= least) out.push([from, k.fromMm - clear]);
    from = Math.max(from, k.toMm + clear);
  }
  if (lengthMm - from >= least) out.push([from, lengthMm]);
  return out;
}

/**
 * Which piece comes from which roll: fewest new rolls, then least scrap (leaders and left-overs too short), then fewest remnants
 * touched; never spliced. Every way is tried up to 12 pieces; beyond, longest first into the tightest.
 * @param o pieces with their tails, remnants and the length of a new roll of the same tape and width, mm
 * @returns the plan, or how long a roll would have to be
 * @example cutRolls({ pieces: [{ id: "a", lengthMm: 180 }], rolls: [{ id: "r1", mm: 400 }] }).newRolls // 0
 */
export function cutRolls(o: CutAsk): RollCut {
  const s: Settings = { kerf: o.kerfMm ?? 0.5, leader: o.leaderMm ?? 10, small: o.scrapBelowMm ?? 60 };
  const lengths = o.pieces.map((p) => p.lengthMm + (p.tailMm ?? 0) + s.kerf);
  const old = o.rolls.map((r): Bin => ({ ...r, fresh: false }));
  const withNew = (n: number): Bin[] => [
    ...old,
    ...Array.from({ length: o.newRollMm ? n : 0 }, (_, k) => ({ id: k ? `new-${k + 1}` : "new", mm: o.newRollMm!, fresh: true })),
  ];
  for (let n = o.newRollMm ? 2 : 0; ; n++) {
    const bins = withNew(n);
    const sets = o.pieces.length <= MOST_EXACT ? exact(lengths, bins, s) : tightest(lengths, bins, s);
    if (sets) return told(o.pieces, lengths, bins, sets, s);
    if (!o.newRollMm || n >= o.pieces.length)
      return { ok: false, problem: "noRollLongEnough", longestMm: Math.max(...lengths) + s.leader };
  }
}

const costOf = (b: Bin, used: number, s: Settings): number => {
  const left = b.mm - s.leader - used;
  if (left < -1e-9) return Number.POSITIVE_INFINITY;
  return (b.fresh ? NEW : 0) + Math.round(10 * (s.leader + (left < s.small ? left : 0))) * SCRAP + 1;
};

/** For each bin the set of pieces it gives, as bits: the best of all ways, or null when none holds them. */
function exact(lengths: readonly number[], bins: readonly Bin[], s: Settings): number[] | null {
  const all = (1 << lengths.length) - 1;
  const used = new Float64Array(all + 1);
  for (let set = 1; set <= all; set++) used[set] = used[set & (set - 1)]! + lengths[31 - Math.clz32(set & -set)]!;
  let best = new Float64Array(all + 1).fill(Number.POSITIVE_INFINITY);
  best[0] = 0;
  const picks: Int32Array[] = [];
  for (const b of bins) {
    const next = best.slice();
    const pick = new Int32Array(all + 1);
    for (let set = 1; set <= all; set++)
      for (let part = set; part; part = (part - 1) & set) {
        const v = best[set ^ part]! + costOf(b, used[part]!, s);
        if (v < next[set]! - 1e-9) {
          next[set] = v;
          pick[set] = part;
        }
      }
    picks.push(pick);
    best = next;
  }
  if (best[all] === Number.POSITIVE_INFINITY) return null;
  const sets = bins.map(() => 0);
  for (let k = bins.length - 1, left = all; k >= 0; k--) {
    sets[k] = picks[k]![left]!;
    left ^= sets[k]!;
  }
  return sets;
}

/** Longest first, each into the roll that is left the tightest; a new roll only where no other holds it. */
function tightest(lengths: readonly number[], bins: readonly Bin[], s: Settings): number[] | null {
  const used = bins.map(() => 0);
  const sets = bins.map(() => 0);
  const order = lengths.map((x, i) => [x, i] as const).sort((a, b) => b[0] - a[0]);
  for (const [x, i] of order) {
    const room = bins.map((b, k) => b.mm - s.leader - used[k]! - x);
    let at = -1;
    for (const [k, r] of room.entries())
      if (r >= -1e-9 && (at < 0 || (bins[at]!.fresh && !bins[k]!.fresh) || (bins[at]!.fresh === bins[k]!.fresh && r < room[at]!)))
        at = k;
    if (at < 0) return null;
    used[at] = used[at]! + x;
    sets[at] = sets[at]! + 2 ** i;
  }
  return sets;
}

function told(
  pieces: readonly RollPiece[],
  lengths: readonly number[],
  bins: readonly Bin[],
  sets: readonly number[],
  s: Settings,
): RollCut {
  const rows = bins.flatMap((b, k) => {
    const mine = pieces.flatMap((_, i) => (Math.floor(sets[k]! / 2 ** i) % 2 ? [i] : []));
    if (mine.length === 0) return [];
    const leftMm = b.mm - s.leader - mine.reduce((a, i) => a + lengths[i]!, 0);
    return [{ fresh: b.fresh, row: { roll: b.id, pieces: mine.map((i) => pieces[i]!.id), leftMm } }];
  });
  return {
    ok: true,
    plan: rows.map((r) => r.row),
    newRolls: rows.filter((r) => r.fresh).length,
    scrapMm: rows.reduce((a, r) => a + s.leader + (r.row.leftMm < s.small ? r.row.leftMm : 0), 0),
    remnantsTouched: rows.length,
  };
}
