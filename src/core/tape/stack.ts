/** A tape by its thickness and how far it squeezes when pressed, each with what it may be off; mm, and shares of thickness. */
export interface TapeStock {
  id: string;
  mm: number;
  dMm: number;
  squeeze: number;
  dSqueeze: number;
}

/** One or two plies in the gap, with where the panel then sits against the rim. */
export interface StackRow {
  ids: string[];
  /** How far the panel stands below the rim, mm; negative = proud. */
  flushMm: number;
  /** By how much that may be off when everything is off the same way, and as a root of squares, mm. */
  worstMm: number;
  rssMm: number;
  fitsWorst: boolean;
  fitsRss: boolean;
}

export interface TapeChoice {
  /** What the tape has to fill, mm. */
  needMm: number;
  best: StackRow | null;
  nearest: StackRow;
  rows: StackRow[];
  verdict: "fits" | "fitsMeasureThePair" | "none";
}

const EPS = 1e-9;
/** What one more ply weighs against sitting right, mm: a rigid ply fills no gap, so one foam ply is preferred. */
const PLY_MM = 0.03;

/**
 * Which tape fills the gap between a panel and its pocket: by worst case where it fits, by root of squares with the pair measured,
 * or none.
 * @param o pocket and panel with tolerances, the flushness wanted with its range, the tapes at hand, mm; one or two plies
 * @returns rows ranked, the best that fits or null, the nearest always
 * @throws RangeError without a tape
 * @example chooseTape({ pocketMm: 3.1, dPocketMm: 0.08, panelMm: 2.6, dPanelMm: 0.1, flushMm: 0.1, flushRangeMm: [-0.1, 0.35], tapes: [{ id: "foam 0.40", mm: 0.4, dMm: 0.04, squeeze: 0.08, dSqueeze: 0.04 }] }).verdict // "fitsMeasureThePair"
 */
export function chooseTape(o: {
  pocketMm: number;
  dPocketMm: number;
  panelMm: number;
  dPanelMm: number;
  flushMm: number;
  flushRangeMm: [number, number];
  tapes: readonly TapeStock[];
  layers?: 1 | 2;
  by?: "rss" | "worst";
}): TapeChoice {
  if (o.tapes.length === 0) throw new RangeError("tapes: none to choose from");
  const [lo, hi] = o.flushRangeMm;
  const plies = o.tapes.flatMap((a, i) => [[a], ...(o.layers === 1 ? [] : o.tapes.slice(i).map((b) => [a, b]))]);
  const ranked = plies.map((p): { row: StackRow; score: number } => {
    const fills = p.reduce((s, t) => s + t.mm * (1 - t.squeeze), 0);
    const terms = [o.dPocketMm, o.dPanelMm, ...p.flatMap((t) => [(1 - t.squeeze) * t.dMm, t.mm * t.dSqueeze])];
    const worstMm = terms.reduce((a, b) => a + b, 0);
    const rssMm = Math.hypot(...terms);
    const flushMm = o.pocketMm - o.panelMm - fills;
    const fits = (u: number) => flushMm - u >= lo - EPS && flushMm + u <= hi + EPS;
    const row = { ids: p.map((t) => t.id), flushMm, worstMm, rssMm, fitsWorst: fits(worstMm), fitsRss: fits(rssMm) };
    const ok = o.by === "worst" ? row.fitsWorst : row.fitsRss;
    return { row, score: (ok ? 0 : 1000) + Math.abs(flushMm - o.flushMm) + PLY_MM * (p.length - 1) };
  });
  ranked.sort((a, b) => a.score - b.score);
  const nearest = ranked[0]!.row;
  const ok = o.by === "worst" ? nearest.fitsWorst : nearest.fitsRss;
  return {
    needMm: o.pocketMm - o.panelMm - o.flushMm,
    best: ok ? nearest : null,
    nearest,
    rows: ranked.map((r) => r.row),
    verdict: nearest.fitsWorst ? "fits" : nearest.fitsRss ? "fitsMeasureThePair" : "none",
  };
}
