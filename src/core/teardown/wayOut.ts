import { type Build, type BuildIndex, indexBuild, type Part, SUBJECT_WORDS } from "../build";
import { isolationSteps, type Needs, type StepGraph, stepGraph } from "./graph";
import { type Budget, bestOrder } from "./search";
import type { Step } from "./step";
import { PLAN_WEIGHTS, type PlanWeights, stepCost } from "./weights";

/** What a plan is for: what the build replaces, or another part of the lid by itself. */
export const GOALS = ["subjectOut", "lidOff", "cableOut", "cameraOut"] as const;
export type Goal = (typeof GOALS)[number];

const OTHER_GOALS: Readonly<Record<Exclude<Goal, "subjectOut">, { role: Part["role"]; words: string }>> = {
  lidOff: { role: "lid", words: "lid assembly off" },
  cableOut: { role: "displayCable", words: "display cable only" },
  cameraOut: { role: "camera", words: "camera only" },
};

/** A goal in words: the subject's is named by what it is. @example goalWords(build, "subjectOut") // "panel out" */
export const goalWords = (build: Build, goal: Goal): string =>
  goal === "subjectOut" ? `${SUBJECT_WORDS[build.subject.kind]} out` : OTHER_GOALS[goal].words;

export interface PlanOptions {
  goal?: Goal;
  weights?: PlanWeights;
  /** Partial orders that may be looked at: less is quicker, with a wider gap. */
  budget?: number;
  /** Leads that are to come off as well, by id, whatever the goal needs. */
  also?: readonly string[];
  /** Steps of no interest any more: done, or not to be had. */
  done?: ReadonlySet<string>;
}

/** A plan nearly as good, and what differs in it. */
export interface NearPlan {
  value: number;
  instead: string[];
  of: string[];
}

export interface Objective {
  /** Minutes' worth of the way out with its way back. */
  value: number;
  /** No plan of this goal is cheaper. */
  bound: number;
  proven: boolean;
  near: NearPlan[];
}

export type WayOut =
  | { ok: true; steps: Step[]; skipped: (Step & { cost: number })[]; objective: Objective }
  | { ok: false; problem: string };

/** Partial orders one plan may look at: about a quarter of a second. Then the best so far is given with its gap. */
const BUDGET = 9_000;
/** With the machine open in front of one, after a find: within a tenth of a second. On 40 machines of 60 parts 3,000 found nothing cheaper. */
export const QUICK_BUDGET = 1_500;
/** What sharpening the floor of one way is worth in partial orders. */
const SHARPEN = 15;
/** Plans this near are offered beside the best. */
const NEAR = 1.08;

interface Way {
  picks: ReadonlyMap<string, number>;
  wanted: Set<string>;
  needs: Map<string, string[]>;
  open: string | null;
  least: number;
  /** True once `least` counts what lies bare and the changes of tool as well. */
  sharp: boolean;
}

/** Everything a goal needs under these picks, and the first choice on the way that is not made yet. */
function closure(g: StepGraph, goals: readonly string[], picks: ReadonlyMap<string, number>) {
  const wanted = new Set<string>();
  const needs = new Map<string, string[]>();
  const openChoices: string[] = [];
  const walk = [...goals];
  while (walk.length) {
    const s = walk.pop()!;
    if (wanted.has(s)) continue;
    wanted.add(s);
    const list = [...(g.needs.get(s) ?? [])];
    g.either.get(s)?.forEach((e, i) => {
      const key = `${s}#${i}`;
      const pick = picks.get(key);
      if (pick === undefined) openChoices.push(key);
      else list.push(...e.options[pick]!.needs);
    });
    needs.set(s, list);
    walk.push(...list);
  }
  for (const s of wanted) needs.get(s)!.push(...(g.follows.get(s) ?? []).filter((x) => wanted.has(x)));
  return { wanted, needs, open: openChoices[0] ?? null };
}

/**
 * The step that reaches a goal in this build; null when the build has no such part.
 * @example goalStep(b, "subjectOut") // "partOut:panel"
 */
export function goalStep(b: BuildIndex, goal: Goal): string | null {
  const p = goal === "subjectOut" ? b.subject : b.build.parts.find((x) => x.role === OTHER_GOALS[goal].role && x.out);
  return p?.out ? `partOut:${p.id}` : null;
}

/**
 * What must move for a goal, and in which order: the cheapest plan over set and order together. *Isolated* is part of every
 * goal, and nothing that isolation does not need itself is touched before it.
 * @param build a sound build
 * @returns steps in order, the ones this goal does not need with what they would cost, and the proof; a problem names a circle
 * @example wayOut(build).steps.at(-1).id // "partOut:panel"
 */
