import { parts } from "./grid";
import { LINEAR } from "./light";
import { meet, robustLine, type Side } from "./line";
import type { Photo, Point } from "./photo";

/** Widths a first look is made at, px. */
const SMALL = 400;
/** Least of the frame the lit area takes, and how far its shape may be from a quadrilateral. */
const LEAST_SHARE = 0.03;
const [THIN, FAT] = [0.8, 1.15];
/** How far to either side of a guessed edge the true one is looked for, in diagonals. */
const REACHES = [0.06, 0.03, 0.012, 0.012];
/** Profiles across each side. */
const ACROSS = 80;

export interface Corners {
  corners: Point[];
  /** Least share of a side's profiles that keep to its line: under 0.6 a person is asked. */
  confidence: number;
  bowPx: number;
  sides: Side[];
}

/**
 * Corners of the lit area, to be dragged by hand: the brightest large part, its hull, then each side from the light across it.
 * @returns TL, TR, BR, BL in px; null without a bright quadrilateral
 * @example suggestCorners({ width: 8, height: 8, rgba: new Uint8ClampedArray(256) }) // null
 */
export function suggestCorners(p: Photo): { corners: [number, number][]; confidence: number; bowPx: number } | null {
  const found = findCorners(p);
  return found && { corners: found.corners, confidence: found.confidence, bowPx: found.bowPx };
}

/** The same with the points along each side, for straightening. @example findCorners({ width: 8, height: 8, rgba: new Uint8ClampedArray(256) }) // null */
export function findCorners(p: Photo): Corners | null {
  const first = firstLook(p);
  if (!first) return null;
  let quad = first.quad;
  let sides: Side[] = [];
  for (const reach of REACHES) {
    const better = refined(p, quad, Math.max(6, reach * first.diagonal));
    if (!better || better.quad.some(([x, y]) => !Number.isFinite(x) || !Number.isFinite(y))) return null;
    ({ quad, sides } = better);
  }
  const size = area(quad);
  if (!convex(quad) || first.cells < THIN * size || first.cells > FAT * size) return null;
  // Cut off by the frame: its corners are not in the picture.
  if (quad.some(([x, y]) => x < 1 || y < 1 || x > p.width - 1 || y > p.height - 1)) return null;
  return {
    corners: quad,
    confidence: Math.min(...sides.map((s) => s.inliers)),
    bowPx: Math.max(...sides.map((s) => s.bow)),
    sides,
  };
}

