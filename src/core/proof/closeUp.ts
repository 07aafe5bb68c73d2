import { homography, median } from "../numeric";
import { LINEAR } from "./evenness/light";
import type { Photo, Point } from "./evenness/photo";

/** A sixth of the screen, as it is photographed: three across, two down; panel px from the screen's top left. */
export interface Tile {
  x: number;
  y: number;
  w: number;
  h: number;
}
/** Crosses stand this far inside a tile's corners; what lies this near to their frame is not looked at; tiles overlap by so much, px. */
export const CROSS_INSET = 2;
const RIM = 3;
const OVERLAP = 8;

/** The sixths of a screen, row by row, each a little over its neighbours. @example tilesOf(1920, 1080)[5].x // 1272 */
export const tilesOf = (wPx: number, hPx: number): Tile[] =>
  [0, 1].flatMap((j) =>
    [0, 1, 2].map((i) => {
      const [x0, x1] = [Math.round((i * wPx) / 3) - (i ? OVERLAP : 0), Math.round(((i + 1) * wPx) / 3) + (i < 2 ? OVERLAP : 0)];
      const [y0, y1] = [Math.round((j * hPx) / 2) - (j ? OVERLAP : 0), Math.round(((j + 1) * hPx) / 2) + (j ? 0 : OVERLAP)];
      return { x: x0, y: y0, w: x1 - x0, h: y1 - y0 };
    }),
  );

/** A dot a close-up suggests; it counts only once a person marked it. */
export interface DotCandidate {
  /** Panel px from the screen's top left. */
  x: number;
  y: number;
  bright: boolean;
  /** By how much of its surroundings' light it differs. */
  contrast: number;
}
export type CloseUp =
  | { ok: false; problem: "corners" | "coarse" | "dark"; words: string }
  | { ok: true; photoPxPerPx: number; candidates: DotCandidate[] };

/** Photo px a panel px needs each way; under it nothing is suggested. */
const LEAST_PX = 3;
/** Differences from the 5 × 5 median that count: of its spread, of the screen's light, and on black of full light. */
const [OVER_MAD, OVER_LIGHT, OVER_BLACK] = [6, 0.15, 0.02];
/** Of the difference that so many places stay under, so much more. */
const [NEARLY_ALL, OVER_BEAT] = [0.995, 1.6];
/** A tile darker than this is black, or not lit. */
const BLACK = 0.01;
/** More than these are no dots: moiré, dirt, or a photo out of focus. */
const MOST = 60;

/** Places within a photo pixel its light is shared from, each way: cells are not much larger than pixels. */
const SHARES = [1 / 6, 1 / 2, 5 / 6] as const;

/**
 * Mean linear light of each panel px, its three colours alike: a camera sees a blue dot as well as a green one. A photo pixel's light is
 * shared among the thirds of panel px it lies on, and each colour's cells begin where its own stripe lies whole in them, or the two grids
 * would beat.
 */
function lightOf(photo: Photo, corners: readonly Point[], nx: number, ny: number): Float32Array | null {
  const { width, height, rgba } = photo;
  const H = homography(corners, [
    [0, 0],
    [nx, 0],
    [nx, ny],
    [0, ny],
  ]);
  if (!H) return null;
  const [h0, h1, h2, h3, h4, h5, h6, h7] = H as number[] as [number, number, number, number, number, number, number, number];
  const wide = 3 * nx;
  const sums = [0, 1, 2].map(() => new Float32Array(wide * ny));
  const [sr, sg, sb] = sums as [Float32Array, Float32Array, Float32Array];
  const n = new Float32Array(wide * ny);
  const xs = corners.map((c) => c[0]);
  const ys = corners.map((c) => c[1]);
  const [x0, x1] = [Math.max(0, Math.floor(Math.min(...xs))), Math.min(width, Math.ceil(Math.max(...xs)))];
  const [y0, y1] = [Math.max(0, Math.floor(Math.min(...ys))), Math.min(height, Math.ceil(Math.max(...ys)))];
  for (let j = y0; j < y1; j++)
    for (let i = x0; i < x1; i++) {
      const p = (j * width + i) * 4;
      const [r, g, b] = [LINEAR[rgba[p]!]!, LINEAR[rgba[p + 1]!]!, LINEAR[rgba[p + 2]!]!];
      for (const a of SHARES)
        for (const e of SHARES) {
          const [u, t] = [i + a, j + e];
          const d = 1 / (h6 * u + h7 * t + 1);
          const x = (h0 * u + h1 * t + h2) * d;
          const y = (h3 * u + h4 * t + h5) * d;
          if (!(x >= 0 && y >= 0 && x < nx && y < ny)) continue;
          const c = (y | 0) * wide + ((3 * x) | 0);
          sr[c]! += r;
          sg[c]! += g;
          sb[c]! += b;
          n[c]! += 1;
        }
    }
  const out = new Float32Array(nx * ny);
  for (const s of sums) {
    const ways = [-1, 0, 1].map((phase) => {
      const cells = new Float32Array(nx * ny);
      for (let y = 0; y < ny; y++)
        for (let x = 0; x < nx; x++) {
          let [v, k] = [0, 0];
          for (let q = 3 * x + phase; q < 3 * x + phase + 3; q++) {
            if (q < 0 || q >= wide) continue;
            v += s[y * wide + q]!;
            k += n[y * wide + q]!;
          }
          cells[y * nx + x] = v / k;
        }
      // How much cells beside each other differ: least where no stripe is cut in two.
      const steps = cells.map((v, i) => (i % nx ? Math.abs(v - cells[i - 1]!) : Number.NaN)).filter((v) => !Number.isNaN(v));
      return { cells, beats: median(steps) };
    });
    const best = ways.reduce((a, b) => (b.beats < a.beats ? b : a)).cells;
    for (let i = 0; i < out.length; i++) out[i]! += best[i]! / 3;
  }
  return out;
}

