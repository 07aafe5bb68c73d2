import type { HeatAnswer, HeatAsk } from "@/core/heat";

/** Asks for a plan of warming in a worker of its own; the answer stops it. */
export function askHeat(ask: HeatAsk, then: (a: HeatAnswer) => void): () => void {
  const w = new Worker(new URL("../workers/heat.ts", import.meta.url));
  w.onmessage = (e: MessageEvent<HeatAnswer>) => {
    then(e.data);
    if (e.data.kind !== "progress") w.terminate();
  };
  w.onerror = (e) => {
    e.preventDefault();
    w.terminate();
    then({ kind: "wrong", words: "The plan of warming could not be worked out here: is the server reached?" });
  };
  w.postMessage(ask);
  return () => w.terminate();
}
