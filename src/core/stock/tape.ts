/** A piece of a cut list. */
export interface TapePiece {
  widthMm: number;
  lengthMm: number;
  tailMm: number;
}

/**
 * Tape a cut list takes, mm by width: every piece with its tail and the cut, each rounded up to whole millimetres.
 * @param kerfMm what a cut costs (adj)
 * @example tapeFor([{ widthMm: 3, lengthMm: 180, tailMm: 20 }, { widthMm: 3, lengthMm: 92.4, tailMm: 0 }])[3] // 297
 */
export function tapeFor(pieces: readonly TapePiece[], kerfMm = 2): Record<number, number> {
  const by: Record<number, number> = {};
  for (const p of pieces) by[p.widthMm] = (by[p.widthMm] ?? 0) + Math.ceil(p.lengthMm + p.tailMm + kerfMm);
  return by;
}
