import type { OtherGoal, PlanAsk, PlanResult } from "@/core/teardown";

/** A plan as a page starts with it, or as its worker answers: `key` says what it was made from. */
export interface KeptPlan {
  key: string;
  made: PlanResult;
}

/** What a page asks the planner's worker, and what it answers. */
export interface PlannerAsk extends PlanAsk {
  id: number;
  /** Also what the other goals of this build would take. */
  goals: boolean;
}
export interface PlannerAnswer {
  id: number;
  made: PlanResult;
  goals: OtherGoal[];
}

/** What a job found, mended and tried how to warm, which its plan is made with. */
export const foundOf = (s: {
  finds: readonly unknown[];
  mends: readonly unknown[];
  plan: { warming?: Readonly<Record<string, unknown>> } | null;
}): unknown[] => [...s.finds, ...s.mends, ...(s.plan?.warming ? [s.plan.warming] : [])];

/** What a plan was made from, as a text: equal texts mean the same plan; `tried` says how the machine is fed and tried. */
export const planKey = (
  buildHash: string,
  finds: readonly unknown[],
  changes: PlanAsk["changes"],
  weights: PlanAsk["weights"],
  tried: string,
  also: readonly string[] = [],
): string =>
  JSON.stringify([buildHash, finds, weights, tried, also, changes.map((c) => [c.field, c.act, c.part, c.minutes, c.at])]);
