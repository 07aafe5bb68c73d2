import type { Jet, Mat } from "./acts";
import type { Face, LidModel, Thing } from "./lid";
import { quantile, type TapeCells, tapeCells } from "./measure";
import type { Miss, Option, Pass, PlanHeatOptions, Segment, Tried } from "./planTypes";
import { heatOf } from "./segments";
import { near, over, RISE_S, staysSoft, Together } from "./together";

export const [COARSE_MM, COARSE_S] = [6, 1];
/** Looked at every so often; after this much heat on one stretch nothing more is hoped for, s. */
const [LOOK_S, MOST_HEAT_S] = [3, 300];
/** Waited for a ceiling at a time, and at most, s. */
const [REST_S, MOST_REST_S] = [20, 120];
/** The last run is made in steps this short, s, and may warm a pass so much longer, s. */
const [FINE_S, MOST_MORE_S] = [0.5, 30];
/** Asked more of a strip about as wide as a cell, K. */
const NARROW_K = 0.7;
/** Windows are told up to this, s. */
const MOST_WINDOW_S = 60;

/**
 * Tries one option from a cold lid: each stretch heated until it stays soft long enough, with rests where a ceiling is in the way.
 * @param limitS a plan this long is of no interest, s
 * @example tryOption(heatLid, "back", { set: 60, segments: [] }, heatOptions, 60).totalS // 0
 */
export function tryOption(m: LidModel, face: Face, option: Option, o: PlanHeatOptions, limitS: number): Tried {
  const hi = (o.calRange ?? [0.85, 1.15])[1];
  const all = new Together(m, face, COARSE_S, { likely: 1, upper: hi });
  const tried: Tried = { option, acts: [], passes: [], totalS: 0, miss: null };
  for (const s of option.segments) {
    const tape = tapeCells(m, s.rect);
    const act = heatOf(m, face, o, option.set, s, tried.passes.length === 0);
    let restS = 0;
    let gotBefore = -1;
    for (;;) {
      const start = all.keep();
      const r = heatUntilSoft(all, act, tape, s, o, limitS - tried.totalS);
      const done = r.shut === null && r.gotS >= s.needS - 1e-9;
      // A rest helps as long as it brings more: where it does not, the next will not either.
      const hopeless = r.shut === null || restS >= MOST_REST_S || r.gotS <= gotBefore + 0.2;
      if (done || hopeless) {
        addPass(tried, s, act, option.set, { restS, heatS: r.heatS, needS: wholeSteps(s.needS, COARSE_S), windowS: [0, 0] });
        if (!done)
          tried.miss = r.shut ? whatItWouldBreak(all, act, tape, s, o) : { what: "window", by: s.needS - r.gotS, unit: "s" };
        all.begin(null);
        all.run(s.needS, null);
        break;
      }
      gotBefore = r.gotS;
      all.back(start);
      all.begin(null);
      all.run(REST_S, null);
      restS += REST_S;
    }
    if (tried.miss || tried.totalS > limitS) break;
  }
  return tried;
}

/** How far over its ceiling the worst thing would be, were it heated on until its stretch stays soft long enough. */
function whatItWouldBreak(all: Together, act: Jet | Mat, tape: TapeCells, s: Segment, o: PlanHeatOptions): Miss {
  const r = heatUntilSoft(all, act, tape, s, { ...o, ceilingsC: {} }, MOST_HEAT_S);
  const broken = over(all, o.ceilingsC, o.guardK ?? 1.5);
  return broken && r.gotS >= s.needS - 1e-9 ? { ...broken, unit: "K" } : { what: "window", by: s.needS - r.gotS, unit: "s" };
}

const wholeSteps = (s: number, dt: number): number => Math.ceil(s / dt - 1e-9) * dt;

function addPass(
  t: Tried,
  s: Segment,
  act: Jet | Mat,
  set: number,
  p: Pick<Pass, "restS" | "heatS" | "needS" | "windowS">,
): void {
  if (p.restS) t.acts.push({ do: "rest", seconds: p.restS });
  t.acts.push({ ...act, seconds: p.heatS }, { do: "rest", seconds: p.needS });
  t.passes.push({ piece: s.piece.id, fromMm: s.fromMm, toMm: s.toMm, set, ...p });
  t.totalS += p.restS + p.heatS + p.needS;
}

