import { leastSquares } from "../numeric";

export type ReadingKind = "left" | "right" | "front" | "rear";

/** How far the lid stands out over the base at a place, mm, + is out; x from midway between the hinges, y from the hinge line to the front. */
export interface HingeReading {
  kind: ReadingKind;
  xMm: number;
  yMm: number;
  mm: number;
  nominalMm?: number;
  sigmaMm?: number;
}

/** How both hinges move: sideways together, each to the front. */
export interface HingeMove {
  u: number;
  vL: number;
  vR: number;
}
export type Slacken = "none" | "left" | "right" | "both";
export interface HingePick {
  slacken: Slacken;
  move: HingeMove;
  leftOverMm: number;
  /** Of the play in the holes: 1 is what is there for certain, 2 what may be. */
  reach: number;
}
export interface HingeAnswer {
  verdict: "aligned" | "move" | "maybe" | "bent" | "moreReadings";
  why?: string;
  want: HingeMove;
  pick?: HingePick;
  /** Both slackened: shown beside the pick, for it may come out better. */
  both?: HingePick;
  misfit: { widthMm: number | null; lengthMm: number | null };
  chi: number;
  dof: number;
  twistMm: number;
}

export interface HingeAsk {
  hingeSpanMm: number;
  /** Radial play of each hinge, left and right: (hole - screw) / 2. */
  clearanceMm: [number, number];
  readings: readonly HingeReading[];
  heights?: { frontLeft: number; frontRight: number; rearLeft: number; rearRight: number };
  heightSigmaMm?: number;
  toleranceMm?: number;
}

/** A feeler, or a loupe with a scale (E), mm. */
const SIGMA_MM = 0.05;
const TOLERANCE_MM = 0.2;
/** A twist less than this is none, mm. */
const TWIST_MM = 0.3;
/** Halvings of the golden section. */
const ROUNDS = 60;

/** What a reading sees of a shift, a shift to the front, a turn, and half of what lid and base differ in width and length. */
function rowOf(r: HingeReading): number[] {
  switch (r.kind) {
    case "left":
      return [-1, 0, r.yMm, 1, 0];
    case "right":
      return [1, 0, -r.yMm, 1, 0];
    case "front":
      return [0, 1, r.xMm, 0, 1];
    case "rear":
      return [0, -1, -r.xMm, 0, 1];
  }
}

/** Which reading would say what is missing. */
function missing(readings: readonly HingeReading[]): string {
  const along = readings.filter((r) => r.kind === "front" || r.kind === "rear").length;
  const across = readings.length - along;
  if (along < 2 && across < 2) return "two front readings, left and right";
  return along === 0 ? "a front reading" : across === 0 ? "a side reading" : "one more reading, at another corner";
}

const clamp = (x: number, most: number): number => Math.max(-most, Math.min(most, x));
/** A distance in units of the play there is; a hinge on dowels gives nothing. */
const shareOf = (mm: number, play: number): number => (play > 0 ? mm / play : mm < 1e-9 ? 0 : Number.POSITIVE_INFINITY);

/**
 * How a lid that stands askew is brought in line: which hinge to slacken, how far each moves and which way, or that it is bent, or
 * that one more reading is needed. Lid closed, seen from above.
 * @param o span between hinges, play in their screw holes, readings of lid minus base, heights at the corners where read; mm
 * @returns the fewest hinges slackened whose largest left-over is within tolerance; what lid and base differ in size is told, not chased
 * @throws RangeError where span or play is no figure
 * @example alignHinges({ hingeSpanMm: 240, clearanceMm: [0.25, 0.25], readings: [] }).verdict // "moreReadings"
 */
