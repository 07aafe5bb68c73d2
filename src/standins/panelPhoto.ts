import { draws } from "@/core/chance";
import type { Photo } from "@/core/proof";

/** A panel as it truly is, mm from its centre, x right, y down; light relative to the centre's. */
export interface TruePanel {
  widthMm: number;
  heightMm: number;
  /** Slope across, slope down, and how much it falls towards the sides and to top and bottom. */
  slope?: [number, number];
  falls?: [number, number];
  marks?: { x: number; y: number; sigma: number; contrast: number }[];
  /** Dead sources at the lower edge: place and depth at the rim. */
  sources?: { x: number; depth: number }[];
  dead?: { x: number; y: number; w: number; h: number }[];
  /** Red rises and blue falls to the right by this. */
  tint?: number;
  /** Falls with the cosine of the viewing angle to this power. */
  tilt?: number;
}
export interface Shot {
  width: number;
  height: number;
  /** Lens, mm from the panel's centre; z is the distance. */
  at: [number, number, number];
  /** Where on the panel it is aimed, and the roll. */
  aim: [number, number];
  rollDeg?: number;
  focalPx: number;
  exposure?: number;
  /** Lens fall-off: light times 1 + v r² + w r⁴, r in half diagonals. */
  lens?: [number, number];
  noise?: number;
  moire?: number;
  room?: number;
  tone?: number;
  black?: boolean;
  /** Five patches of so much light, left to right, in place of white. */
  steps?: readonly number[];
  /** Bright things beside the panel, or mirrored in it: discs on the panel's plane. */
  lamps?: { x: number; y: number; r: number; light: number }[];
  seed: number;
}

/** True light at a place; channel 0 red, 1 green, 2 blue. */
export function trueLight(p: TruePanel, x: number, y: number, channel = 1): number {
  const u = (2 * x) / p.widthMm;
  const v = (2 * y) / p.heightMm;
  const [sx, sy] = p.slope ?? [0, 0];
  const [fx, fy] = p.falls ?? [0, 0];
  let l = 1 + sx * u + sy * v - fx * u * u - fy * v * v;
  for (const m of p.marks ?? []) l *= 1 + m.contrast * Math.exp(-((x - m.x) ** 2 + (y - m.y) ** 2) / (2 * m.sigma ** 2));
  const deep = p.heightMm / 2 - y;
  for (const s of p.sources ?? []) l *= 1 - (s.depth * Math.exp(-deep / 14)) / (1 + ((x - s.x) / (4 + deep / 2)) ** 2);
  for (const d of p.dead ?? []) if (Math.abs(x - d.x) < d.w / 2 && Math.abs(y - d.y) < d.h / 2) l *= 0.03;
  return Math.max(0, l) * (1 + (1 - channel) * (p.tint ?? 0) * u);
}

/** Mean of the true light within a Hann window of 5 mm: what a point of a scheme has. */
function trueAt(p: TruePanel, x: number, y: number, channel: number): number {
  let sum = 0;
  let all = 0;
  for (let j = -5; j <= 5; j += 0.5)
    for (let i = -5; i <= 5; i += 0.5) {
      const d = Math.hypot(i, j) / 5;
      if (d >= 1 || Math.abs(x + i) > p.widthMm / 2 || Math.abs(y + j) > p.heightMm / 2) continue;
      const w = 1 + Math.cos(Math.PI * d);
      sum += w * trueLight(p, x + i, y + j, channel);
      all += w;
    }
  return sum / all;
}

const SHARES: Record<number, [number, number][]> = {
  5: [
    [0.25, 0.25],
    [0.75, 0.25],
    [0.25, 0.75],
    [0.75, 0.75],
    [0.5, 0.5],
  ],
  9: [0.1, 0.5, 0.9].flatMap((y) => [0.1, 0.5, 0.9].map((x): [number, number] => [x, y])),
  25: [0.1, 0.3, 0.5, 0.7, 0.9].flatMap((y) => [0.1, 0.3, 0.5, 0.7, 0.9].map((x): [number, number] => [x, y])),
};
SHARES[13] = [...SHARES[9]!, ...SHARES[5]!.slice(0, 4)];

/** Least over most of a scheme, from the truth. */
export function trueRatio(p: TruePanel, n: number): number {
  const l = SHARES[n]!.map(([x, y]) => {
    const at = (c: number) => trueAt(p, (x - 0.5) * p.widthMm, (y - 0.5) * p.heightMm, c);
    return 0.2126 * at(0) + 0.7152 * at(1) + 0.0722 * at(2);
  });
  return Math.min(...l) / Math.max(...l);
}
/** Largest u'v' distance of a scheme, from the truth. */
export function trueShift(p: TruePanel, n: number): number {
  const uv = SHARES[n]!.map(([x, y]) => {
    const [r, g, b] = [0, 1, 2].map((c) => trueAt(p, (x - 0.5) * p.widthMm, (y - 0.5) * p.heightMm, c)) as [
      number,
      number,
      number,
    ];
    const X = 0.4124 * r + 0.3576 * g + 0.1805 * b;
    const Y = 0.2126 * r + 0.7152 * g + 0.0722 * b;
    const Z = 0.0193 * r + 0.1192 * g + 0.9505 * b;
    return [(4 * X) / (X + 15 * Y + 3 * Z), (9 * Y) / (X + 15 * Y + 3 * Z)] as const;
  });
  return Math.max(...uv.flatMap((a) => uv.map((b) => Math.hypot(a[0] - b[0], a[1] - b[1]))));
}

type V3 = [number, number, number];
const norm = (a: V3): V3 => {
  const n = Math.hypot(...a);
  return [a[0] / n, a[1] / n, a[2] / n];
};
const cross = (a: V3, b: V3): V3 => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];

