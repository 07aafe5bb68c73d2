import { draws } from "../chance";
import type { Act } from "./acts";
import { type LidModel, type LidOptions, lidModel, THINGS, type Thing } from "./lid";
import { planHeatSteps } from "./plan";
import type { HeatPlan, PlanHeatOptions, PlanProgress } from "./planTypes";
import { type Cover, FIGURES, MATERIALS } from "./properties";
import { simulate } from "./simulate";

/** What became of a plan where nobody knows the lid and the tool exactly. */
export interface Robust {
  draws: number;
  /** Draws in which something got over its ceiling. */
  broken: number;
  /** What broke most often and by how much at worst, K; null where nothing did. */
  worst: { thing: Thing; byK: number } | null;
}

/** A plan breaks a ceiling in at most this share of draws, or is no plan. */
export const MOST_BROKEN = 0.02;
/** Draws of a plan before it is shown. */
const DRAWS = 50;
/** Cells and steps of a draw, mm and s: films and display are wide, and what is asked is how often. */
const CELL_MM = 8;
const STEP_S = 1;
/** How strong a tool may be, and how far a cover's thickness may be off what is usual, by share (adj). */
const CAL: readonly [number, number] = [0.85, 1.15];
const THICKNESS = 0.15;
/** How far the room may be from what was said, K (adj). */
const ROOM_K = 3;
/** More is kept from a ceiling each time a plan breaks too often, K. */
const FURTHER_K = 1.5;
const ROUNDS = 3;

const between = (u: () => number, [a, b]: readonly [number, number]): number => a + (b - a) * u();

/** A lid as it may be: every property somewhere in its range. */
function drawnLid(m: LidModel, u: () => number, cellMm: number): LidModel {
  const { options: o, build, coverOf: known } = m.inner;
  const kind = typeof o.cover === "string" ? o.cover : null;
  const kRange = kind ? MATERIALS[kind].kRange : ([known.kWmK * 0.9, known.kWmK * 1.1] as const);
  const kWmK = between(u, kRange);
  const cover: Cover = {
    ...known,
    kWmK,
    ...(known.kInWmK === undefined ? {} : { kInWmK: (known.kInWmK * kWmK) / known.kWmK }),
    mm: known.mm * between(u, [1 - THICKNESS, 1 + THICKNESS]),
  };
  const drawn: LidOptions = {
    ...o,
    cover,
    coverMm: cover.mm,
    tapeKWmK: between(u, MATERIALS.tape.kRange),
    eps: Math.min(0.98, Math.max(0.05, (o.eps ?? cover.eps) + between(u, [-0.08, 0.06]))),
    epsFront: between(u, FIGURES.epsFront.range),
    hBackWm2K: between(u, FIGURES.airBackWm2K.range),
    hFrontWm2K: between(u, FIGURES.airFrontWm2K.range),
    ambientC: m.inner.ambientC + between(u, [-ROOM_K, ROOM_K]),
    cellMm,
  };
  return lidModel(build, drawn);
}

/** The acts as a tool may really give them. */
function drawnActs(acts: readonly Act[], u: () => number): Act[] {
  const cal = between(u, CAL);
  const contact = between(u, FIGURES.matContactWm2K.range) / FIGURES.matContactWm2K.value;
  const powerW = between(u, FIGURES.matPowerW.range);
  const capacityJK = between(u, FIGURES.matCapacityJK.range);
  const speedMmS = between(u, FIGURES.sweepMmS.range);
  return acts.map((a): Act => {
    if (a.do === "jet") return { ...a, cal: (a.cal ?? 1) * cal, speedMmS };
    if (a.do === "mat") return { ...a, cal: (a.cal ?? 1) * contact, powerW, capacityJK };
    return a;
  });
}

/**
 * A plan carried out on lids as they may be, one draw at a time.
 * @param acts the plan's
 * @param ceilingsC what stays, °C
 * @param o how many draws, the seed, and the size of a cell, mm
 * @returns how often, and by how much, something of what stays got too hot
 * @example [...robustSteps(heatLid, [], { film: 60 }, { draws: 2 })].length // 2
 */
export function* robustSteps(
  m: LidModel,
  acts: readonly Act[],
  ceilingsC: PlanHeatOptions["ceilingsC"],
  o: { draws?: number; seed?: number; cellMm?: number } = {},
): Generator<number, Robust> {
  const n = o.draws ?? DRAWS;
  const u = draws(o.seed ?? 1);
  const out: Robust = { draws: n, broken: 0, worst: null };
  for (let k = 0; k < n; k++) {
    const lid = drawnLid(m, u, o.cellMm ?? CELL_MM);
    const { peaks } = simulate(lid, drawnActs(acts, u), { dtS: STEP_S, sampleS: 30, coastS: 45 });
    let broke = false;
    for (const thing of THINGS) {
      const [ceiling, peak] = [ceilingsC[thing], peaks[thing]];
      if (ceiling === undefined || !peak || peak.maxC <= ceiling) continue;
      broke = true;
      const byK = peak.maxC - ceiling;
      if (!out.worst || byK > out.worst.byK) out.worst = { thing, byK };
    }
    if (broke) out.broken += 1;
    yield k + 1;
  }
  return out;
}

export type SafePlan = { plan: HeatPlan; robust: Robust | null };

/**
 * A plan that keeps its ceilings on nearly every lid it may be, not only on the one that was assumed: one that breaks them too
 * often is looked for again further from them; where that finds none, it is said that there is none.
 * @returns the plan with what its draws showed; no draws where there is no plan
 * @throws RangeError as `planHeat`
 * @example [...planSafelySteps(heatLid, { ...heatOptions, means: { ...heatOptions.means, setC: [] } })].length // 0
 */
export function* planSafelySteps(
  m: LidModel,
  o: PlanHeatOptions,
  more: { draws?: number; seed?: number } = {},
): Generator<PlanProgress, SafePlan> {
  let last: Robust | null = null;
  for (let round = 0; round < ROUNDS; round++) {
    const plan = yield* planHeatSteps(m, { ...o, guardK: (o.guardK ?? FURTHER_K) + round * FURTHER_K });
    if (!plan.ok) return { plan, robust: null };
    const steps = robustSteps(m, plan.acts, o.ceilingsC, more);
    let step = steps.next();
    while (!step.done) {
      yield { looked: step.value, of: more.draws ?? DRAWS, bestS: plan.totalS, stage: "draws" };
      step = steps.next();
    }
    last = step.value;
    if (last.broken / last.draws <= MOST_BROKEN) return { plan, robust: last };
    if (round === ROUNDS - 1)
      return {
        plan: {
          ok: false,
          verdict: "noWindow",
          best: { acts: plan.acts, passes: plan.passes },
          misses: { what: last.worst!.thing, by: last.worst!.byK, unit: "K" },
        },
        robust: last,
      };
  }
  throw new RangeError("no round");
}