/** Heats one stretch until it stays soft long enough at the likely strength, a ceiling is in the way at the upper one, or time is up. */
function heatUntilSoft(
  all: Together,
  act: Jet | Mat,
  tape: TapeCells,
  s: Segment,
  o: PlanHeatOptions,
  mostS: number,
): { heatS: number; gotS: number; shut: { what: Thing; by: number } | null } {
  const guardK = o.guardK ?? 1.5;
  const likely = all.rig("likely");
  const offset = likely.face.of.tape * likely.face.net.n;
  all.begin(act);
  let heatS = 0;
  let gotS = 0;
  let sinceLook = 0;
  while (heatS < MOST_HEAT_S && heatS <= mostS) {
    all.run(LOOK_S, act);
    heatS += LOOK_S;
    sinceLook += 1;
    const soft = quantile(tape, likely.t, offset, 0.1) >= o.softC;
    // Far from soft and from any ceiling there is nothing to look at.
    if (!soft && !near(all, o.ceilingsC, guardK)) continue;
    // Far from long enough, every other look is skipped.
    if (soft && gotS > 0 && gotS < 0.5 * s.needS && sinceLook < 2 && !near(all, o.ceilingsC, guardK)) continue;
    sinceLook = 0;
    gotS = soft ? staysSoft(all, "likely", tape, o.softC, s.needS) : 0;
    const shut = over(all, o.ceilingsC, guardK);
    if (shut) return { heatS, gotS, shut };
    if (gotS >= s.needS - 1e-9) break;
  }
  return { heatS, gotS, shut: null };
}

/**
 * An option run again on the lid's own cells, its passes made a little longer where the finer look says so.
 * @example verify(heatLid, "back", { option: { set: 60, segments: [] }, acts: [], passes: [], totalS: 0, miss: null }, heatOptions).totalS // 0
 */
export function verify(m: LidModel, face: Face, t: Tried, o: PlanHeatOptions): Tried & { peaks: Together["peaks"] } {
  const dt = FINE_S;
  const [lower, upper] = o.calRange ?? [0.85, 1.15];
  const guardK = o.guardK ?? 1.5;
  const all = new Together(m, face, dt, { lower, likely: 1, upper });
  const sure: Tried = { option: t.option, acts: [], passes: [], totalS: 0, miss: null };
  const cell = Math.max(m.inner.grid.dxMm, m.inner.grid.dyMm);
  for (const [k, pass] of t.passes.entries()) {
    const s = t.option.segments[k]!;
    const tape = tapeCells(m, s.rect);
    const act = heatOf(m, face, o, t.option.set, s, k === 0);
    // On cells as wide as the strip its cooler edge is not seen: a little more is asked of it.
    const narrow = Math.min(s.rect.widthMm, s.rect.heightMm) < 2 * cell ? NARROW_K : 0;
    if (pass.restS) {
      all.begin(null);
      all.run(pass.restS, null);
    }
    all.begin(act);
    let heatS = 0;
    let gotS = 0;
    let runS = Math.max(LOOK_S, pass.heatS - LOOK_S);
    while (heatS < pass.heatS + MOST_MORE_S) {
      all.run(runS, act);
      heatS += runS;
      runS = LOOK_S;
      gotS = staysSoft(all, "likely", tape, o.softC + narrow, s.needS);
      if (gotS >= s.needS - 1e-9) break;
    }
    const shut = over(all, o.ceilingsC, guardK);
    const windowS: [number, number] = [
      staysSoft(all, "lower", tape, o.softC, MOST_WINDOW_S),
      staysSoft(all, "upper", tape, o.softC, MOST_WINDOW_S),
    ];
    addPass(sure, s, act, t.option.set, { restS: pass.restS, heatS, needS: wholeSteps(s.needS, dt), windowS });
    all.begin(null);
    all.run(s.needS, null);
    if (shut) sure.miss = { ...shut, unit: "K" };
    else if (gotS < s.needS - 1e-9) sure.miss = { what: "window", by: s.needS - gotS, unit: "s" };
    if (sure.miss) break;
  }
  if (!sure.miss) all.run(RISE_S, null);
  return { ...sure, peaks: all.peaks };
}
