import type { Point } from "./photo";

const grid = (xs: readonly number[], ys: readonly number[]): Point[] => ys.flatMap((y) => xs.map((x): Point => [x, y]));
const NINE = grid([0.1, 0.5, 0.9], [0.1, 0.5, 0.9]);
const QUARTERS = grid([0.25, 0.75], [0.25, 0.75]);

/** Points of each scheme, in shares of the lit area (schemes differ between data sheets). */
export const POINTS = {
  5: [...QUARTERS, [0.5, 0.5] as Point],
  9: NINE,
  13: [...NINE, ...QUARTERS],
  25: grid([0.1, 0.3, 0.5, 0.7, 0.9], [0.1, 0.3, 0.5, 0.7, 0.9]),
} as const;
export type Scheme = keyof typeof POINTS;
export const SCHEMES: readonly Scheme[] = [5, 9, 13, 25];

/** Radius of a point, mm. */
const RADIUS_MM = 5;

/** Cells of a round place and how much each weighs (Hann). */
export interface Spot {
  cells: Int32Array;
  weight: Float64Array;
}

/** The cells of a point of a map of nx by ny cells. @example spotAt(10, 10, 1, 0.5, 0.5).cells.length > 50 // true */
export function spotAt(nx: number, ny: number, cellMm: number, fx: number, fy: number): Spot {
  const cx = fx * nx;
  const cy = fy * ny;
  const r = Math.max(1, RADIUS_MM / cellMm);
  const cells: number[] = [];
  const weight: number[] = [];
  for (let y = Math.max(0, Math.floor(cy - r)); y < Math.min(ny, cy + r); y++)
    for (let x = Math.max(0, Math.floor(cx - r)); x < Math.min(nx, cx + r); x++) {
      const d = Math.hypot(x + 0.5 - cx, y + 0.5 - cy) / r;
      if (d >= 1) continue;
      cells.push(y * nx + x);
      weight.push(1 + Math.cos(Math.PI * d));
    }
  return { cells: Int32Array.from(cells), weight: Float64Array.from(weight) };
}

/** Weighted mean of a map over a spot. @example meanOver(new Float32Array([2]), { cells: Int32Array.from([0]), weight: Float64Array.from([1]) }) // 2 */
export function meanOver(map: Float32Array, s: Spot): number {
  let sum = 0;
  let all = 0;
  for (let i = 0; i < s.cells.length; i++) {
    sum += s.weight[i]! * map[s.cells[i]!]!;
    all += s.weight[i]!;
  }
  return all > 0 ? sum / all : 0;
}
