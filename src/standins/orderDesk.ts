import type { OrderDesk } from "@/core/catalogue";
import { seedOf } from "./board";
import type { FeedFailure } from "./sellerFeed";

/** How much later a seller who is told to be late sends, days. */
const LATER_DAYS = 6;

/** A seller's order desk, simulated: sends what was ordered in time, or is silent, late, short or wrong when told. */
export function simulatedOrderDesk(failure: FeedFailure): OrderDesk {
  return {
    async about(seller, order, lines, dueInDays) {
      if (failure === "outage") return { ok: false, problem: `${seller} does not answer.` };
      const due = Math.max(1, Math.ceil(dueInDays));
      const rows: unknown[] = lines.map((l, i) => ({
        line: l.line,
        code: failure === "wrong" && i === 0 ? `${l.code.slice(0, -1)}${l.code.endsWith("9") ? "8" : "9"}` : l.code,
        count: failure === "short" && i === 0 ? Math.floor(l.count / 2) : l.count,
        days: failure === "late" ? due + LATER_DAYS : due,
      }));
      if (failure === "badRows") rows.push({ line: lines[0]?.line, code: "", count: -1, days: "soon" });
      return { ok: true, is: seedOf(`${seller}${order}`) % 2 ? "confirmed" : "shipped", rows };
    },
  };
}
