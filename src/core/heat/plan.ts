import { type LidModel, lidModel, THINGS, type Thing } from "./lid";
import type { HeatPlan, Miss, Option, PlanHeatOptions, PlanProgress, Tried } from "./planTypes";
import { segmentsOf } from "./segments";
import { COARSE_MM, tryOption, verify } from "./tryOption";

const MOST_SEGMENTS = 3;

/** Which of two misses is less: a ceiling in kelvin before a window in seconds. */
const closer = (a: Miss, b: Miss): boolean => (a.unit === b.unit ? a.by < b.by : a.unit === "K");

/**
 * The search, one option at a time, so that a worker can say how far it is and be stopped.
 * @example [...planHeatSteps(heatLid, { ...heatOptions, means: { ...heatOptions.means, setC: [] } })].length // 0
 */
export function* planHeatSteps(m: LidModel, o: PlanHeatOptions): Generator<PlanProgress, HeatPlan> {
  const wanted = o.pieces ?? m.pieces.map((p) => p.id);
  const pieces = wanted.map((id) => {
    const p = m.inner.placed.find((x) => x.id === id);
    if (!p) throw new RangeError(`no piece of tape "${id}" on this lid`);
    return p;
  });
  if (!Number.isFinite(o.softC)) throw new RangeError(`softC: read ${o.softC}, expected a temperature`);
  const face = o.face ?? "back";
  const sets = o.means.by === "mat" ? o.means.setC : o.means.nozzleC;
  const options: Option[] = [];
  const seen = new Set<string>();
  for (let n = 1; n <= MOST_SEGMENTS; n++) {
    const segments = segmentsOf(pieces, n, o);
    if (!segments) continue;
    for (const set of sets) {
      const key = `${segments.length} ${set}`;
      if (!seen.has(key)) options.push({ set, segments });
      seen.add(key);
    }
  }
  const coarse = lidModel(m.inner.build, { ...m.inner.options, cellMm: COARSE_MM });
  const good: Tried[] = [];
  /** Broken off for being slower than one found already: taken up where none of the quicker ones holds. */
  const slower: Option[] = [];
  let nearest: Tried | null = null;
  let bestS = Number.POSITIVE_INFINITY;
  for (const [k, option] of options.entries()) {
    const t = tryOption(coarse, face, option, o, bestS);
    if (!t.miss && t.passes.length === option.segments.length && t.totalS <= bestS) {
      good.push(t);
      bestS = t.totalS;
    } else if (t.totalS > bestS - 1e-9 || (t.miss?.what === "window" && Number.isFinite(bestS))) slower.push(option);
    if (t.miss && (!nearest || closer(t.miss, nearest.miss!))) nearest = t;
    yield { looked: k + 1, of: options.length, bestS: Number.isFinite(bestS) ? bestS : null, stage: "search" };
  }
  // The quickest first; one that does not hold on finer cells gives way to the next, and after those to what was broken off.
  const waiting = good.reverse();
  for (let k = 0; ; k++) {
    if (k === waiting.length)
      waiting.push(
        ...slower
          .splice(0)
          .map((x) => tryOption(coarse, face, x, o, Number.POSITIVE_INFINITY))
          .filter((t) => !t.miss && t.passes.length === t.option.segments.length)
          .sort((a, b) => a.totalS - b.totalS),
      );
    const t = waiting[k];
    if (!t) break;
    yield { looked: options.length, of: options.length, bestS: t.totalS, stage: "verify" };
    const sure = verify(m, face, t, o);
    if (!sure.miss) {
      const peaksC: Partial<Record<Thing, [number, number]>> = {};
      for (const k of THINGS) {
        const [a, b] = [sure.peaks.get("lower")!.get(k), sure.peaks.get("upper")!.get(k)];
        if (a !== undefined && b !== undefined) peaksC[k] = [a, b];
      }
      return { ok: true, acts: sure.acts, passes: sure.passes, peaksC, totalS: sure.totalS };
    }
    if (!nearest || closer(sure.miss, nearest.miss!)) nearest = { ...t, ...sure };
  }
  return {
    ok: false,
    verdict: "noWindow",
    best: { acts: nearest?.acts ?? [], passes: nearest?.passes ?? [] },
    misses: nearest?.miss ?? {
      what: "window",
      by: Math.max(0, ...(segmentsOf(pieces, 1, o) ?? []).map((s) => s.needS)),
      unit: "s",
    },
  };
}

/**
 * How to warm what has to let go: which setting, in how many stretches, how long each, with rests where a ceiling asks for one.
 * @param m the lid
 * @param o what must get soft, what must not get hot, °C, and what heats
 * @returns passes in order, or *no window* with the option that misses least
 * @throws RangeError for a piece this lid has not
 * @example planHeat(heatLid, { ...heatOptions, means: { ...heatOptions.means, setC: [] } }).ok // false
 */
export function planHeat(m: LidModel, o: PlanHeatOptions): HeatPlan {
  const steps = planHeatSteps(m, o);
  for (;;) {
    const r = steps.next();
    if (r.done) return r.value;
  }
}
