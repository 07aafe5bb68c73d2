import { leastSquares, median, spreadAbout } from "../../numeric";
import type { PanelMap } from "./panelMap";

/** Lens fall-off per channel, ln v(r) = a r² + b r⁴, and the gain between both photos. */
export interface Vignetting {
  a: number;
  b: number;
  gain: number;
}

/** Every so manieth cell is looked at. */
const EVERY = 7;
const ROUNDS = 4;

/**
 * Lens fall-off from two aims of the same panel from the same place: their difference holds no panel.
 * @returns one per channel; null where both see the panel at the same place of the frame
 * @example vignettingOf(flatMap, flatMap) // null
 */
export function vignettingOf(p: PanelMap, q: PanelMap): Vignetting[] | null {
  const out: Vignetting[] = [];
  for (let ch = 0; ch < 3; ch++) {
    const rows: number[][] = [];
    const y: number[] = [];
    for (let i = 0; i < p.r2.length; i += EVERY) {
      const [l, m] = [p.rgb[ch]![i]!, q.rgb[ch]![i]!];
      if (!(l > 0 && m > 0)) continue;
      const [r, s] = [p.r2[i]!, q.r2[i]!];
      rows.push([r - s, r * r - s * s, 1]);
      y.push(Math.log(l / m));
    }
    let w = y.map(() => 1);
    let fit: number[] | null = null;
    for (let k = 0; k < ROUNDS; k++) {
      const s = leastSquares(rows, y, w);
      if (!s) return null;
      fit = s.x;
      const [a, b, c] = s.x as [number, number, number];
      const off = y.map((v, i) => v - rows[i]![0]! * a - rows[i]![1]! * b - c);
      const scale = spreadAbout(off) || 1e-9;
      w = off.map((v) => 1 / Math.max(1, Math.abs(v) / (2 * scale)));
    }
    out.push({ a: fit![0]!, b: fit![1]!, gain: fit![2]! });
  }
  return out;
}

/** How differently r² changes over the panel between two aims: under 0.05 fall-off cannot be told from the panel. @example aimSpread(flatMap, flatMap) // 0 */
export function aimSpread(p: PanelMap, q: PanelMap): number {
  let lo = Number.POSITIVE_INFINITY;
  let hi = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < p.r2.length; i++) {
    const d = p.r2[i]! - q.r2[i]!;
    if (d < lo) lo = d;
    if (d > hi) hi = d;
  }
  return hi - lo;
}

/**
 * Where the camera was, mm from the panel's centre, and its focal length, px: given by the photo's own data, found where it was tilted,
 * else a phone's usual one (E).
 * @example cameraOf(flatMap, 100).focalPx // 100
 */
export function cameraOf(m: PanelMap, focalPx: number | null): { xMm: number; yMm: number; zMm: number; focalPx: number } {
  const { back: h, width: w, height: t, cellMm, nx, ny } = m;
  const [ox, oy] = [w / 2, t / 2];
  const rows = [
    [h[0]! - h[6]! * ox, h[1]! - h[7]! * ox],
    [h[3]! - h[6]! * oy, h[4]! - h[7]! * oy],
    [h[6]!, h[7]!],
  ].map((r) => r.map((v) => v / cellMm)) as [number, number][];
  const [r0, r1, r2] = rows as [[number, number], [number, number], [number, number]];
  let f = focalPx;
  if (!f) {
    const across = r2[0] * r2[1];
    const f2 = -(r0[0] * r0[1] + r1[0] * r1[1]) / across;
    f = Math.abs(across) > 1e-8 && f2 > 0 && Number.isFinite(f2) ? Math.sqrt(f2) : 0.6 * Math.hypot(w, t);
  }
  const c1 = [r0[0] / f, r1[0] / f, r2[0]];
  const c2 = [r0[1] / f, r1[1] / f, r2[1]];
  const k = 2 / (Math.hypot(...c1) + Math.hypot(...c2));
  const a = c1.map((v) => v * k) as [number, number, number];
  const b = c2.map((v) => v * k) as [number, number, number];
  const at = [((h[2]! - ox) / f) * k, ((h[5]! - oy) / f) * k, k] as const;
  const n = [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]] as const;
  const dot = (p: readonly number[]) => -(p[0]! * at[0] + p[1]! * at[1] + p[2]! * at[2]);
  return { xMm: dot(a) - (nx * cellMm) / 2, yMm: dot(b) - (ny * cellMm) / 2, zMm: Math.abs(dot(n)), focalPx: f };
}

/** Middle of the green values of a map. @example middleGreen(flatMap) > 0.2 // true */
export const middleGreen = (m: PanelMap): number => median(m.rgb[1].filter((_, i) => i % 17 === 0));
