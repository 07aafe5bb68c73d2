import type { Build } from "../build";
import { type CutPiece, cutList } from "./cutList";
import { cutRolls, type RollCut } from "./cutRolls";
import { chooseTape, type StackRow, type TapeChoice, type TapeStock } from "./stack";

/** A roll or remnant on the shelf: tape of one width and thickness, what is left of it, where it lies. */
export interface RollHere {
  lot: string;
  widthMm: number;
  thicknessMm: number;
  leftMm: number;
  place: string;
  /** Day it expires, or null. */
  expires: string | null;
}
/** What somebody measured of this pair with a calliper, mm. */
export interface PairMeasured {
  pocketMm?: number | undefined;
  panelMm?: number | undefined;
}

/** How near a calliper tells a depth or thickness, and how near a build or a datasheet does, mm (E). */
const [MEASURED_MM, TOLD_MM] = [0.02, 0.1];
/** The panel sits this far below the rim, and may sit within these, mm (adj). */
export const FLUSH = { wantedMm: 0.1, rangeMm: [-0.1, 0.35] as [number, number] };
/** Thinner than this it is a film tape and gives hardly at all; foam gives a twelfth of itself (E). */
const FOAM_FROM_MM = 0.25;

/**
 * A tape by its thickness, with what it gives when pressed and what it may be off (E).
 * @example tapeOf(0.4).squeeze // 0.08
 */
export const tapeOf = (mm: number): TapeStock => ({
  id: String(mm),
  mm,
  dMm: mm >= FOAM_FROM_MM ? mm * 0.1 : Math.max(0.01, mm * 0.1),
  squeeze: mm >= FOAM_FROM_MM ? 0.08 : 0.02,
  dSqueeze: mm >= FOAM_FROM_MM ? 0.04 : 0.01,
});

/** One tape, or two on each other, for strips of one width: how the panel then sits, and which roll gives which piece. */
export interface TapeOffer {
  /** Thickness of each ply, mm. */
  pliesMm: number[];
  row: StackRow;
  /** What is cut from what, ply by ply. */
  cuts: RollCut[];
  /** Rolls of these cuts that are over their date: only where no other is long enough. */
  overDate: string[];
}
export interface TapeOptions {
  widthMm: number;
  pieces: CutPiece[];
  /** What the gap is reckoned from, and whether both were measured. */
  pocketMm: number;
  panelMm: number;
  measured: boolean;
  /** Null where the shelf has no tape of this width. */
  choice: TapeChoice | null;
  /** Best first: those that sit right, whether or not there is enough on the rolls; then the nearest. */
  offers: TapeOffer[];
}

/**
 * Which tapes of the shelf fill the gap of this machine and panel, for each width its strips have.
 * @param build the machine, with the depth of its pocket
 * @param panelMm thickness of the panel that goes in, mm, and how near that is known; null where nobody knows it
 * @param rolls what lies on the shelf
 * @param measured the pair itself, where somebody held a calliper to it
 * @param today the day, as 2026-06-10: rolls over their date are cut from last, and named; none is over where no day is said
 * @returns one entry a width, in the build's order; empty where nothing is stuck, or the panel's thickness is not known
 * @example tapeOptions(build, { mm: 2.6 }, [], {})[0].choice // null
 */
export function tapeOptions(
  build: Build,
  panelMm: { mm: number; pm?: number | undefined } | null,
  rolls: readonly RollHere[],
  measured: PairMeasured,
  today?: string,
): TapeOptions[] {
  const all = build.subject.bringsTape ? [] : cutList(build);
  const panel = measured.panelMm ?? panelMm?.mm;
  if (panel === undefined) return [];
  const pocketMm = measured.pocketMm ?? build.lid.pocketDepthMm;
  return [...new Set(all.map((p) => p.widthMm))].map((widthMm) => {
    const pieces = all.filter((p) => p.widthMm === widthMm);
    const mine = rolls.filter((r) => r.widthMm === widthMm && r.leftMm > 0);
    const kinds = [...new Set(mine.map((r) => r.thicknessMm))].sort((a, b) => a - b);
    const base = {
      widthMm,
      pieces,
      pocketMm,
      panelMm: panel,
      measured: measured.pocketMm !== undefined && measured.panelMm !== undefined,
    };
    if (kinds.length === 0) return { ...base, choice: null, offers: [] };
    const choice = chooseTape({
      pocketMm,
      dPocketMm: measured.pocketMm === undefined ? TOLD_MM : MEASURED_MM,
      panelMm: panel,
      dPanelMm: measured.panelMm === undefined ? (panelMm?.pm ?? TOLD_MM) : MEASURED_MM,
      flushMm: FLUSH.wantedMm,
      flushRangeMm: FLUSH.rangeMm,
      tapes: kinds.map(tapeOf),
    });
    const offers = choice.rows.slice(0, 4).map((row): TapeOffer => {
      const pliesMm = row.ids.map(Number);
      return { pliesMm, row, ...cutsOf(pieces, pliesMm, mine, today) };
    });
    return { ...base, choice, offers };
  });
}

/** Whether a roll's date has passed: it counts to the end of its day. */
const isOver = (r: RollHere, today: string | undefined): boolean =>
  today !== undefined && r.expires !== null && r.expires.slice(0, 10) < today.slice(0, 10);

/** Ply by ply: what one ply took is gone for the next. Old tape grips less, so it is cut from only where nothing else is long enough. */
function cutsOf(
  pieces: readonly CutPiece[],
  plies: readonly number[],
  rolls: readonly RollHere[],
  today: string | undefined,
): { cuts: RollCut[]; overDate: string[] } {
  const left = new Map(rolls.map((r) => [r.lot, r.leftMm]));
  const cuts = plies.map((mm) => {
    const of = (these: readonly RollHere[]) =>
      cutRolls({
        pieces: pieces.map((p) => ({ id: p.id, lengthMm: p.lengthMm, tailMm: p.tailMm })),
        rolls: these.filter((r) => r.thicknessMm === mm).map((r) => ({ id: r.lot, mm: left.get(r.lot)! })),
      });
    const good = of(rolls.filter((r) => !isOver(r, today)));
    const cut = good.ok ? good : of(rolls);
    if (cut.ok) for (const c of cut.plan) left.set(c.roll, c.leftMm);
    return cut;
  });
  const used = new Set(cuts.flatMap((c) => (c.ok ? c.plan.map((x) => x.roll) : [])));
  return { cuts, overDate: rolls.filter((r) => used.has(r.lot) && isOver(r, today)).map((r) => r.lot) };
}
