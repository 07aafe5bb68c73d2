/** A pivot under this is none. */
const NONE = 1e-12;

/**
 * Solves a square system by elimination with pivoting; null where it has no one solution.
 * @example solve([[2, 0], [0, 4]], [2, 8]) // [1, 2]
 */
export function solve(a: readonly (readonly number[])[], b: readonly number[]): number[] | null {
  const n = b.length;
  const m = a.map((row, i) => [...row, b[i]!]);
  for (let c = 0; c < n; c++) {
    let p = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(m[r]![c]!) > Math.abs(m[p]![c]!)) p = r;
    if (!(Math.abs(m[p]![c]!) > NONE)) return null;
    [m[c], m[p]] = [m[p]!, m[c]!];
    const by = m[c]!;
    for (let r = 0; r < n; r++) {
      const row = m[r]!;
      const f = r === c ? 0 : row[c]! / by[c]!;
      if (f) for (let k = c; k <= n; k++) row[k]! -= f * by[k]!;
    }
  }
  return m.map((row, i) => row[n]! / row[i]!);
}

/** A homography, row by row, its last entry 1. */
export type Homography = readonly number[];

/**
 * The homography that takes four points to four others; null where three of them lie on a line.
 * @example homography([[0, 0], [1, 0], [1, 1], [0, 1]], [[0, 0], [2, 0], [2, 2], [0, 2]])?.[0] // 2
 */
export function homography(
  from: readonly (readonly [number, number])[],
  to: readonly (readonly [number, number])[],
): Homography | null {
  const a: number[][] = [];
  const b: number[] = [];
  for (const [i, [x, y]] of from.entries()) {
    const [u, v] = to[i]!;
    a.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    b.push(u, v);
  }
  const s = solve(a, b);
  return s && [...s, 1];
}

/** Where a homography takes a point. @example mapped([1, 0, 0, 0, 1, 0, 0, 0, 1], 3, 4) // [3, 4] */
export function mapped(h: Homography, x: number, y: number): [number, number] {
  const d = h[6]! * x + h[7]! * y + h[8]!;
  return [(h[0]! * x + h[1]! * y + h[2]!) / d, (h[3]! * x + h[4]! * y + h[5]!) / d];
}
