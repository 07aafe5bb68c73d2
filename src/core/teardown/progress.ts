import { buildOf, type JobView } from "../job";
import type { Plan, PlanResult } from "./plan";
import type { Step } from "./step";
import { stepDone } from "./steps";

export interface Progress {
  plan: Plan;
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
  const b = buildOf(v);
  if (!made?.ok || !b) return null;
  const at = { ...v, s: v.state, b };
  const steps = [...made.plan.out, ...made.plan.in].map((step) => ({ step, done: stepDone(at, step) }));
  return { plan: made.plan, steps, now: steps.find((s) => !s.done)?.step ?? null };
}
