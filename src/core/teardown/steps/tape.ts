import { type CutPiece, cutList } from "../../tape";
import type { Planned } from "../step";

/** What a piece takes off its roll. @example tapeUse(cutList(build)[0]).name // "Tape 4 × 0.5 mm" */
export const tapeUse = (c: CutPiece): { name: string; mm: number } => ({
  name: `Tape ${c.widthMm} × ${c.thicknessMm} mm`,
  mm: c.lengthMm + c.tailMm,
});

/** A piece of the cut list with the number it is called by. @example pieceOf({ b, changes: [] }, "tape-left-1").number // 1 */
export function pieceOf({ b }: Planned, id: string): CutPiece & { number: number } {
  const pieces = cutList(b.build);
  const at = pieces.findIndex((p) => p.id === id);
  return { ...pieces[at]!, number: at + 1 };
}
