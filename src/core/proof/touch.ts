/** Sum of the first n + 1 chances of a Poisson with this mean. */
function atMost(n: number, mean: number): number {
  let term = Math.exp(-mean);
  let sum = term;
  for (let k = 1; k <= n; k++) {
    term *= mean / k;
    sum += term;
  }
  return sum;
}

const HALVINGS = 90;
function root(rises: (m: number) => boolean, from: number, to: number): number {
  let [a, b] = [from, to];
  for (let i = 0; i < HALVINGS; i++) {
    const c = (a + b) / 2;
    if (rises(c)) a = c;
    else b = c;
  }
  return (a + b) / 2;
}

/**
 * Upper bound of a Poisson mean after n events: the mean under which so few would be seen in only 1 − confidence of cases.
 * @example poissonUpper(0).toFixed(3) // "2.996"
 */
export const poissonUpper = (n: number, confidence = 0.95): number =>
  root((m) => atMost(n, m) > 1 - confidence, 0, 20 + 4 * n + 10 * Math.sqrt(n));

/** Lower bound of a Poisson mean after n events; 0 after none. @example poissonLower(0) // 0 */
export const poissonLower = (n: number, confidence = 0.95): number =>
  n === 0 ? 0 : root((m) => 1 - atMost(n - 1, m) < 1 - confidence, 0, n);

export interface GhostWatch {
  events: number;
  ratePerHour: number;
  upperPerHour: number;
  /** How long has to be watched in all, if nothing more comes, s. */
  needS: number;
  verdict: "under" | "over" | "watchLonger";
}

/**
 * What a hands-off watch for ghost taps says: an upper limit, never "none". Taps closer than `burstS` to the one before count once.
 * @param o seconds watched, taps in s; the target per hour and the confidence of the limits
 * @throws RangeError for a time that cannot be
 * @example ghostWatch({ watchedS: 1800, taps: [] }).verdict // "under"
 */
export function ghostWatch(o: {
  watchedS: number;
  taps: readonly number[];
  targetPerHour?: number;
  confidence?: number;
  burstS?: number;
}): GhostWatch {
  const { watchedS, targetPerHour = 6, confidence = 0.95, burstS = 1 } = o;
  if (!(watchedS >= 0)) throw new RangeError(`watchedS: read ${watchedS}, expected 0 or more`);
  if (!(targetPerHour > 0)) throw new RangeError(`targetPerHour: read ${targetPerHour}, expected more than 0`);
  let events = 0;
  let last = Number.NEGATIVE_INFINITY;
  for (const t of [...o.taps].sort((a, b) => a - b)) {
    if (t - last > burstS) events++;
    last = t;
  }
  const upper = poissonUpper(events, confidence);
  const needS = (upper / targetPerHour) * 3600;
  // Nothing watched: nothing is known, and no figure is infinite.
  if (watchedS === 0) return { events, ratePerHour: 0, upperPerHour: Number.MAX_VALUE, needS, verdict: "watchLonger" };
  const perHour = (n: number) => (n / watchedS) * 3600;
  const verdict =
    perHour(upper) <= targetPerHour + 1e-9
      ? "under"
      : perHour(poissonLower(events, confidence)) > targetPerHour
        ? "over"
        : "watchLonger";
  return { events, ratePerHour: perHour(events), upperPerHour: perHour(upper), needS, verdict };
}

export interface TouchSample {
  xMm: number;
  yMm: number;
  tS: number;
  /** Pointer: samples of different fingers are never joined. */
  id: number;
}
export interface TouchCoverage {
  nx: number;
  ny: number;
  share: number;
  /** Cells nothing touched, column and row. */
  missed: [number, number][];
  missedAtEdge: number;
  /** Joins that were no strokes. */
  breaks: number;
}

/**
 * Which cells of the glass were touched: by a sample in them, or by a join short enough to be a stroke. A longer jump is a gap, never a
 * line drawn over it.
 * @param o active area and samples, mm and s; cells of 8 mm, joins of at most 6 mm and 60 ms (E)
 * @throws RangeError for a size that cannot be
 * @example touchCoverage({ widthMm: 16, heightMm: 8, samples: [{ xMm: 1, yMm: 1, tS: 0, id: 1 }] }).share // 0.5
 */
