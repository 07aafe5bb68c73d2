"use client";
import { useEffect, useState } from "react";
import { askPlanner, startPlanner } from "@/client/planner";
import type { OtherGoal, PlanAsk, PlanResult } from "@/core/teardown";
import type { KeptPlan } from "@/wire/plan";

export interface PlanHandle {
  /** The newest plan there is; null before the first one is made. */
  made: PlanResult | null;
  /** False while a plan for what is asked now is still being made. */
  fresh: boolean;
  /** What other goals would take, once asked for. */
  goals: OtherGoal[];
}

/** Plans kept by what they were made from: taking a plan back and forth asks the worker once. */
const MOST_KEPT = 12;
const kept = new Map<string, { made: PlanResult; goals: OtherGoal[] | null }>();

/**
 * The plan of what is asked, made in a worker so that a search never holds up a tap. The one before it stays on screen until the
 * new one is there.
 * @param key what the plan is made from (`planKey`): a new key asks anew
 * @param first the plan the server sent along
 */
export function usePlan(key: string | null, ask: PlanAsk | null, first: KeptPlan | null, goals = false): PlanHandle {
  const [shown, setShown] = useState<KeptPlan | null>(first);
  const [others, setOthers] = useState<OtherGoal[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says everything the plan is made from
  useEffect(() => {
    if (key === null || ask === null) return;
    startPlanner();
    const known = kept.get(key) ?? (first?.key === key ? { made: first.made, goals: null } : undefined);
    if (known) setShown({ key, made: known.made });
    if (known && (!goals || known.goals)) return setOthers(known.goals ?? []);
    return askPlanner({ goals, ...ask }, (a) => {
      if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
      kept.set(key, { made: a.made, goals: goals ? a.goals : null });
      setShown({ key, made: a.made });
      setOthers(a.goals);
    });
  }, [key, goals]);
  return { made: shown?.made ?? null, fresh: key === null || shown?.key === key, goals: others };
}
