/** Depths from the rim, mm: where a sharpened rim stands out, and where the panel's own light is read. */
const [NEAR, FAR] = [
  [2, 9],
  [14, 30],
] as const;
/** Middle part of a side that is looked at. */
const MIDDLE = 0.7;

/**
 * How far the light rises towards the rim over what the panel does further in, on the side where it does so least: a phone that
 * sharpens its pictures draws a bright seam along every edge of what is lit, a panel never on all four.
 * @param light map of the lit area, row by row; cell in mm
 * @returns share of the light; 0 or less where a side has no seam
 * @example rimSeam(new Float32Array(100 * 100).fill(1), 100, 100, 1) // 0
 */
export function rimSeam(light: Float32Array, nx: number, ny: number, cellMm: number): number {
  const seams = (["left", "right", "top", "bottom"] as const).map((side) => {
    const upright = side === "left" || side === "right";
    const [along, deep] = upright ? [ny, nx] : [nx, ny];
    const from = Math.round((along * (1 - MIDDLE)) / 2);
    const at = (k: number, d: number) => {
      const e = side === "left" || side === "top" ? d : deep - 1 - d;
      return upright ? light[k * nx + e]! : light[e * nx + k]!;
    };
    const level = (mm: number) => {
      const d = Math.min(deep - 1, Math.round(mm / cellMm));
      const all = Array.from({ length: along - 2 * from }, (_, i) => at(from + i, d)).sort((a, b) => a - b);
      return all[Math.floor(all.length / 2)]!;
    };
    const depths = (a: number, b: number) => Array.from({ length: b - a + 1 }, (_, i) => a + i);
    const inner = depths(...FAR).map((d): [number, number] => [d, level(d)]);
    const md = inner.reduce((s, p) => s + p[0], 0) / inner.length;
    const ml = inner.reduce((s, p) => s + p[1], 0) / inner.length;
    const slope = inner.reduce((s, p) => s + (p[0] - md) * (p[1] - ml), 0) / inner.reduce((s, p) => s + (p[0] - md) ** 2, 0);
    const rise = depths(...NEAR).map((d) => level(d) / (ml + slope * (d - md)) - 1);
    return Math.max(...rise);
  });
  const least = Math.min(...seams);
  return Number.isFinite(least) ? least : 0;
}
