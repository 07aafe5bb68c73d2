import { leastSquares, median, spreadAbout } from "../../numeric";
import { blurred, parts } from "./grid";

export interface Mark {
  xMm: number;
  yMm: number;
  areaMm2: number;
  /** Mean over the mark against its ring: + brighter. */
  contrast: number;
  /** In just noticeable contrasts for its area. */
  jnd: number;
}

/** Two bands, mm: what a mark is told from. */
const BANDS = [
  [1.5, 6],
  [4, 16],
] as const;
/** A rim left to the eye, mm; the least mark, mm². */
const RIM_MM = 5;
const LEAST_MM2 = 3;

/** Just noticeable contrast for a mark of this area, % (SEMI D31, recalled: check). @example justNoticeable(1) // 2.69 */
export const justNoticeable = (areaMm2: number): number => 1.97 / areaMm2 ** 0.33 + 0.72;

/** The map over its smooth part, a fourth-order surface: blurring mirrored edges would else make a band along the rim. */
function flattened(map: Float32Array, nx: number, ny: number): Float32Array {
  const powers = (n: number) => {
    const p = new Float64Array(n * 5);
    for (let k = 0; k < n; k++) for (let e = 0; e < 5; e++) p[k * 5 + e] = ((2 * k) / n - 1) ** e;
    return p;
  };
  const px = powers(nx);
  const py = powers(ny);
  const order: [number, number][] = [];
  for (let i = 0; i <= 4; i++) for (let j = 0; i + j <= 4; j++) order.push([i, j]);
  const rows: number[][] = [];
  const values: number[] = [];
  const sx = Math.max(1, Math.round(nx / 48));
  const sy = Math.max(1, Math.round(ny / 32));
  for (let y = sy; y < ny - 1; y += sy)
    for (let x = sx; x < nx - 1; x += sx) {
      rows.push(order.map(([i, j]) => px[x * 5 + i]! * py[y * 5 + j]!));
      values.push(map[y * nx + x]!);
    }
  const fit = leastSquares(
    rows,
    values,
    values.map(() => 1),
  );
  if (!fit) return map;
  const c = fit.x;
  const out = new Float32Array(map.length);
  for (let y = 0; y < ny; y++) {
    // The surface along a row is a polynomial of x alone.
    const row = new Float64Array(5);
    for (const [k, [i, j]] of order.entries()) row[i]! += c[k]! * py[y * 5 + j]!;
    for (let x = 0; x < nx; x++) {
      const s =
        row[0]! + row[1]! * px[x * 5 + 1]! + row[2]! * px[x * 5 + 2]! + row[3]! * px[x * 5 + 3]! + row[4]! * px[x * 5 + 4]!;
      out[y * nx + x] = s > 1e-9 ? map[y * nx + x]! / s : 1;
    }
  }
  return out;
}

/**
 * Marks that stand out from what lies around them: blotches, pressure marks, things under films.
 * @param looks how many just noticeable contrasts a mark has to have
 * @example findMarks(new Float32Array(100 * 80).fill(1), 100, 80, 1) // []
 */
export function findMarks(map: Float32Array, nx: number, ny: number, cellMm: number, looks = 1): Mark[] {
  const flat = flattened(map, nx, ny);
  const found: Mark[] = [];
  const rim = Math.round(RIM_MM / cellMm);
  for (const [small, large] of BANDS) {
    const a = blurred(flat, nx, ny, small / cellMm);
    const b = blurred(flat, nx, ny, large / cellMm);
    const c = new Float32Array(a.length);
    for (let i = 0; i < c.length; i++) c[i] = b[i]! > 1e-9 ? a[i]! / b[i]! - 1 : 0;
    const inner: number[] = [];
    for (let y = rim; y < ny - rim; y += 2) for (let x = rim; x < nx - rim; x += 2) inner.push(c[y * nx + x]!);
    if (inner.length === 0) continue;
    const middle = median(inner);
    const limit = Math.max(4.5 * spreadAbout(inner), (0.35 * looks * justNoticeable(Math.PI * small * small * 4)) / 100);
    for (const sign of [1, -1]) {
      const mask = new Uint8Array(c.length);
      for (let y = rim; y < ny - rim; y++)
        for (let x = rim; x < nx - rim; x++) if (sign * (c[y * nx + x]! - middle) > limit) mask[y * nx + x] = 1;
      for (const part of parts(mask, nx, ny, LEAST_MM2 / cellMm / cellMm))
        found.push(measured(part, c, flat, nx, ny, cellMm, sign));
    }
  }
  found.sort((p, q) => q.jnd - p.jnd);
  const kept: Mark[] = [];
  for (const m of found) {
    const apart = (q: Mark) =>
      Math.hypot(q.xMm - m.xMm, q.yMm - m.yMm) >= 1.2 * Math.sqrt(Math.max(q.areaMm2, m.areaMm2) / Math.PI) + 3;
    if (m.jnd >= looks && kept.every(apart)) kept.push(m);
  }
  return kept;
}

