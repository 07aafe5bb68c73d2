"use client";
import { useEffect, useState } from "react";
import type { OtherGoal, PlanAsk, PlanResult } from "@/core/teardown";
import type { KeptPlan, PlannerAnswer, PlannerAsk } from "@/wire/plan";

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
let worker: Worker | null = null;
let last = 0;
const waiting = new Map<number, (a: PlannerAnswer) => void>();

/** One worker for the page, started with the first job so that it is there when the server is not. */
function planner(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL("../../workers/planner.ts", import.meta.url));
  worker.onmessage = (e: MessageEvent<PlannerAnswer>) => {
    waiting.get(e.data.id)?.(e.data);
    waiting.delete(e.data.id);
  };
  return worker;
}

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
    const w = planner();
    const known = kept.get(key) ?? (first?.key === key ? { made: first.made, goals: null } : undefined);
    if (known) setShown({ key, made: known.made });
    if (known && (!goals || known.goals)) return setOthers(known.goals ?? []);
    last += 1;
    const id = last;
    waiting.set(id, (a) => {
      if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
      kept.set(key, { made: a.made, goals: goals ? a.goals : null });
      setShown({ key, made: a.made });
      setOthers(a.goals);
    });
    w.postMessage({ id, goals, ...ask } satisfies PlannerAsk);
    return () => {
      waiting.delete(id);
    };
  }, [key, goals]);
  return { made: shown?.made ?? null, fresh: key === null || shown?.key === key, goals: others };
}
