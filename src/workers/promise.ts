import { chanceBy, type PromiseInput, promiseDate } from "@/core/promise";

interface Ask {
  id: string;
  seed: string;
  input: PromiseInput;
  dueMin: number | null;
}

// Each is said as soon as it is known.
self.onmessage = (e: MessageEvent<Ask[]>) => {
  for (const a of e.data) {
    const p = promiseDate(a.input, { seed: a.seed });
    self.postMessage({
      id: a.id,
      p50Min: p.p50Min,
      p80Min: p.p80Min,
      late: a.dueMin === null ? null : 1 - chanceBy(p.doneMin, a.dueMin),
    });
  }
};