export function touchCoverage(o: {
  widthMm: number;
  heightMm: number;
  samples: readonly TouchSample[];
  cellMm?: number;
  joinMm?: number;
  joinS?: number;
}): TouchCoverage {
  const { widthMm, heightMm, cellMm = 8, joinMm = 6, joinS = 0.06 } = o;
  if (!(widthMm > 0 && heightMm > 0 && cellMm > 0))
    throw new RangeError(`area: ${widthMm} × ${heightMm} mm in cells of ${cellMm} mm`);
  const nx = Math.max(1, Math.round(widthMm / cellMm));
  const ny = Math.max(1, Math.round(heightMm / cellMm));
  const hit = new Uint8Array(nx * ny);
  const mark = (x: number, y: number) => {
    const i = Math.min(nx - 1, Math.floor((x / widthMm) * nx));
    const j = Math.min(ny - 1, Math.floor((y / heightMm) * ny));
    if (x >= 0 && y >= 0 && x <= widthMm && y <= heightMm) hit[j * nx + i] = 1;
  };
  let breaks = 0;
  const last = new Map<number, TouchSample>();
  for (const s of o.samples) {
    mark(s.xMm, s.yMm);
    const p = last.get(s.id);
    last.set(s.id, s);
    if (!p) continue;
    const d = Math.hypot(s.xMm - p.xMm, s.yMm - p.yMm);
    if (d > joinMm || s.tS - p.tS > joinS || s.tS < p.tS) {
      breaks++;
      continue;
    }
    for (let f = 0.25; f < 1; f += 0.25) mark(p.xMm + f * (s.xMm - p.xMm), p.yMm + f * (s.yMm - p.yMm));
  }
  const missed: [number, number][] = [];
  for (let j = 0; j < ny; j++) for (let i = 0; i < nx; i++) if (!hit[j * nx + i]) missed.push([i, j]);
  const missedAtEdge = missed.filter(([i, j]) => i === 0 || j === 0 || i === nx - 1 || j === ny - 1).length;
  return { nx, ny, share: 1 - missed.length / (nx * ny), missed, missedAtEdge, breaks };
}

/** What the cells that were missed look like: whole columns or rows are a sensor line, the rest was drawn too fast. @example stripesIn({ nx: 2, ny: 2, missed: [[0, 0], [0, 1]] }) // { columns: [0], rows: [] } */
export function stripesIn(c: Pick<TouchCoverage, "nx" | "ny" | "missed">): { columns: number[]; rows: number[] } {
  const count = (k: 0 | 1, n: number, of: number) =>
    Array.from({ length: n }, (_, i) => i).filter((i) => c.missed.filter((m) => m[k] === i).length >= of);
  return { columns: count(0, c.nx, c.ny), rows: count(1, c.ny, c.nx) };
}

/**
 * How straight a ruled stroke came out: worst distance from its own best line, and RMS, mm.
 * @example straightness([[0, 0], [10, 0], [20, 0]]).worstMm // 0
 */
export function straightness(points: readonly (readonly [number, number])[]): { worstMm: number; rmsMm: number } {
  if (points.length === 0) return { worstMm: 0, rmsMm: 0 };
  const n = points.length;
  const mx = points.reduce((s, p) => s + p[0], 0) / n;
  const my = points.reduce((s, p) => s + p[1], 0) / n;
  let a = 0;
  let b = 0;
  let c = 0;
  for (const [x, y] of points) {
    a += (x - mx) ** 2;
    b += (x - mx) * (y - my);
    c += (y - my) ** 2;
  }
  const t = 0.5 * Math.atan2(2 * b, a - c);
  const off = points.map(([x, y]) => Math.abs(-(x - mx) * Math.sin(t) + (y - my) * Math.cos(t)));
  return { worstMm: Math.max(...off), rmsMm: Math.sqrt(off.reduce((s, e) => s + e * e, 0) / n) };
}
