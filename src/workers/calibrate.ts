import { type CalibrateAnswer, type CalibrateAsk, calibrateOnSpare } from "@/core/heat";

self.onmessage = (e: MessageEvent<CalibrateAsk>) => {
  const said = (a: CalibrateAnswer) => self.postMessage(a);
  try {
    const { own, ...o } = e.data;
    said({ kind: "found", found: calibrateOnSpare(own, o) });
  } catch (x) {
    said({ kind: "wrong", words: (x as Error).message });
  }
};
