import type { PlannerAnswer, PlannerAsk } from "@/wire/plan";

let worker: Worker | null = null;
let last = 0;
const waiting = new Map<number, { ask: PlannerAsk; then: (a: PlannerAnswer) => void }>();
/** A worker whose script did not come, as when the server is away, is started anew this long after; ms. */
const AGAIN_MS = 3000;

/** One worker for the page, started with the first job so that it is there when the server is not. */
export function startPlanner(): Worker {
  if (worker) return worker;
  const w = new Worker(new URL("../workers/planner.ts", import.meta.url));
  worker = w;
  w.onmessage = (e: MessageEvent<PlannerAnswer>) => {
    waiting.get(e.data.id)?.then(e.data);
    waiting.delete(e.data.id);
  };
  w.onerror = (e) => {
    e.preventDefault();
    w.terminate();
    worker = null;
    setTimeout(() => {
      const p = startPlanner();
      for (const { ask } of waiting.values()) p.postMessage(ask);
    }, AGAIN_MS);
  };
  return w;
}

/** Asks the planner; the answer takes the question back, and then nobody is told. */
export function askPlanner(ask: Omit<PlannerAsk, "id">, then: (a: PlannerAnswer) => void): () => void {
  last += 1;
  const id = last;
  const asked = { id, ...ask } satisfies PlannerAsk;
  waiting.set(id, { ask: asked, then });
  startPlanner().postMessage(asked);
  return () => {
    waiting.delete(id);
  };
}
