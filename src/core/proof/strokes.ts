import { straightness, type TouchSample } from "./touch";

/** A line to be drawn along a ruler: a diagonal, or one 10 mm inside an edge; mm on the glass. */
export interface Guide {
  id: string;
  name: string;
  from: readonly [number, number];
  to: readonly [number, number];
  edge: boolean;
}
export const SIDES = ["left", "right", "top", "bottom"] as const;
export type Side = (typeof SIDES)[number];

/** What a healthy glass stays within (E): off a ruled line inside and at an edge, its RMS, a still finger, between two samples. */
export const TOUCH_LIMITS = { insideMm: 1.5, edgeMm: 2.5, rmsMm: 0.7, jitterMm: 0.5, intervalS: 0.017, gapS: 0.06 } as const;

const INSET = 10;
/** How much of a guide has to be drawn, how far beside it, and how much turned. */
const ENOUGH = 0.6;
const BESIDE_MM = 15;
const TURNED = Math.cos((10 * Math.PI) / 180);
/** In from a side: begun this near to it, and so far inwards. */
const AT_SIDE_MM = 6;
const INWARDS_MM = 25;
/** A jump that far is a hole in the stroke, not a slow finger. */
const JUMP_MM = 6;

/** The six lines of a straightness test. @throws RangeError for a size that cannot be @example guidesOf(309, 174).length // 6 */
export function guidesOf(widthMm: number, heightMm: number): Guide[] {
  if (!(widthMm > 2 * INSET && heightMm > 2 * INSET)) throw new RangeError(`area: ${widthMm} × ${heightMm} mm`);
  const [l, t, r, b] = [INSET, INSET, widthMm - INSET, heightMm - INSET];
  return [
    { id: "down", name: "diagonal down", from: [l, t], to: [r, b], edge: false },
    { id: "up", name: "diagonal up", from: [l, b], to: [r, t], edge: false },
    { id: "top", name: "top edge", from: [l, t], to: [r, t], edge: true },
    { id: "bottom", name: "bottom edge", from: [l, b], to: [r, b], edge: true },
    { id: "left", name: "left edge", from: [l, t], to: [l, b], edge: true },
    { id: "right", name: "right edge", from: [r, t], to: [r, b], edge: true },
  ];
}

export interface StrokeFigures {
  /** The guide it was drawn along; null where it is none of them. */
  guide: string | null;
  worstMm: number;
  rmsMm: number;
  /** Middle time between two samples, s; 0 with fewer than two. */
  intervalS: number;
  /** Longest time without a sample while the finger went on, s. */
  gapS: number;
  /** The side it came in from; null where it began elsewhere or stayed there. */
  cameInFrom: Side | null;
}

/**
 * What one stroke of one finger says: along which guide, how straight, how often it was told, from which side it came in.
 * @param s its samples in their order, mm and s
 * @example strokeFigures([{ xMm: 1, yMm: 50, tS: 0, id: 1 }, { xMm: 40, yMm: 50, tS: 0.4, id: 1 }], 309, 174).cameInFrom // "left"
 */
export function strokeFigures(s: readonly TouchSample[], widthMm: number, heightMm: number): StrokeFigures {
  const first = s[0];
  const last = s.at(-1);
  if (!first || !last) return { guide: null, worstMm: 0, rmsMm: 0, intervalS: 0, gapS: 0, cameInFrom: null };
  const [dx, dy] = [last.xMm - first.xMm, last.yMm - first.yMm];
  const length = Math.hypot(dx, dy);
  const along = guidesOf(widthMm, heightMm).find((g) => {
    const [gx, gy] = [g.to[0] - g.from[0], g.to[1] - g.from[1]];
    const gl = Math.hypot(gx, gy);
    if (length < ENOUGH * gl || Math.abs(dx * gx + dy * gy) < TURNED * length * gl) return false;
    const beside = s.reduce((n, p) => n + Math.abs((p.xMm - g.from[0]) * gy - (p.yMm - g.from[1]) * gx) / gl, 0) / s.length;
    return beside <= BESIDE_MM;
  });
  const steps = s.slice(1).map((p, i) => ({ dt: p.tS - s[i]!.tS, d: Math.hypot(p.xMm - s[i]!.xMm, p.yMm - s[i]!.yMm) }));
  const times = steps.map((x) => x.dt).sort((a, b) => a - b);
  const from: Record<Side, [number, number]> = {
    left: [first.xMm, dx],
    right: [widthMm - first.xMm, -dx],
    top: [first.yMm, dy],
    bottom: [heightMm - first.yMm, -dy],
  };
  return {
    guide: along?.id ?? null,
    ...straightness(s.map((p) => [p.xMm, p.yMm] as const)),
    intervalS: times[Math.floor(times.length / 2)] ?? 0,
    gapS: Math.max(0, ...steps.filter((x) => x.d > JUMP_MM).map((x) => x.dt)),
    cameInFrom: SIDES.find((k) => from[k][0] <= AT_SIDE_MM && from[k][1] >= INWARDS_MM) ?? null,
  };
}

/** A finger on the glass: where it was since it came down, up again or still there. */
export interface Finger {
  id: number;
  samples: readonly TouchSample[];
  upS: number | null;
}

/**
 * How many fingers lay still together for a while, and how much the least still of them moved by itself.
 * @param nowS now, s @param forS how long they have to lie, s
 * @returns jitter as RMS about the finger's own middle, mm; null where none lay that long
 * @example heldFingers([{ id: 1, samples: [{ xMm: 9, yMm: 9, tS: 0, id: 1 }], upS: null }], 3).count // 1
 */
export function heldFingers(fingers: readonly Finger[], nowS: number, forS = 2): { count: number; jitterMm: number | null } {
  const held = fingers.filter((f) => f.upS === null && f.samples[0] !== undefined && nowS - f.samples[0].tS >= forS);
  if (held.length === 0) return { count: 0, jitterMm: null };
  const rms = held.map((f) => {
    // What it does as it lands is no jitter.
    const late = f.samples.filter((p) => p.tS >= nowS - forS + 0.3);
    const s = late.length ? late : f.samples.slice(-1);
    const [mx, my] = [s.reduce((n, p) => n + p.xMm, 0) / s.length, s.reduce((n, p) => n + p.yMm, 0) / s.length];
    return Math.sqrt(s.reduce((n, p) => n + (p.xMm - mx) ** 2 + (p.yMm - my) ** 2, 0) / s.length);
  });
  return { count: held.length, jitterMm: Math.max(...rms) };
}
