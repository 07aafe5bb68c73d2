import { type Aim, buildOf, type JobView } from "../job";
import { aimSteps } from "./aim";
import type { Plan, PlanResult } from "./plan";
import type { Step } from "./step";

export interface Progress {
  plan: Plan;
  /** What the hands are after: the steps are those of it. */
  aim: Aim;
  steps: { step: Step; done: boolean }[];
  /** The one thing to do now, or null when all is done. */
  now: Step | null;
}

/**
 * Where a job stands in its plan, told from what was recorded; no step number is kept anywhere. The plan is made elsewhere
 * (`madePlan`), so that a page can have it made in a worker.
 * @returns null without a plan, or when the build cannot be planned
 * @example progressIn(view, madePlan(planAskOf(view))).now.title // "Shut the machine down"
 */
export function progressIn(v: JobView, made: PlanResult | null): Progress | null {
  if (!made?.ok || !buildOf(v)) return null;
  const { aim, steps } = aimSteps(v, made.plan);
  return { plan: made.plan, aim, steps, now: steps.find((s) => !s.done)?.step ?? null };
}
