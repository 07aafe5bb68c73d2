import { type DotMark, type TouchLines, type TouchSample, touchCoverage } from "@/core/proof/touchTest";

/** Where the test stands: patterns, dots marked on them, and the touch test from drawing to its code. */
export const STAGES = ["", "dots", "draw", "lines", "fingers", "watch", "done"] as const;
export type Stage = (typeof STAGES)[number];

/** Stages in which a finger draws. */
export const TOUCHING: readonly Stage[] = ["draw", "lines", "fingers"];
/** From a stage to another, and what its button says. */
export const GO: readonly [Stage, Stage, string][] = [
  ["draw", "lines", "Next: ruled lines"],
  ["lines", "fingers", "Next: fingers"],
  ["draw", "watch", "Hands off: watch for ghost taps"],
  ["fingers", "watch", "Hands off: watch for ghost taps"],
  ["lines", "watch", "Hands off: watch for ghost taps"],
  ["draw", "done", "Done: show the code"],
  ["lines", "done", "Done: show the code"],
  ["fingers", "done", "Done: show the code"],
  ["watch", "done", "Done: show the code"],
  ["dots", "done", "Done: show the code"],
  ["done", "watch", "Watch on"],
];

/** Ruled lines and fingers so far; the best of each line counts, a slip of the hand is no fault of the glass. */
export interface Tried extends TouchLines {
  worst: Record<string, { worstMm: number; rmsMm: number }>;
}
/** Before any was tried. */
export const untried = (): Tried => ({
  worst: {},
  insideMm: null,
  edgeMm: null,
  rmsMm: null,
  jitterMm: null,
  fingers: 0,
  ofFingers: 0,
  sides: [false, false, false, false],
  slow: false,
});

/** What lasts over a reload of this tab. */
export interface Kept {
  stage: Stage;
  /** Cells touched, row by row. */
  cells: number[];
  taps: number[];
  watchedS: number;
  tried: Tried | null;
  dots: DotMark[];
}

export const fresh = (): Kept => ({ stage: "", cells: [], taps: [], watchedS: 0, tried: null, dots: [] });

/** What was kept under this key, or a fresh one where there is none, or where it cannot be read. */
export function readKept(key: string): Kept {
  try {
    const k = JSON.parse(sessionStorage.getItem(key) ?? "null") as Kept | null;
    const sound =
      k &&
      STAGES.includes(k.stage) &&
      Array.isArray(k.cells) &&
      Array.isArray(k.taps) &&
      Array.isArray(k.dots) &&
      Number.isFinite(k.watchedS);
    return sound ? k : fresh();
  } catch {
    return fresh();
  }
}
export function keep(key: string, k: Kept): void {
  try {
    sessionStorage.setItem(key, JSON.stringify(k));
  } catch {
    // From a file some browsers keep nothing: then a reload begins anew.
  }
}

/** Samples that stand for cells touched before a reload, each a finger of its own: nothing is joined to them. */
export function samplesOf(cells: readonly number[], widthMm: number, heightMm: number): TouchSample[] {
  const { nx, ny } = touchCoverage({ widthMm, heightMm, samples: [] });
  return cells.map((k, i) => ({
    xMm: (((k % nx) + 0.5) / nx) * widthMm,
    yMm: ((Math.floor(k / nx) + 0.5) / ny) * heightMm,
    tS: -1e6 + i,
    id: -1 - i,
  }));
}
