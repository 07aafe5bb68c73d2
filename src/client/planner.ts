import type { PlannerAnswer, PlannerAsk } from "@/wire/plan";

let worker: Worker | null = null;
let last = 0;
const waiting = new Map<number, (a: PlannerAnswer) => void>();

/** One worker for the page, started with the first job so that it is there when the server is not. */
export function startPlanner(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL("../workers/planner.ts", import.meta.url));
  worker.onmessage = (e: MessageEvent<PlannerAnswer>) => {
    waiting.get(e.data.id)?.(e.data);
    waiting.delete(e.data.id);
  };
  return worker;
}

/** Asks the planner; the answer takes the question back, and then nobody is told. */
export function askPlanner(ask: Omit<PlannerAsk, "id">, then: (a: PlannerAnswer) => void): () => void {
  last += 1;
  const id = last;
  waiting.set(id, then);
  startPlanner().postMessage({ id, ...ask } satisfies PlannerAsk);
  return () => {
    waiting.delete(id);
  };
}
