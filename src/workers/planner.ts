import { madePlan, otherGoals, type PlanAsk } from "@/core/teardown";

// The wire types of this worker are declared beside the page that asks it (src/wire/plan.ts); they are plain data here.
self.onmessage = (e: MessageEvent<PlanAsk & { id: number; goals: boolean }>) => {
  const { id, goals, ...ask } = e.data;
  self.postMessage({ id, made: madePlan(ask), goals: goals ? otherGoals(ask.build, ask.weights) : [] });
};
