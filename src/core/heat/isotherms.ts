import { contours } from "d3-contour";

/** A closed line round all that is warmer, in mm of the lid. */
export type Ring = [xMm: number, yMm: number][];

export interface Isotherm {
  c: number;
  /** Outer lines and holes of what is at or over it. */
  rings: Ring[];
}

/** Steps of lines on a drawing, °C. */
export const STEPS_C = [28, 34, 42, 50, 58, 66, 74, 82, 90, 98] as const;

/**
 * Lines of equal temperature over a lid.
 * @param t temperatures of `nx` by `ny` cells, row by row, °C
 * @param at the area the cells fill, mm
 * @param more further lines beside the usual steps, as the one at which a tape lets go
 * @returns lines that exist, coldest first
 * @throws RangeError where the cells do not fill the field
 * @example isotherms([20, 40, 20, 40], { nx: 2, ny: 2 }, { xMm: 0, yMm: 0, widthMm: 8, heightMm: 8 })[0].c // 28
 */
export function isotherms(
  t: ArrayLike<number>,
  { nx, ny }: { nx: number; ny: number },
  at: { xMm: number; yMm: number; widthMm: number; heightMm: number },
  more: readonly number[] = [],
): Isotherm[] {
  if (t.length !== nx * ny) throw new RangeError(`${t.length} temperatures for ${nx} x ${ny} cells`);
  const values = Array.from(t);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const steps = [...new Set([...STEPS_C, ...more])].filter((c) => c > low && c <= high).sort((a, b) => a - b);
  const mm = ([x, y]: number[]): [number, number] => [at.xMm + (x! / nx) * at.widthMm, at.yMm + (y! / ny) * at.heightMm];
  return contours()
    .size([nx, ny])
    .thresholds(steps)(values)
    .map((m) => ({ c: m.value, rings: m.coordinates.flatMap((p) => p.map((ring) => ring.map(mm))) }));
}
