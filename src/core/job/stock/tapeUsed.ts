import { readTape, type StockEvent } from "../../stock";

/**
 * New tape that was laid, mm by item.
 * @param told what a job took from the stock
 * @example tapeUsed([{ id: "1", clock: "1", type: "stock.used", item: "tape/3x0.5", count: 202 }]) // { "tape/3x0.5": 202 }
 */
export function tapeUsed(told: readonly StockEvent[]): Record<string, number> {
  const out: Record<string, number> = {};
  for (const x of told) if (x.type === "stock.used" && readTape(x.item)) out[x.item] = (out[x.item] ?? 0) + x.count;
  return out;
}
