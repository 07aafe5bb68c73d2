import {
  dotCode,
  dotsOf,
  ghostWatch,
  guidesOf,
  MOST_DOTS,
  SIDES,
  stripesIn,
  strokeFigures,
  TOUCH_LIMITS,
  type TouchSample,
  touchCode,
  type touchCoverage,
} from "@/core/proof/touchTest";
import type { Kept, Tried } from "./state";

/** Something of the touch test was done; what was marked on patterns has a code of its own. */
export const touched = (k: Kept): boolean => k.cells.length > 0 || k.watchedS > 0 || k.tried !== null;

/** Where a pointer is on the glass, mm, whatever the screen's scale. */
export function sampleAt(root: HTMLElement, w: number, h: number, e: PointerEvent): TouchSample {
  const r = root.getBoundingClientRect();
  return {
    xMm: ((e.clientX - r.left) / r.width) * w,
    yMm: ((e.clientY - r.top) / r.height) * h,
    tS: e.timeStamp / 1000,
    id: e.pointerId,
  };
}

/** A stroke ended: what it says of lines, sides and how often it was told; the best of each line counts. */
export function strokeEnded(t: Tried, samples: readonly TouchSample[], w: number, h: number): void {
  const s = strokeFigures(samples, w, h);
  if (s.guide) {
    const before = t.worst[s.guide];
    if (!before || s.worstMm < before.worstMm) t.worst[s.guide] = { worstMm: s.worstMm, rmsMm: s.rmsMm };
    t.slow ||= s.intervalS > TOUCH_LIMITS.intervalS || s.gapS > TOUCH_LIMITS.gapS;
  }
  if (s.cameInFrom) t.sides = SIDES.map((x, i) => t.sides[i] || x === s.cameInFrom) as unknown as typeof t.sides;
  const best = guidesOf(w, h).flatMap((g) => (t.worst[g.id] ? [{ ...t.worst[g.id]!, edge: g.edge }] : []));
  const most = (v: number[]) => (v.length ? Math.max(...v) : null);
  t.insideMm = most(best.filter((b) => !b.edge).map((b) => b.worstMm));
  t.edgeMm = most(best.filter((b) => b.edge).map((b) => b.worstMm));
  t.rmsMm = most(best.map((b) => b.rmsMm));
}

/** The codes of what was done: of the touch test, of the dots, or of both. @param px size of the screen in device px */
export function codesOf(k: Kept, cover: ReturnType<typeof touchCoverage>, px: readonly [number, number]): string[] {
  const dots = dotsOf(k.dots, ...px);
  const ofDots = dots.length > MOST_DOTS ? `more than ${MOST_DOTS} dots` : dotCode(dots);
  if (!touched(k)) return [ofDots];
  const lines = stripesIn(cover);
  const ofTouch = touchCode({
    coveredPerMille: Math.floor(cover.share * 1000 + 1e-9),
    missed: cover.missed.length,
    columns: lines.columns.length,
    rows: lines.rows.length,
    watchedS: Math.floor(k.watchedS),
    ghosts: ghostWatch({ watchedS: k.watchedS, taps: k.taps }).events,
    ...(k.tried ? { lines: k.tried } : {}),
  });
  return k.dots.length ? [ofTouch, ofDots] : [ofTouch];
}