/** A part at half its peak: place, size and mean contrast against a ring of 2.2 to 3.2 radii. */
function measured(
  part: Int32Array,
  c: Float32Array,
  flat: Float32Array,
  nx: number,
  ny: number,
  cellMm: number,
  sign: number,
): Mark {
  let peak = part[0]!;
  for (const i of part) if (sign * c[i]! > sign * c[peak]!) peak = i;
  const half = part.filter((i) => sign * c[i]! > (sign * c[peak]!) / 2);
  let cx = 0;
  let cy = 0;
  let sum = 0;
  for (const i of half) {
    cx += (i % nx) / half.length;
    cy += Math.floor(i / nx) / half.length;
    sum += flat[i]!;
  }
  const radius = Math.sqrt(half.length / Math.PI);
  const around = ringMedian(flat, nx, ny, cx, cy, radius);
  const contrast = around > 0 ? sum / half.length / around - 1 : 0;
  const areaMm2 = half.length * cellMm * cellMm;
  return {
    xMm: (cx + 0.5) * cellMm,
    yMm: (cy + 0.5) * cellMm,
    areaMm2,
    contrast,
    jnd: (Math.abs(contrast) * 100) / justNoticeable(areaMm2),
  };
}

/** Middle of a ring of 2.2 to 3.2 radii; 0 where there is none. */
function ringMedian(map: Float32Array, nx: number, ny: number, cx: number, cy: number, radius: number): number {
  const ring: number[] = [];
  const far = 3.2 * radius;
  for (let y = Math.max(0, Math.round(cy - far)); y <= Math.min(ny - 1, cy + far); y++)
    for (let x = Math.max(0, Math.round(cx - far)); x <= Math.min(nx - 1, cx + far); x++) {
      const d = Math.hypot(x - cx, y - cy);
      if (d > 2.2 * radius && d < far) ring.push(map[y * nx + x]!);
    }
  return ring.length ? median(ring) : 0;
}

/** Contrast of a mark in one photo's own map. Moiré moves with the photo, a mark stays. @example contrastIn(new Float32Array(100 * 80).fill(1), 100, 80, 1, { xMm: 50, yMm: 40, areaMm2: 30, contrast: 0.1, jnd: 3 }) // 0 */
export function contrastIn(map: Float32Array, nx: number, ny: number, cellMm: number, m: Mark): number {
  const r = Math.max(1.5, Math.sqrt(m.areaMm2 / Math.PI)) / cellMm;
  const cx = m.xMm / cellMm - 0.5;
  const cy = m.yMm / cellMm - 0.5;
  let sum = 0;
  let n = 0;
  for (let y = Math.max(0, Math.floor(cy - r)); y <= Math.min(ny - 1, cy + r); y++)
    for (let x = Math.max(0, Math.floor(cx - r)); x <= Math.min(nx - 1, cx + r); x++)
      if (Math.hypot(x - cx, y - cy) < r) {
        sum += map[y * nx + x]!;
        n++;
      }
  const around = ringMedian(map, nx, ny, cx, cy, r);
  return n && around > 0 ? sum / n / around - 1 : 0;
}
