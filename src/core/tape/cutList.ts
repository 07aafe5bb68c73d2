import type { Build, Tape } from "../build";

export interface CutPiece {
  id: string;
  tapeId: string;
  edge: Tape["edge"];
  /** On the lid drawing, mm. */
  xMm: number;
  yMm: number;
  widthMm: number;
  lengthMm: number;
  thicknessMm: number;
  tailMm: number;
  upright: boolean;
}

/** Pieces shorter than this hold nothing worth a liner (adj), mm. */
const SHORTEST_MM = 8;

/**
 * The new tape as a cut list: one piece per stretch between keep-outs, where the old strip lay.
 * @param build the machine
 * @returns pieces in the build's order; empty for a panel held by screws alone
 * @example cutList(build).map((p) => `${p.widthMm} x ${p.lengthMm} mm`) // ["4 x 172 mm", "4 x 70 mm", "4 x 88 mm"]
 */
export function cutList(build: Build): CutPiece[] {
  return build.tapes.filter((t) => t.holds === build.subject.part).flatMap((t) => piecesOf(t));
}

/**
 * One strip as it is cut: a piece per stretch between its keep-outs.
 * @example piecesOf(b.build.tapes[0]).length // 1
 */
export function piecesOf(t: Tape): CutPiece[] {
  const upright = t.edge === "left" || t.edge === "right";
  const long = upright ? t.shape.heightMm : t.shape.widthMm;
  const wide = upright ? t.shape.widthMm : t.shape.heightMm;
  const out: CutPiece[] = [];
  let from = 0;
  const add = (a: number, b: number) => {
    if (b - a < SHORTEST_MM) return;
    out.push({
      id: `${t.id}-${out.length + 1}`,
      tapeId: t.id,
      edge: t.edge,
      xMm: t.shape.xMm + (upright ? 0 : a),
      yMm: t.shape.yMm + (upright ? a : 0),
      widthMm: wide,
      lengthMm: Math.round((b - a) * 10) / 10,
      thicknessMm: t.thicknessMm,
      tailMm: b === long ? t.tailMm : 0,
      upright,
    });
  };
  for (const k of [...t.keepOuts].sort((x, y) => x.fromMm - y.fromMm)) {
    add(from, k.fromMm);
    from = Math.max(from, k.toMm);
  }
  add(from, long);
  return out;
}