export function alignHinges(o: HingeAsk): HingeAnswer {
  const [cL, cR] = o.clearanceMm;
  if (!(o.hingeSpanMm > 0)) throw new RangeError(`hingeSpanMm: read ${o.hingeSpanMm}, expected more than 0`);
  if (!(cL >= 0 && cR >= 0)) throw new RangeError(`clearanceMm: read ${cL}, ${cR}, expected 0 or more`);
  const b = o.hingeSpanMm;
  const tolerance = o.toleranceMm ?? TOLERANCE_MM;
  const z = o.heights;
  const twistMm = z ? z.frontLeft - z.frontRight - z.rearLeft + z.rearRight : 0;
  const w = o.readings.map((r) => 1 / (r.sigmaMm ?? SIGMA_MM) ** 2);
  const off = o.readings.map((r) => r.mm - (r.nominalMm ?? 0));
  const full = o.readings.map(rowOf);
  const has = (k: ReadingKind) => o.readings.some((r) => r.kind === k);
  const used = [0, 1, 2, ...(has("left") && has("right") ? [3] : []), ...(has("front") && has("rear") ? [4] : [])];
  const free = leastSquares(
    full.map((row) => used.map((k) => row[k]!)),
    off.map((x) => -x),
    w,
  );
  if (!free)
    return {
      verdict: "moreReadings",
      why: missing(o.readings),
      want: { u: 0, vL: 0, vR: 0 },
      misfit: { widthMm: null, lengthMm: null },
      chi: 0,
      dof: 0,
      twistMm,
    };
  const [tx, ty, rz] = free.x as [number, number, number];
  const want = { u: tx, vL: ty - (rz * b) / 2, vR: ty + (rz * b) / 2 };
  const sized = (k: number): number | null => (used.includes(k) ? -2 * free.x[used.indexOf(k)]! : null);
  // What lid and base differ in is not moved away: taken out, then solved within the play.
  const rest = off.map((x, i) => x + used.slice(3).reduce((s, k, j) => s + full[i]![k]! * free.x[3 + j]!, 0));
  const lid: Askew = { rows: full.map((r) => r.slice(0, 3)), rest, w, span: b };
  const option = (slacken: Slacken, playL: number, playR: number): HingePick => {
    const move = slacken === "none" ? { u: 0, vL: 0, vR: 0 } : bestMove(lid, playL, playR);
    return { slacken, move, leftOverMm: leftOver(lid, move), reach: reachOf(move, cL, cR) };
  };
  const options = [option("none", 0, 0), option("left", 2 * cL, 0), option("right", 0, 2 * cR), option("both", 2 * cL, 2 * cR)];
  const dof = off.length - used.length;
  const found = { want, misfit: { widthMm: sized(3), lengthMm: sized(4) }, chi: free.rss, dof, twistMm, both: options[3]! };
  if (Math.abs(twistMm) > Math.max(3 * 2 * (o.heightSigmaMm ?? SIGMA_MM), TWIST_MM))
    return { ...found, verdict: "bent", why: "lid twisted" };
  if (dof > 0 && free.rss > dof + 3 * Math.sqrt(2 * dof))
    return { ...found, verdict: "bent", why: "lid not rectangular to the base" };
  const pick = options.find((x) => x.leftOverMm <= tolerance);
  if (!pick) return { ...found, verdict: "bent", why: "screws cannot reach it", pick: options[3]! };
  return { ...found, verdict: pick.slacken === "none" ? "aligned" : pick.reach <= 1 ? "move" : "maybe", pick };
}

const reachOf = (m: HingeMove, cL: number, cR: number): number =>
  Math.max(shareOf(Math.hypot(m.u, m.vL), cL), shareOf(Math.hypot(m.u, m.vR), cR));

/** A lid as the solver sees it: what each reading sees of shift and turn, what it reads, how much it counts. */
interface Askew {
  rows: readonly (readonly number[])[];
  rest: readonly number[];
  w: readonly number[];
  span: number;
}

const leftOver = (lid: Askew, m: HingeMove): number => {
  const q = [m.u, (m.vL + m.vR) / 2, (m.vR - m.vL) / lid.span];
  return Math.max(0, ...lid.rest.map((x, i) => Math.abs(x + lid.rows[i]!.reduce((s, a, k) => s + a * q[k]!, 0))));
};

/** The best move within the play of each hinge: golden section over the shift both share, and a box in the other two for each. */
function bestMove(lid: Askew, playL: number, playR: number): HingeMove {
  const most = Math.min(playL, playR);
  const at = (u: number) => inBox(lid, u, Math.sqrt(Math.max(0, playL ** 2 - u * u)), Math.sqrt(Math.max(0, playR ** 2 - u * u)));
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, c] = [-most, most];
  for (let i = 0; i < ROUNDS; i++) {
    const p = c - golden * (c - a);
    const q = a + golden * (c - a);
    if (at(p).cost < at(q).cost) c = q;
    else a = p;
  }
  const u = (a + c) / 2;
  const { vL, vR } = at(u);
  return { u, vL, vR };
}

/** Least squares in both hinges' way to the front, each within its box: the free point, or the best on one of its edges. */
function inBox(lid: Askew, u: number, mostL: number, mostR: number): { vL: number; vR: number; cost: number } {
  const to = lid.rows.map((r) => [r[1]! / 2 - r[2]! / lid.span, r[1]! / 2 + r[2]! / lid.span] as const);
  const wanted = lid.rest.map((x, i) => -(x + lid.rows[i]![0]! * u));
  const cost = (vL: number, vR: number) => to.reduce((s, t, i) => s + lid.w[i]! * (wanted[i]! - t[0] * vL - t[1] * vR) ** 2, 0);
  const alone = (k: 0 | 1, other: number): number => {
    let [num, den] = [0, 0];
    for (const [i, t] of to.entries()) {
      num += lid.w[i]! * t[k] * (wanted[i]! - t[k === 0 ? 1 : 0] * other);
      den += lid.w[i]! * t[k] ** 2;
    }
    return den > 1e-12 ? num / den : 0;
  };
  const points: [number, number][] = [];
  const free = leastSquares(to, wanted, lid.w);
  if (free && Math.abs(free.x[0]!) <= mostL && Math.abs(free.x[1]!) <= mostR) points.push([free.x[0]!, free.x[1]!]);
  for (const s of [-1, 1]) {
    points.push([clamp(alone(0, s * mostR), mostL), s * mostR]);
    points.push([s * mostL, clamp(alone(1, s * mostL), mostR)]);
  }
  let best = { vL: 0, vR: 0, cost: Number.POSITIVE_INFINITY };
  for (const [vL, vR] of points) {
    const x = cost(vL, vR);
    if (x < best.cost) best = { vL, vR, cost: x };
  }
  return best;
}
