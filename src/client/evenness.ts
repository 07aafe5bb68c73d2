import type { EvennessAsk, EvennessSaid } from "@/core/proof";

/** Asks for the evenness of photos in a worker of its own; the answer given back stops it. */
export function askEvenness(ask: EvennessAsk, then: (a: EvennessSaid) => void): () => void {
  const w = new Worker(new URL("../workers/evenness.ts", import.meta.url));
  w.onmessage = (e: MessageEvent<EvennessSaid>) => {
    then(e.data);
    if (e.data.kind !== "progress") w.terminate();
  };
  w.onerror = (e) => {
    e.preventDefault();
    w.terminate();
    then({ kind: "wrong", words: "The photos could not be measured here: is the server reached?" });
  };
  w.postMessage(ask);
  return () => w.terminate();
}
