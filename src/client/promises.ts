import type { ShopHours } from "@/core/promise";
import type { JobCard } from "@/wire/jobCard";
import { fromShop, type Promised, type PromiseSaid, promiseAsks, type Sooner } from "@/wire/promise";

/** Tells the dates of all jobs in a worker, one by one as they come; the answer stops it. */
export function tellPromises(
  cards: readonly JobCard[],
  hours: ShopHours,
  nowMs: number,
  others: Readonly<Record<string, Sooner>>,
  then: (id: string, p: Promised) => void,
): () => void {
  const { zero, asks } = promiseAsks(cards, hours, nowMs, others);
  if (asks.length === 0) return () => {};
  const w = new Worker(new URL("../workers/promise.ts", import.meta.url));
  w.onmessage = (e: MessageEvent<PromiseSaid>) => {
    const { id, p50Min, byMin, late, rescues } = e.data;
    if (!Number.isFinite(byMin)) return;
    then(id, {
      p50Ms: fromShop(p50Min, zero),
      byMs: fromShop(byMin, zero),
      sure: hours.sure,
      late,
      rescues: rescues
        .filter((r) => Number.isFinite(r.costMinor))
        .map(({ byMin: min, ...r }) => ({ ...r, byMs: fromShop(Number.isFinite(min) ? min : byMin, zero) })),
      why: asks.find((a) => a.id === id)?.why ?? [],
    });
  };
  w.onerror = (e) => {
    e.preventDefault();
    w.terminate();
  };
  w.postMessage(asks);
  return () => w.terminate();
}
