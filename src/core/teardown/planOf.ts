import type { Build } from "../build";
import { buildOf, changesOf, type JobView } from "../job";
import { makePlan, type PlanResult } from "./plan";
import { type Progress, progressIn } from "./progress";
import type { PlanChange } from "./step";
import { GOALS, type Goal, goalWords, QUICK_BUDGET, wayOut } from "./wayOut";
import { PLAN_WEIGHTS, type PlanWeights } from "./weights";

/** What a plan is made from: all of it plain data, so that it can be sent to a worker. */
export interface PlanAsk {
  /** With what was found on this job. */
  build: Build;
  changes: readonly PlanChange[];
  /** The machine lies open in front of somebody: a plan in a tenth of a second, with its gap told. */
  quick: boolean;
  weights: PlanWeights;
  /** Leads reached beside what is replaced, because a check failed; missing = none. */
  also?: readonly string[];
}

/** What the plan of this job is made from; null before a plan was taken. @example planAskOf(view).quick // false */
export function planAskOf(v: JobView, weights: PlanWeights = PLAN_WEIGHTS): PlanAsk | null {
  const b = buildOf(v);
  const also = v.state.after.reached;
  return (
    b && {
      build: b.build,
      changes: changesOf(v),
      quick: v.state.finds.length + v.state.mends.length > 0,
      weights,
      ...(also.length ? { also } : {}),
    }
  );
}

/** The plan that is asked for. @example madePlan({ build, changes: [], quick: false, weights: PLAN_WEIGHTS }).ok // true */
export const madePlan = (a: PlanAsk): PlanResult =>
  makePlan(a.build, a.changes, a.quick ? QUICK_BUDGET : undefined, a.weights, a.also);

/** Where a job stands, its plan made on the spot. @example progressOf(view).now.title // "Shut the machine down" */
export function progressOf(v: JobView, weights: PlanWeights = PLAN_WEIGHTS): Progress | null {
  const a = planAskOf(v, weights);
  return a && progressIn(v, madePlan(a));
}

/** What another goal would take in the same machine: its steps in words, what they are worth in minutes (adj), and the proof. */
export interface OtherGoal {
  goal: Goal;
  /** The goal in words. */
  words: string;
  steps: string[];
  value: number;
  proven: boolean;
}

/** The goals beside "panel out" that this build has. @example otherGoals(build).map((g) => g.goal) // [] */
export const otherGoals = (build: Build, weights: PlanWeights = PLAN_WEIGHTS): OtherGoal[] =>
  GOALS.filter((g) => g !== "subjectOut").flatMap((goal) => {
    const r = wayOut(build, { goal, weights });
    return r.ok
      ? [
          {
            goal,
            words: goalWords(build, goal),
            steps: r.steps.map((s) => s.title),
            value: r.objective.value,
            proven: r.objective.proven,
          },
        ]
      : [];
  });
