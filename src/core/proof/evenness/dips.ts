import { median, spreadAbout } from "../../numeric";

export const EDGES = ["top", "right", "bottom", "left"] as const;
export type EdgeName = (typeof EDGES)[number];
export interface EdgeDips {
  edge: EdgeName;
  dips: { atMm: number; depth: number }[];
  /** Spacing of a string of sources, where three or more dips keep to one. */
  periodMm: number | null;
}

/** Depths looked at, mm: where a light source shows, and where it has faded. */
const NEAR_MM = [2, 8] as const;
const DEEP_MM = [22, 32] as const;
/** Least depth of a dip. */
const LEAST = 0.02;

/**
 * Dips along the four edges: a dead light source shows near its edge and fades with depth.
 * @param map light per cell
 * @example findDips(new Float32Array(100 * 80).fill(1), 100, 80, 1) // []
 */
export function findDips(map: Float32Array, nx: number, ny: number, cellMm: number): EdgeDips[] {
  return EDGES.flatMap((edge): EdgeDips[] => {
    const level = edge === "top" || edge === "bottom";
    const along = level ? nx : ny;
    const across = level ? ny : nx;
    if (across * cellMm < 2 * DEEP_MM[1]) return [];
    const cell = (s: number, d: number): number => {
      const c = Math.min(across - 1, Math.round(d / cellMm));
      if (edge === "top") return c * nx + s;
      if (edge === "bottom") return (ny - 1 - c) * nx + s;
      return edge === "left" ? s * nx + c : s * nx + nx - 1 - c;
    };
    const profile = ([from, to]: readonly [number, number]): Float64Array => {
      const p = new Float64Array(along);
      for (let s = 0; s < along; s++) {
        let sum = 0;
        let n = 0;
        for (let d = from; d <= to; d += cellMm) {
          sum += map[cell(s, d)]!;
          n++;
        }
        p[s] = sum / n;
      }
      return p;
    };
    const near = flat(profile(NEAR_MM), cellMm);
    const deep = flat(profile(DEEP_MM), cellMm);
    const middle = median(near);
    // From the upper half only: a whole string of dips would else raise it.
    const sigma = 1.4826 * median(near.filter((v) => v > middle).map((v) => v - middle));
    const deepMiddle = median(deep);
    const reach = Math.round(6 / cellMm);
    const dips: EdgeDips["dips"] = [];
    for (let s = reach; s < along - reach; s++) {
      const v = near[s]! - middle;
      if (!(v <= -Math.max(LEAST, 4 * (Number.isFinite(sigma) ? sigma : 0)))) continue;
      let lowest = true;
      for (let d = -reach; d <= reach && lowest; d++) if (near[s + d]! < near[s]!) lowest = false;
      // A flat bottom is one dip.
      if (!lowest || dips.some((x) => Math.abs(x.atMm - (s + 0.5) * cellMm) < reach * cellMm)) continue;
      const below = Math.min(...deep.slice(Math.max(0, s - 4), s + 5)) - deepMiddle;
      // Just as deep further in: a mark, no light source.
      if (below < 0.75 * v) continue;
      dips.push({ atMm: (s + 0.5) * cellMm, depth: -v });
    }
    if (dips.length === 0) return [];
    const gaps = dips.slice(1).map((d, i) => d.atMm - dips[i]!.atMm);
    const period = median(gaps);
    return [{ edge, dips, periodMm: gaps.length >= 2 && spreadAbout(gaps) < 0.15 * period ? period : null }];
  });
}

/** A profile over its own 65th percentile within 30 mm, smoothed over 3 mm. */
function flat(p: Float64Array, cellMm: number): Float64Array {
  const r = Math.round(30 / cellMm);
  const n = p.length;
  const e = new Float64Array(n);
  for (let s = 0; s < n; s++) {
    const seg = p.slice(Math.max(0, s - r), Math.min(n, s + r + 1)).sort();
    const top = seg[Math.floor(seg.length * 0.65)]!;
    e[s] = top > 0 ? p[s]! / top - 1 : 0;
  }
  const k = Math.max(1, Math.round(1.5 / cellMm));
  return e.map((_, s) => {
    let sum = 0;
    let m = 0;
    for (let d = Math.max(0, s - k); d <= Math.min(n - 1, s + k); d++) {
      sum += e[d]!;
      m++;
    }
    return sum / m;
  });
}

/** Whether a mark is the mouth of a dip: both are told once, as the dip. @example atDip({ xMm: 50, yMm: 170 }, [{ edge: "bottom", dips: [{ atMm: 52, depth: 0.1 }], periodMm: null }], 310, 174) // true */
export function atDip(m: { xMm: number; yMm: number }, edges: readonly EdgeDips[], widthMm: number, heightMm: number): boolean {
  return edges.some((e) => {
    const [along, depth] =
      e.edge === "top"
        ? [m.xMm, m.yMm]
        : e.edge === "bottom"
          ? [m.xMm, heightMm - m.yMm]
          : e.edge === "left"
            ? [m.yMm, m.xMm]
            : [m.yMm, widthMm - m.xMm];
    return depth < 20 && e.dips.some((d) => Math.abs(along - d.atMm) < 15);
  });
}
