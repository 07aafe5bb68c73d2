import { type OrderAnswer, readOrderAnswer } from "@/core/catalogue";
import { fold, msOf, STOCK_LOG } from "@/core/job";
import { readItem } from "@/core/stock";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { simulatedOrderDesk } from "@/standins/orderDesk";
import { nowMs } from "./now";
import { feedFailure } from "./sellers";

const DAY_MS = 86_400_000;

/** What a seller calls a thing of the shelf: its code, its size. */
const codeOf = (item: string): string => readItem(item)?.what ?? item;

/** Asks the seller of an order after what did not come yet, and holds his answer against what was ordered. */
export async function askAfterOrder(
  order: string,
): Promise<{ ok: true; answer: OrderAnswer } | { ok: false; status: number; problem: string }> {
  const log = await readLog(connection().db, STOCK_LOG);
  const o = fold(log.events, log.snapshots).shop.orders[order];
  if (!o) return { ok: false, status: 404, problem: `There is no order ${order}.` };
  const lines = o.lines
    .filter((l) => !o.over[l.line] && l.came < l.count)
    .map((l) => ({ line: l.line, code: codeOf(l.item), count: l.count - l.came }));
  if (lines.length === 0) return { ok: false, status: 409, problem: `Nothing of ${order} is on its way any more.` };
  const dueInDays = o.dueDays - (nowMs() - msOf(o.clock)) / DAY_MS;
  const said = await simulatedOrderDesk(await feedFailure()).about(o.seller, order, lines, dueInDays);
  if (!said.ok) return { ok: false, status: 502, problem: said.problem };
  return { ok: true, answer: readOrderAnswer(lines, dueInDays, said.is, said.rows) };
}