/** The phone's own axes: right, down, forward; the panel lies in z = 0, the phone at z > 0 looking at it. */
function axes(s: Shot): [V3, V3, V3] {
  const forward = norm([s.aim[0] - s.at[0], s.aim[1] - s.at[1], -s.at[2]]);
  // Seen from the phone, x goes right and y down, as on the panel: the frame is left-handed to the eye, and so is this.
  const down0: V3 = [0, 1, 0];
  const right0 = norm(cross(forward, down0).map((v) => -v) as V3);
  const flip = right0[0] < 0 ? -1 : 1;
  const right1 = right0.map((v) => v * flip) as V3;
  const down1 = norm(cross(forward, right1).map((v) => v * (cross(forward, right1)[1] < 0 ? -1 : 1)) as V3);
  const a = ((s.rollDeg ?? 0) * Math.PI) / 180;
  const right = right1.map((v, i) => Math.cos(a) * v + Math.sin(a) * down1[i]!) as V3;
  const down = down1.map((v, i) => Math.cos(a) * v - Math.sin(a) * right1[i]!) as V3;
  return [right, down, forward];
}

/** Where a place of the panel comes to lie in the photo, px. */
function seenAt(s: Shot, x: number, y: number): [number, number] {
  const [r, d, f] = axes(s);
  const v: V3 = [x - s.at[0], y - s.at[1], -s.at[2]];
  const dot = (a: V3) => a[0] * v[0] + a[1] * v[1] + a[2] * v[2];
  return [s.width / 2 + (s.focalPx * dot(r)) / dot(f), s.height / 2 + (s.focalPx * dot(d)) / dot(f)];
}

/** The corners of the lit area as they truly lie in the photo: TL, TR, BR, BL. */
export const trueCorners = (p: TruePanel, s: Shot): [number, number][] =>
  [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([i, j]) => seenAt(s, (i! * p.widthMm) / 2, (j! * p.heightMm) / 2));

/** Light to an 8-bit value (IEC 61966-2-1), through the phone's own tone curve. */
const encoded = (l: number, tone: number): number => {
  const v = Math.min(1, Math.max(0, l)) ** tone;
  return Math.round(255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055));
};

/** A photo of the panel, ray by ray: each pixel's middle is followed to the panel's plane; edges are covered in part. */
export function photoOf(p: TruePanel, s: Shot): Photo & { truth: [number, number][] } {
  const u = draws(s.seed);
  const normal = Float32Array.from({ length: 1 << 16 }, () => Math.sqrt(-2 * Math.log(1 - u())) * Math.cos(2 * Math.PI * u()));
  const { width, height, exposure = 0.7, lens = [0, 0], noise = 0.01, moire = 0, room = 0, tone = 1, black = false } = s;
  const [right, down, forward] = axes(s);
  const half = Math.hypot(width, height) / 2;
  const rgba = new Uint8ClampedArray(width * height * 4);
  const pxPerMm = s.focalPx / Math.hypot(s.aim[0] - s.at[0], s.aim[1] - s.at[1], s.at[2]);
  const table = Uint8Array.from({ length: 8193 }, (_, i) => encoded(i / 8192, tone));
  let draw = Math.floor(u() * 65536);
  for (let j = 0; j < height; j++)
    for (let i = 0; i < width; i++) {
      const a = (i + 0.5 - width / 2) / s.focalPx;
      const b = (j + 0.5 - height / 2) / s.focalPx;
      const ray = [0, 1, 2].map((k) => forward[k]! + a * right[k]! + b * down[k]!) as V3;
      const o = (j * width + i) * 4;
      rgba[o + 3] = 255;
      if (ray[2] >= 0) continue;
      const t = -s.at[2] / ray[2];
      const x = s.at[0] + t * ray[0];
      const y = s.at[1] + t * ray[1];
      const cover = (d: number) => Math.max(0, Math.min(1, d * pxPerMm + 0.5));
      const part = cover(p.widthMm / 2 - Math.abs(x)) * cover(p.heightMm / 2 - Math.abs(y));
      const r2 = ((i + 0.5 - width / 2) ** 2 + (j + 0.5 - height / 2) ** 2) / half ** 2;
      const fall = 1 + lens[0] * r2 + lens[1] * r2 * r2;
      const cos = p.tilt ? (s.at[2] / Math.hypot(x - s.at[0], y - s.at[1], s.at[2])) ** p.tilt : 1;
      const step = s.steps?.[Math.max(0, Math.min(4, Math.floor((x / p.widthMm + 0.5) * 5)))] ?? 1;
      const on = part > 0 && !black ? part * cos * step : 0;
      const cx = Math.max(-p.widthMm / 2, Math.min(p.widthMm / 2, x));
      const cy = Math.max(-p.heightMm / 2, Math.min(p.heightMm / 2, y));
      let lit = room;
      for (const l of s.lamps ?? []) if (Math.hypot(x - l.x, y - l.y) < l.r) lit += l.light;
      for (let c = 0; c < 3; c++) {
        let l = ((on ? on * trueLight(p, cx, cy, c) : 0) + lit) * fall * exposure;
        if (moire && on) l *= 1 + moire * Math.sin(i / 2.9 + j / 11.3 + 1.3e-5 * i * j + 2 * c);
        l += noise * Math.sqrt(Math.max(l, 0.002)) * normal[draw++ & 65535]!;
        rgba[o + c] = table[Math.max(0, Math.min(8192, Math.round(l * 8192)))]!;
      }
    }
  return { width, height, rgba, truth: trueCorners(p, s) };
}