/** The brightest large part of the photo made small, and the four corners of its hull. */
function firstLook({ width: w, height: h, rgba }: Photo): { quad: Point[]; diagonal: number; cells: number } | null {
  const s = Math.max(1, Math.floor(w / SMALL));
  const nx = Math.floor(w / s);
  const ny = Math.floor(h / s);
  const g = new Float32Array(nx * ny);
  // Three by three places of a cell say how light it is.
  const skip = Math.max(1, Math.ceil(s / 3));
  for (let y = 0; y < ny; y++)
    for (let x = 0; x < nx; x++) {
      let t = 0;
      let n = 0;
      for (let j = 0; j < s; j += skip)
        for (let i = 0; i < s; i += skip) {
          const o = ((y * s + j) * w + x * s + i) * 4;
          t += rgba[o]! + 2 * rgba[o + 1]! + rgba[o + 2]!;
          n++;
        }
      g[y * nx + x] = t / n / 4;
    }
  const limit = twoHeaps(g);
  const bright = new Uint8Array(g.length);
  for (let i = 0; i < g.length; i++) bright[i] = g[i]! > limit ? 1 : 0;
  const all = parts(bright, nx, ny, LEAST_SHARE * nx * ny);
  if (all.length === 0) return null;
  const light = (part: Int32Array) => part.reduce((t, i) => t + g[i]!, 0);
  const part = all.reduce((a, b) => (light(b) > light(a) ? b : a));
  const ends = new Map<number, [number, number]>();
  for (const i of part) {
    const y = Math.floor(i / nx);
    const x = i % nx;
    const e = ends.get(y);
    if (!e) ends.set(y, [x, x]);
    else {
      e[0] = Math.min(e[0], x);
      e[1] = Math.max(e[1], x);
    }
  }
  const hull = convexHull(
    [...ends].flatMap(([y, [a, b]]): Point[] => [
      [(a + 0.5) * s, (y + 0.5) * s],
      [(b + 0.5) * s, (y + 0.5) * s],
    ]),
  );
  let far = 0;
  let a = hull[0]!;
  let c = hull[0]!;
  for (const p of hull)
    for (const q of hull) {
      const d = (p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2;
      if (d > far) {
        far = d;
        a = p;
        c = q;
      }
    }
  const side = (p: Point) => (c[0] - a[0]) * (p[1] - a[1]) - (c[1] - a[1]) * (p[0] - a[0]);
  const b = hull.reduce((m, p) => (side(p) > side(m) ? p : m));
  const d = hull.reduce((m, p) => (side(p) < side(m) ? p : m));
  return { quad: clockwise([a, b, c, d]), diagonal: Math.sqrt(far), cells: part.length * s * s };
}

/** The value that parts a picture in two heaps best (Otsu). */
function twoHeaps(g: Float32Array): number {
  const heap = new Float64Array(256);
  for (const v of g) heap[Math.min(255, Math.floor(v))]!++;
  let sum = 0;
  heap.forEach((n, i) => {
    sum += n * i;
  });
  let best = -1;
  let limit = 128;
  let n0 = 0;
  let s0 = 0;
  for (let i = 0; i < 256; i++) {
    n0 += heap[i]!;
    s0 += heap[i]! * i;
    const n1 = g.length - n0;
    if (!n0 || !n1) continue;
    const between = n0 * n1 * (s0 / n0 - (sum - s0) / n1) ** 2;
    if (between > best) {
      best = between;
      limit = i + 0.5;
    }
  }
  return limit;
}

function convexHull(points: Point[]): Point[] {
  const p = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (q: readonly Point[]): Point[] => {
    const o: Point[] = [];
    for (const c of q) {
      for (;;) {
        const [e, f] = [o.at(-2), o.at(-1)];
        if (!e || !f || (f[0] - e[0]) * (c[1] - e[1]) - (f[1] - e[1]) * (c[0] - e[0]) > 0) break;
        o.pop();
      }
      o.push(c);
    }
    o.pop();
    return o;
  };
  return [...half(p), ...half([...p].reverse())];
}

/** Clockwise as seen in the photo, the one with the least x + y first. */
function clockwise(q: readonly Point[]): Point[] {
  const cx = q.reduce((s, p) => s + p[0], 0) / 4;
  const cy = q.reduce((s, p) => s + p[1], 0) / 4;
  const round = [...q].sort((a, b) => Math.atan2(a[1] - cy, a[0] - cx) - Math.atan2(b[1] - cy, b[0] - cx));
  let k = 0;
  for (let i = 1; i < 4; i++) if (round[i]![0] + round[i]![1] < round[k]![0] + round[k]![1]) k = i;
  return [0, 1, 2, 3].map((i) => round[(k + i) % 4]!);
}

const area = (q: readonly Point[]): number =>
  Math.abs(q.reduce((s, p, i) => s + p[0] * q[(i + 1) % 4]![1] - q[(i + 1) % 4]![0] * p[1], 0)) / 2;
const convex = (q: readonly Point[]): boolean =>
  q.every((p, i) => {
    const a = q[(i + 1) % 4]!;
    const b = q[(i + 2) % 4]!;
    return (a[0] - p[0]) * (b[1] - a[1]) - (a[1] - p[1]) * (b[0] - a[0]) > 0;
  });

/** Each side anew from the strongest fall of light across it, in linear light; corners where the sides meet. */
function refined(
  { width: w, height: h, rgba }: Photo,
  quad: readonly Point[],
  reach: number,
): { quad: Point[]; sides: Side[] } | null {
  const px = (i: number, j: number): number => {
    if (i < 0 || j < 0 || i >= w || j >= h) return 0;
    const o = (j * w + i) * 4;
    return (LINEAR[rgba[o]!]! + 2 * LINEAR[rgba[o + 1]!]! + LINEAR[rgba[o + 2]!]!) / 4;
  };
  const at = (x: number, y: number): number => {
    const u = x - 0.5;
    const v = y - 0.5;
    const i = Math.floor(u);
    const j = Math.floor(v);
    const a = u - i;
    const b = v - j;
    return (1 - b) * ((1 - a) * px(i, j) + a * px(i + 1, j)) + b * ((1 - a) * px(i, j + 1) + a * px(i + 1, j + 1));
  };
  // A wide reach only has to come near: it is looked at in longer steps, px.
  const step = reach > 60 ? Math.floor(reach / 40) : 1;
  const near = step === 1;
  const across = near ? ACROSS : ACROSS / 2;
  const r = Math.round(reach / step);
  const v = new Float64Array(2 * r + 1);
  const sides: Side[] = [];
  for (let k = 0; k < 4; k++) {
    const p = quad[k]!;
    const q = quad[(k + 1) % 4]!;
    const length = Math.hypot(q[0] - p[0], q[1] - p[1]);
    const t: Point = [(q[0] - p[0]) / length, (q[1] - p[1]) / length];
    // Outwards.
    const n: Point = [t[1], -t[0]];
    const points: Point[] = [];
    for (let a = 0; a < across; a++) {
      const f = 0.06 + (0.88 * a) / (across - 1);
      const bx = p[0] + f * (q[0] - p[0]);
      const by = p[1] + f * (q[1] - p[1]);
      for (let d = -r; d <= r; d++) {
        const x = bx + n[0] * d * step;
        const y = by + n[1] * d * step;
        v[d + r] = near ? (at(x - 2 * t[0], y - 2 * t[1]) + at(x, y) + at(x + 2 * t[0], y + 2 * t[1])) / 3 : at(x, y);
      }
      const d = edgeIn(v);
      if (d !== null) points.push([bx + n[0] * (d - r) * step, by + n[1] * (d - r) * step]);
    }
    if (points.length < 20) return null;
    sides.push(robustLine(points));
  }
  return { quad: [0, 1, 2, 3].map((k) => meet(sides[(k + 3) % 4]!, sides[k]!)), sides };
}

/** Where a profile falls most, from the area under it: not locked on to pixel columns. Null where nothing falls. */
function edgeIn(v: Float64Array): number | null {
  let most = 0;
  let at = -1;
  for (let i = 4; i < v.length - 4; i++) {
    const drop = v[i - 4]! + v[i - 3]! + v[i - 2]! - v[i + 2]! - v[i + 3]! - v[i + 4]!;
    if (drop > most) {
      most = drop;
      at = i;
    }
  }
  if (at < 0) return null;
  const inside = (v[at - 4]! + v[at - 3]! + v[at - 2]!) / 3;
  const outside = (v[at + 2]! + v[at + 3]! + v[at + 4]!) / 3;
  if (inside - outside < 0.15 * inside) return null;
  let under = 0;
  for (let i = at - 3; i <= at + 3; i++) under += Math.max(0, Math.min(1, (v[i]! - outside) / (inside - outside)));
  return at - 3 + under - 0.5;
}
