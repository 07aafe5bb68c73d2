import { type Homography, homography, mapped } from "../../numeric";
import { LINEAR } from "./light";
import type { Photo, Point } from "./photo";

/** A photo as the panel has it: mean linear light per cell, and how far from the frame's middle each cell lay, squared, in half diagonals. */
export interface PanelMap {
  nx: number;
  ny: number;
  cellMm: number;
  rgb: [Float32Array, Float32Array, Float32Array];
  r2: Float32Array;
  clipped: number;
  /** From cells to photo px. */
  back: Homography;
  width: number;
  height: number;
}

/** Values above this are clipped. */
const CLIPPED = 250;
/** With so many pixels in a cell every other row will do. */
const MANY = 64;

/**
 * Every photo pixel added to the panel cell it falls in, in linear light: this box mean is what takes moiré and noise away.
 * @param corners TL, TR, BR, BL px
 * @returns null where the corners make no quadrilateral
 * @throws RangeError for a black photo of another size
 * @example panelMap({ width: 4, height: 4, rgba: new Uint8ClampedArray(64).fill(128) }, [[0, 0], [4, 0], [4, 4], [0, 4]], { widthMm: 4, heightMm: 4 }, { cellMm: 1, response: 1, k1: 0 }).nx // 4
 */
export function panelMap(
  photo: Photo,
  corners: readonly Point[],
  panel: { widthMm: number; heightMm: number },
  o: { cellMm: number; response: number; k1: number },
): PanelMap | null {
  const { width: w, height: h, rgba, black } = photo;
  if (black && (black.width !== w || black.height !== h))
    throw new RangeError(`black photo: ${black.width} × ${black.height} px, the lit one has ${w} × ${h}`);
  const nx = Math.max(4, Math.round(panel.widthMm / o.cellMm));
  const ny = Math.max(4, Math.round(panel.heightMm / o.cellMm));
  const half = Math.hypot(w, h) / 2;
  const { k1 } = o;
  const table = o.response === 1 ? LINEAR : Float32Array.from(LINEAR, (v) => v ** o.response);
  const straight = ([x, y]: Point): Point => {
    const u = x - w / 2;
    const v = y - h / 2;
    const q = 1 + (k1 * (u * u + v * v)) / half / half;
    return [u * q + w / 2, v * q + h / 2];
  };
  const from = corners.map(straight);
  const frame: Point[] = [
    [0, 0],
    [nx, 0],
    [nx, ny],
    [0, ny],
  ];
  const H = homography(from, frame);
  const back = homography(frame, from);
  if (!H || !back) return null;
  const [h0, h1, h2, h3, h4, h5, h6, h7] = H as number[] as [number, number, number, number, number, number, number, number];
  const sr = new Float32Array(nx * ny);
  const sg = new Float32Array(nx * ny);
  const sb = new Float32Array(nx * ny);
  const n = new Uint32Array(nx * ny);
  const dark = black?.rgba ?? null;
  const xs = corners.map((c) => c[0]);
  const ys = corners.map((c) => c[1]);
  const x0 = Math.max(0, Math.floor(Math.min(...xs)));
  const x1 = Math.min(w, Math.ceil(Math.max(...xs)));
  const y0 = Math.max(0, Math.floor(Math.min(...ys)));
  const y1 = Math.min(h, Math.ceil(Math.max(...ys)));
  let inside = 0;
  let clipped = 0;
  const bend = k1 / half / half;
  // A large photo has more rows in a cell than its mean needs.
  const every = ((x1 - x0) * (y1 - y0)) / (nx * ny) >= MANY ? 2 : 1;
  for (let j = y0; j < y1; j += every)
    for (let i = x0; i < x1; i++) {
      let u = i + 0.5;
      let v = j + 0.5;
      if (k1 !== 0) {
        const a = u - w / 2;
        const b = v - h / 2;
        const q = 1 + bend * (a * a + b * b);
        u = a * q + w / 2;
        v = b * q + h / 2;
      }
      const d = 1 / (h6 * u + h7 * v + 1);
      const x = (h0 * u + h1 * v + h2) * d;
      const y = (h3 * u + h4 * v + h5) * d;
      if (!(x >= 0 && y >= 0 && x < nx && y < ny)) continue;
      const c = (y | 0) * nx + (x | 0);
      const p = (j * w + i) * 4;
      const r = rgba[p]!;
      const g = rgba[p + 1]!;
      const b = rgba[p + 2]!;
      inside++;
      if (r > CLIPPED || g > CLIPPED || b > CLIPPED) clipped++;
      n[c]!++;
      if (dark) {
        sr[c]! += table[r]! - table[dark[p]!]!;
        sg[c]! += table[g]! - table[dark[p + 1]!]!;
        sb[c]! += table[b]! - table[dark[p + 2]!]!;
      } else {
        sr[c]! += table[r]!;
        sg[c]! += table[g]!;
        sb[c]! += table[b]!;
      }
    }
  // A cell no pixel fell in takes its neighbour's mean.
  for (let c = 0; c < n.length; c++) {
    const k = n[c]!;
    if (k) {
      sr[c]! /= k;
      sg[c]! /= k;
      sb[c]! /= k;
    } else if (c > 0) {
      sr[c] = sr[c - 1]!;
      sg[c] = sg[c - 1]!;
      sb[c] = sb[c - 1]!;
    }
  }
  const r2 = new Float32Array(nx * ny);
  for (let y = 0; y < ny; y++)
    for (let x = 0; x < nx; x++) {
      const [u, v] = mapped(back, x + 0.5, y + 0.5);
      r2[y * nx + x] = ((u - w / 2) ** 2 + (v - h / 2) ** 2) / half / half;
    }
  return { nx, ny, cellMm: o.cellMm, rgb: [sr, sg, sb], r2, clipped: clipped / Math.max(1, inside), back, width: w, height: h };
}
