import type { CalibrateAnswer, CalibrateAsk, HeatAnswer, HeatAsk } from "@/core/heat";

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

/** How strong a tool is, from one reading on a spare lid, reckoned in a worker. */
export const askCalibration = (ask: CalibrateAsk): Promise<CalibrateAnswer> =>
  new Promise((done) => {
    const w = new Worker(new URL("../workers/calibrate.ts", import.meta.url));
    const end = (a: CalibrateAnswer) => {
      w.terminate();
      done(a);
    };
    w.onmessage = (e: MessageEvent<CalibrateAnswer>) => end(e.data);
    w.onerror = (e) => {
      e.preventDefault();
      end({ kind: "wrong", words: "It could not be reckoned here: is the server reached?" });
    };
    w.postMessage(ask);
  });