function median5(map: Float32Array, w: number, h: number, x: number, y: number, box: Float32Array): number {
  let n = 0;
  for (let j = Math.max(0, y - 2); j <= Math.min(h - 1, y + 2); j++)
    for (let i = Math.max(0, x - 2); i <= Math.min(w - 1, x + 2); i++) {
      const v = map[j * w + i]!;
      if (Number.isNaN(v)) continue;
      let k = n++;
      for (; k > 0 && box[k - 1]! > v; k--) box[k] = box[k - 1]!;
      box[k] = v;
    }
  return n === 0 ? Number.NaN : box[n >> 1]!;
}

/**
 * Dots that a sharp close-up of one sixth of the screen suggests: averaged to panel px between its four crosses, what differs from the
 * median round it by six spreads and by 15 % of the screen's light. Suggestions to look at, never faults by themselves.
 * @param corners the crosses, TL, TR, BR, BL, photo px
 * @param tile the sixth that was photographed
 * @returns `coarse` below three photo px for a panel px: then only a tap tells
 * @example closeUpDots({ width: 4, height: 4, rgba: new Uint8ClampedArray(64) }, [[0, 0], [4, 0], [4, 4], [0, 4]], { x: 0, y: 0, w: 640, h: 540 }).ok // false
 */
export function closeUpDots(photo: Photo, corners: readonly Point[], tile: Tile): CloseUp {
  const [w, h] = [tile.w - 2 * CROSS_INSET, tile.h - 2 * CROSS_INSET];
  const area = Math.abs(
    corners.reduce((s, [x, y], i) => {
      const [nx, ny] = corners[(i + 1) % corners.length]!;
      return s + x * ny - nx * y;
    }, 0) / 2,
  );
  const photoPxPerPx = Math.sqrt(area / (w * h));
  if (corners.length !== 4 || !(area > 0))
    return { ok: false, problem: "corners", words: "Its four crosses make no quadrilateral: put the marks onto them." };
  if (photoPxPerPx < LEAST_PX)
    return {
      ok: false,
      problem: "coarse",
      words: `${photoPxPerPx.toFixed(1)} photo pixels for a panel pixel, ${LEAST_PX} are needed: nearer, or mark dots by eye only.`,
    };
  const light = lightOf(photo, corners, w, h);
  if (!light) return { ok: false, problem: "corners", words: "Its four crosses make no quadrilateral: put the marks onto them." };
  const [nx, ny] = [w, h];
  const diff = new Float32Array(nx * ny);
  const box = new Float32Array(25);
  for (let y = 0; y < ny; y++)
    for (let x = 0; x < nx; x++) diff[y * nx + x] = light[y * nx + x]! - median5(light, nx, ny, x, y, box);
  const lit = median([...light].filter((v) => !Number.isNaN(v)));
  // Inside the frame only: at its rim a cell is cut.
  const off = [...diff].map(Math.abs).filter((v, i) => {
    const [x, y] = [i % nx, Math.floor(i / nx)];
    return !Number.isNaN(v) && x >= RIM && y >= RIM && x < nx - RIM && y < ny - RIM;
  });
  off.sort((a, b) => a - b);
  const mad = off[off.length >> 1] ?? 0;
  // Where camera and panel beat, the beat is in every other place: a dot stands out of what nearly all places do.
  const beat = OVER_BEAT * (off[Math.floor(off.length * NEARLY_ALL)] ?? 0);
  const least = Math.max(OVER_MAD * mad, beat, lit < BLACK ? OVER_BLACK : OVER_LIGHT * lit);
  // Pixels that touch are one candidate; its place is the middle of what stands out.
  const seen = new Uint8Array(nx * ny);
  const out: DotCandidate[] = [];
  for (let i = 0; i < diff.length; i++) {
    const [cx, cy] = [i % nx, Math.floor(i / nx)];
    if (cx < RIM || cy < RIM || cx >= nx - RIM || cy >= ny - RIM) continue;
    if (seen[i] || !(Math.abs(diff[i]!) > least)) continue;
    const sign = Math.sign(diff[i]!);
    let [sum, sx, sy, most] = [0, 0, 0, 0];
    const walk = [i];
    seen[i] = 1;
    for (const k of walk) {
      const [x, y] = [k % nx, Math.floor(k / nx)];
      const d = Math.abs(diff[k]!);
      sum += d;
      sx += d * (x + 0.5);
      sy += d * (y + 0.5);
      most = Math.max(most, d);
      for (let q = Math.max(0, y - 1); q <= Math.min(ny - 1, y + 1); q++)
        for (let p = Math.max(0, x - 1); p <= Math.min(nx - 1, x + 1); p++) {
          const n = q * nx + p;
          if (seen[n] || !(Math.abs(diff[n]!) > least) || Math.sign(diff[n]!) !== sign) continue;
          seen[n] = 1;
          walk.push(n);
        }
    }
    out.push({
      x: tile.x + CROSS_INSET + sx / sum,
      y: tile.y + CROSS_INSET + sy / sum,
      bright: sign > 0,
      contrast: most / Math.max(lit, BLACK),
    });
  }
  if (out.length > MOST)
    return {
      ok: false,
      problem: "dark",
      words: `${out.length} places stand out: moiré, dirt or a photo that is not sharp, no dots. Wipe it, hold still, tap to focus.`,
    };
  return { ok: true, photoPxPerPx, candidates: out.sort((p, q) => q.contrast - p.contrast) };
}
