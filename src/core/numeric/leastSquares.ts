export interface LeastSquares {
  x: number[];
  /** Of the solution, from the weights. */
  cov: number[][];
  /** Weighted squares that are left. */
  rss: number;
}

/** A column that is this much a mixture of those before it says nothing of its own. */
const DEPENDENT = 1e-9;

/**
 * The least weighted squares of `a x - b`; null where the rows do not say enough.
 * @example leastSquares([[1, 0], [0, 2]], [3, 4], [1, 1]).x // [3, 2]
 */
export function leastSquares(a: readonly (readonly number[])[], b: readonly number[], w: readonly number[]): LeastSquares | null {
  const n = a[0]?.length ?? 0;
  if (n === 0 || a.length < n) return null;
  // Columns to a size of one first, so that millimetres and radians weigh alike.
  const scale = Array.from({ length: n }, (_, k) => Math.sqrt(a.reduce((s, row) => s + row[k]! ** 2, 0)) || 1);
  const m = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (__, j) => a.reduce((s, row, r) => s + (w[r]! * row[i]! * row[j]!) / (scale[i]! * scale[j]!), 0)),
  );
  const rhs = Array.from({ length: n }, (_, i) => a.reduce((s, row, r) => s + (w[r]! * row[i]! * b[r]!) / scale[i]!, 0));
  const inverse = invert(m);
  if (!inverse) return null;
  const x = inverse.map((row, i) => row.reduce((s, v, j) => s + v * rhs[j]!, 0) / scale[i]!);
  return {
    x,
    cov: inverse.map((row, i) => row.map((v, j) => v / (scale[i]! * scale[j]!))),
    rss: a.reduce((s, row, r) => s + w[r]! * (row.reduce((t, v, k) => t + v * x[k]!, 0) - b[r]!) ** 2, 0),
  };
}

/** The inverse of a symmetric matrix, or null where it has none. */
function invert(m: readonly (readonly number[])[]): number[][] | null {
  const n = m.length;
  const rows = m.map((r, i) => [...r, ...Array.from({ length: n }, (_, j) => (i === j ? 1 : 0))]);
  const size = Math.max(...m.map((r, i) => Math.abs(r[i]!)));
  for (let k = 0; k < n; k++) {
    let p = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(rows[i]![k]!) > Math.abs(rows[p]![k]!)) p = i;
    if (!(Math.abs(rows[p]![k]!) > DEPENDENT * size)) return null;
    [rows[k], rows[p]] = [rows[p]!, rows[k]!];
    const by = rows[k]![k]!;
    rows[k] = rows[k]!.map((v) => v / by);
    for (let i = 0; i < n; i++) {
      const f = rows[i]![k]!;
      if (i !== k && f !== 0) rows[i] = rows[i]!.map((v, j) => v - f * rows[k]![j]!);
    }
  }
  return rows.map((r) => r.slice(n));
}
