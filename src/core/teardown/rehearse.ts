import { type Build, indexBuild } from "../build";
import { listed } from "../quantity";
import { isolationSteps, type StepGraph, stepGraph } from "./graph";
import { makePlan, type Plan } from "./plan";
import type { Step } from "./step";
import { PLAN_WEIGHTS, type PlanWeights, stepCost } from "./weights";

/** Kinds of slips, for the list of weak points. */
export const DRILL_SLIPS = ["power", "held", "covered", "needless", "force"] as const;
export type DrillSlip = (typeof DRILL_SLIPS)[number];

/** What is kept of somebody's rehearsals of a build: finished runs, the best one in percent, slips by kind. */
export interface DrillRecord {
  runs: number;
  best: number | null;
  slips: Partial<Record<DrillSlip, number>>;
}
export const NO_DRILL: DrillRecord = { runs: 0, best: null, slips: {} };

/** A record with one more slip, or one more finished run. @example addDrill(NO_DRILL, { score: 80 }).best // 80 */
export const addDrill = (r: DrillRecord, d: { slip?: DrillSlip | undefined; score?: number | undefined }): DrillRecord => ({
  runs: r.runs + (d.score === undefined ? 0 : 1),
  best: d.score === undefined ? r.best : Math.max(r.best ?? 0, d.score),
  slips: d.slip ? { ...r.slips, [d.slip]: (r.slips[d.slip] ?? 0) + 1 } : r.slips,
});

/** What a finished run is worth: steps of the plan over picks made, in percent. @example drillScore(20, 5) // 80 */
export const drillScore = (steps: number, slips: number): number => Math.round((100 * steps) / (steps + slips));

export interface Drill {
  build: Build;
  plan: Plan;
  graph: StepGraph;
  /** Steps that isolation itself needs: anything else comes after it. */
  isolation: ReadonlySet<string>;
  weights: PlanWeights;
}

export type Judgement =
  | { ok: true; note: string | null }
  | {
      ok: false;
      /** What would have happened. */
      why: string;
      slip: DrillSlip;
    };

/**
 * A drill over a build's way out; null when the build cannot be planned.
 * @example drillOf(build).plan.out.length === plan.out.length // true
 */
export function drillOf(build: Build, weights: PlanWeights = PLAN_WEIGHTS): Drill | null {
  const made = makePlan(build, [], undefined, weights);
  if (!made.ok) return null;
  const graph = stepGraph(indexBuild(build));
  const isolation = isolationSteps(graph.needs);
  return { build, plan: made.plan, graph, isolation, weights };
}

/** The step the plan does next; null when the goal is reached. @example nextOf(drill, new Set()).id // "shutDown" */
export const nextOf = (d: Drill, done: ReadonlySet<string>): Step | null => d.plan.out.find((s) => !done.has(s.id)) ?? null;

/**
 * What would happen if this step were done now: told from the same graph that plans, and the rule that hands wait for isolation.
 * @param done ids of the steps done so far
 * @example judgePick(drill, new Set(), "partOut:panel").ok // false
 */
export function judgePick(d: Drill, done: ReadonlySet<string>, id: string): Judgement {
  const s = d.graph.steps.get(id);
  if (!s) return { ok: false, why: "This machine has no such step.", slip: "needless" };
  const b = indexBuild(d.build);
  const inPlan = d.plan.out.some((x) => x.id === id);
  const missing = (d.graph.needs.get(id) ?? []).filter((n) => !done.has(n));
  const isolated = done.has("drain");
  if (s.kind === "cableOff" && !isolated && !d.isolation.has(id)) {
    const c = b.connector.get(s.target);
    return {
      ok: false,
      why: `${c?.name ?? "That plug"} comes off under power: backlight fuse or board can be destroyed. Isolate first.`,
      slip: "power",
    };
  }
  if (s.kind === "cableOff" && d.isolation.has(id) && !done.has("mainsOut"))
    return { ok: false, why: "The battery plug sparks with the mains in. Shut down, take the mains out.", slip: "power" };
  if (s.kind === "mainsOut" && missing.includes("shutDown"))
    return {
      ok: false,
      why: "It still runs: without its mains it goes on from the battery, or loses what it was writing. Shut it down first.",
      slip: "power",
    };
  if (s.kind === "batteryOff" && missing.length)
    return { ok: false, why: "Mains wakes the battery again. Shut down and take the mains out first.", slip: "power" };
  if (s.kind === "drain" && missing.length)
    return {
      ok: false,
      why: `Nothing is drained while ${listed(missing.map((m) => d.graph.steps.get(m)!.title.toLowerCase()))} is still to do.`,
      slip: "power",
    };
  if (missing.length) {
    const first = d.graph.steps.get(missing[0]!)!;
    const screws = missing.map((m) => d.graph.steps.get(m)!).filter((m) => m.kind === "screwsOut" || m.kind === "screwsLoosen");
    if (s.kind === "partOut" || s.kind === "partFold") {
      if (screws.length)
        return {
          ok: false,
          why: `It is still screwed: ${listed(screws.map((x) => x.title.toLowerCase()))}. Pulled, it cracks at the hole.`,
          slip: "force",
        };
      return { ok: false, why: `Something still holds it: first ${first.title.toLowerCase()}.`, slip: "held" };
    }
    return { ok: false, why: `It cannot be reached: first ${first.title.toLowerCase()}.`, slip: "covered" };
  }
  if (!inPlan)
    return {
      ok: false,
      why: `Not needed for this goal: ${stepCost(s, d.weights).toFixed(1)} min for nothing.`,
      slip: "needless",
    };
  if (!isolated && !d.isolation.has(id))
    return { ok: false, why: "The machine is not isolated yet: hands wait until it is.", slip: "power" };
  const next = nextOf(d, done);
  return { ok: true, note: next && next.id !== id ? `It works. The plan does "${next.title}" first.` : null };
}

/**
 * Steps to pick from: what the plan does next, and others that are wrong now, in an order that tells nothing.
 * @param random a number from 0 to 1, seeded by the caller
 * @example picksOf(drill, new Set(), 4, () => 0.5).length // 4
 */
export function picksOf(d: Drill, done: ReadonlySet<string>, count: number, random: () => number): Step[] {
  const next = nextOf(d, done);
  if (!next) return [];
  const others = [...d.graph.steps.values()].filter((s) => s.id !== next.id && !done.has(s.id) && s.title !== next.title);
  const wrong = others.filter((s) => !judgePick(d, done, s.id).ok);
  const pool = (wrong.length >= count - 1 ? wrong : others).map((s) => ({ s, r: random() })).sort((a, b) => a.r - b.r);
  const list = [next, ...pool.slice(0, count - 1).map((x) => x.s)];
  return list
    .map((s) => ({ s, r: random() }))
    .sort((a, b) => a.r - b.r)
    .map((x) => x.s);
}