export function wayOut(
  build: Build,
  { goal = "subjectOut", weights = PLAN_WEIGHTS, done = new Set(), budget: most = BUDGET, also = [] }: PlanOptions = {},
): WayOut {
  const b = indexBuild(build);
  const g = stepGraph(b);
  const last = goalStep(b, goal);
  if (!last) return { ok: false, problem: `This build has no part whose way out is "${goalWords(build, goal)}".` };
  const goals = [last, "drain", ...also.map((c) => `cableOff:${c}`).filter((s) => g.steps.has(s))];
  const budget: Budget = { left: most };
  const all: { value: number; bound: number; proven: boolean; order: string[] }[] = [];
  let best = Number.POSITIVE_INFINITY;
  let bound = Number.POSITIVE_INFINITY;
  let circle: string[] = [];
  // Ways of the choices, the one that costs least so far first: what it needs at least can only grow.
  const look = (picks: ReadonlyMap<string, number>): Way => {
    const c = closure(g, goals, picks);
    let least = 0;
    for (const s of c.wanted) if (!done.has(s)) least += stepCost(g.steps.get(s)!, weights);
    return { ...c, picks, least, sharp: false };
  };
  const ways: Way[] = [look(new Map())];
  const insert = (w: Way) => {
    const at = ways.findIndex((x) => x.least > w.least);
    ways.splice(at < 0 ? ways.length : at, 0, w);
  };
  while (ways.length) {
    const way = ways.shift()!;
    if (way.least >= best * NEAR) break;
    if (!way.sharp && g.either.size > 0) {
      // What it needs so far, put in the best order that could be: whatever else a choice adds only makes it dearer.
      const { bound: floor } = order(g, way.wanted, way.needs, weights, done, 0, { left: 0 });
      budget.left -= SHARPEN;
      insert({ ...way, least: Math.max(way.least, Number.isFinite(floor) ? floor : way.least), sharp: true });
      continue;
    }
    if (budget.left <= 0 && all.length) {
      bound = Math.min(bound, way.least);
      break;
    }
    if (way.open === null) {
      const r = order(g, way.wanted, way.needs, weights, done, best * NEAR, budget);
      if (r.order) {
        all.push({ ...r, order: r.order });
        best = Math.min(best, r.value);
      } else if (!Number.isFinite(r.bound)) circle = circleOf(way.wanted, way.needs);
      bound = Math.min(bound, r.bound);
      continue;
    }
    const [step, i] = way.open.split("#") as [string, string];
    for (const k of g.either.get(step)![Number(i)]!.options.keys()) {
      const one = look(new Map([...way.picks, [way.open, k]]));
      insert({ ...one, least: Math.max(one.least, way.least) });
    }
  }
  all.sort((x, y) => x.value - y.value);
  const first = all[0];
  if (!first) {
    const names = circle.map((s) => g.steps.get(s)?.title ?? s);
    return { ok: false, problem: `These wait for each other: ${names.join(", which waits for ")}` };
  }
  const steps = first.order.map((s) => g.steps.get(s)!);
  const wanted = new Set(first.order);
  return {
    ok: true,
    steps,
    skipped: [...g.steps.values()].filter((s) => !wanted.has(s.id)).map((s) => ({ ...s, cost: stepCost(s, weights) })),
    objective: {
      value: first.value,
      bound: Math.min(bound, first.value),
      proven: bound >= first.value - 1e-9,
      near: all
        .slice(1)
        .filter((x) => x.value <= first.value * NEAR)
        .slice(0, 2)
        .map((x) => {
          const other = new Set(x.order);
          return {
            value: x.value,
            instead: x.order.filter((s) => !wanted.has(s)).map((s) => g.steps.get(s)!.title),
            of: first.order.filter((s) => !other.has(s)).map((s) => g.steps.get(s)!.title),
          };
        }),
    },
  };
}

/** One circle of what waits for what, first step named again at its end; empty when there is none. */
function circleOf(wanted: ReadonlySet<string>, needs: Needs): string[] {
  const early = isolationSteps(needs);
  const state = new Map<string, "open" | "done">();
  const path: string[] = [];
  const walk = (s: string): string[] => {
    if (state.get(s) === "done") return [];
    if (state.get(s) === "open") return [...path.slice(path.indexOf(s)), s];
    state.set(s, "open");
    path.push(s);
    for (const n of [...(needs.get(s) ?? []), ...(early.has(s) ? [] : ["drain"])]) {
      const found = walk(n);
      if (found.length) return found;
    }
    path.pop();
    state.set(s, "done");
    return [];
  };
  for (const s of wanted) {
    const found = walk(s);
    if (found.length) return found;
  }
  return [];
}

/** The cheapest order of one set of steps. */
function order(
  g: StepGraph,
  wanted: ReadonlySet<string>,
  needs: Needs,
  w: PlanWeights,
  done: ReadonlySet<string>,
  limit: number,
  budget: Budget,
): { order: string[] | null; value: number; bound: number; proven: boolean } {
  const forIsolation = isolationSteps(needs);
  const ids = [...g.steps.keys()].filter((s) => wanted.has(s) && !done.has(s));
  const at = new Map(ids.map((s, i) => [s, i]));
  const tools = [...new Set(ids.flatMap((s) => g.steps.get(s)!.tool ?? []))];
  const step = ids.map((s) => g.steps.get(s)!);
  const r = bestOrder(
    {
      cost: step.map((s) => stepCost(s, w)),
      minutes: step.map((s) => s.orderMinutes ?? s.minutes),
      tool: step.map((s) => (s.tool ? tools.indexOf(s.tool) : -1)),
      view: step.map((s) => (s.view === "lid" ? 0 : s.view === "base" ? 1 : -1)),
      pre: ids.map((s) => [...(needs.get(s) ?? []), ...(forIsolation.has(s) ? [] : ["drain"])].flatMap((x) => at.get(x) ?? [])),
      exposes: step.map((s) => (g.exposes.get(s.id) ?? 0) + (s.heat ? w.heatEarly : 0) + (s.glue ? w.glueEarly : 0)),
      toolChange: w.toolChange,
      turn: w.turn,
    },
    budget,
    limit,
  );
  return { ...r, order: r.order?.map((i) => ids[i]!) ?? null };
}
