import { median } from "../../numeric";
import type { Point } from "./photo";

/** n · p = c; how many points keep to it, and how far its middle bows against its ends, px. */
export interface Side {
  n: Point;
  c: number;
  inliers: number;
  bow: number;
  points: Point[];
}

/** The total least squares line through points. */
function lineThrough(p: readonly Point[]): { n: Point; c: number } {
  let mx = 0;
  let my = 0;
  for (const [x, y] of p) {
    mx += x / p.length;
    my += y / p.length;
  }
  let a = 0;
  let b = 0;
  let c = 0;
  for (const [x, y] of p) {
    a += (x - mx) ** 2;
    b += (x - mx) * (y - my);
    c += (y - my) ** 2;
  }
  const t = 0.5 * Math.atan2(2 * b, a - c);
  const n: Point = [-Math.sin(t), Math.cos(t)];
  return { n, c: n[0] * mx + n[1] * my };
}

/**
 * A line by least median of residuals over pairs, then total least squares on what keeps to it.
 * @example robustLine([[0, 0], [1, 0], [2, 0]]).bow // 0
 */
export function robustLine(points: Point[]): Side {
  let best = lineThrough(points);
  let score = Number.POSITIVE_INFINITY;
  const off = new Float64Array(points.length);
  /** So many residuals at or over a median make it no less. */
  const spare = off.length - (off.length >> 1);
  for (let i = 0; i < points.length; i += 3)
    for (let j = i + 12; j < points.length; j += 5) {
      const [p, q] = [points[i]!, points[j]!];
      const long = Math.hypot(q[0] - p[0], q[1] - p[1]);
      if (long === 0) continue;
      const nx = (p[1] - q[1]) / long;
      const ny = (q[0] - p[0]) / long;
      const c = nx * p[0] + ny * p[1];
      // Its median is under the best one only where more than half of the residuals are: most pairs are out before they are sorted.
      let over = 0;
      for (let k = 0; k < off.length && over < spare; k++) {
        const r = Math.abs(nx * points[k]![0] + ny * points[k]![1] - c);
        off[k] = r;
        if (r >= score) over++;
      }
      if (over >= spare) continue;
      off.sort();
      score = off[off.length >> 1]!;
      best = { n: [nx, ny], c };
    }
  let keep = points;
  for (let k = 0; k < 3; k++) {
    const limit = Math.max(1, 3 * (Number.isFinite(score) ? score : 0));
    const { n, c } = best;
    const near = points.filter((p) => Math.abs(n[0] * p[0] + n[1] * p[1] - c) < limit);
    if (near.length < 3) break;
    keep = near;
    best = lineThrough(keep);
  }
  const e = keep.map((p) => best.n[0] * p[0] + best.n[1] * p[1] - best.c);
  const third = Math.floor(e.length / 3);
  const mean = (a: readonly number[]) => (a.length ? a.reduce((s, x) => s + x, 0) / a.length : 0);
  const bow = Math.abs(mean(e.slice(third, 2 * third)) - (mean(e.slice(0, third)) + mean(e.slice(2 * third))) / 2) * 1.5;
  return { ...best, inliers: keep.length / points.length, bow, points };
}

/** Where two lines meet. @example meet({ n: [1, 0], c: 2 }, { n: [0, 1], c: 3 }) // [2, 3] */
export function meet(a: Pick<Side, "n" | "c">, b: Pick<Side, "n" | "c">): Point {
  const d = a.n[0] * b.n[1] - a.n[1] * b.n[0];
  return [(a.c * b.n[1] - b.c * a.n[1]) / d, (a.n[0] * b.c - b.n[0] * a.c) / d];
}

/**
 * Radial distortion k1 that makes the four sides straight: p_undistorted = p (1 + k1 r²), r in half diagonals about the middle.
 * @example Math.abs(straightening([], 10, 10)) <= 0.25 // true
 */
export function straightening(sides: readonly (readonly Point[])[], width: number, height: number): number {
  const half = Math.hypot(width, height) / 2;
  const cost = (k: number): number => {
    let sum = 0;
    for (const side of sides) {
      const p = side.map(([x, y]): Point => {
        const u = x - width / 2;
        const v = y - height / 2;
        const q = 1 + (k * (u * u + v * v)) / half / half;
        return [u * q, v * q];
      });
      const l = robustLine(p);
      sum += median(p.map(([x, y]) => Math.abs(l.n[0] * x + l.n[1] * y - l.c)));
    }
    return sum;
  };
  let a = -0.25;
  let b = 0.25;
  for (let i = 0; i < 26; i++) {
    const c = a + 0.382 * (b - a);
    const d = a + 0.618 * (b - a);
    if (cost(c) < cost(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}
