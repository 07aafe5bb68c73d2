import { chanceBy, promiseDate } from "@/core/promise";
import { fromShop, type Promised, promiseAsks } from "@/wire/promise";
import { readShopHours } from "./hours";
import { benchCards } from "./jobList";
import { nowMs } from "./now";

/** When one job will be done, by the same draws the bench page makes; null where its panel is neither here nor ordered. */
export async function promiseOf(jobId: string): Promise<Promised | null> {
  const [{ open }, hours] = await Promise.all([benchCards(), readShopHours()]);
  const { zero, asks } = promiseAsks(open, hours, nowMs());
  const ask = asks.find((a) => a.id === jobId);
  if (!ask) return null;
  const p = promiseDate(ask.input, { seed: ask.seed });
  if (!Number.isFinite(p.p80Min)) return null;
  return {
    p50Ms: fromShop(p.p50Min, zero),
    p80Ms: fromShop(p.p80Min, zero),
    late: ask.dueMin === null ? null : 1 - chanceBy(p.doneMin, ask.dueMin),
  };
}
