import { describe, expect, it } from "vitest";
import { type Overall, overallVerdict, type Ranking, rankCandidates, rankWords } from ".";

const same = overallVerdict([]);
const of = (kind: Overall["kind"], counts: Partial<Overall> = {}): Overall => ({ ...same, kind, ...counts });
const r = (code: string, overall: Overall, priceMinor: number | null, days: number | null): Ranking => ({
  code,
  overall,
  priceMinor,
  days,
});
const order = (list: Ranking[], day?: number) => rankCandidates(list, day).map((x) => x.code);

describe("the order of candidates", () => {
  it("what can be connected, then what can be had, then what is open, then price with days", () => {
    const list = [
      r("stop", of("stop"), 100, 1),
      r("unknown", of("doNotConnect", { looks: 1 }), 200, 1),
      r("asks", of("ask", { asks: 1 }), 3000, 1),
      r("two", of("change", { changes: 2 }), 1000, 1),
      r("none", same, null, null),
      r("dear", same, 9000, 1),
      r("cheap", same, 5000, 1),
    ];
    expect(order(list)).toEqual(["cheap", "dear", "asks", "two", "none", "unknown", "stop"]);
    expect(order([...list].reverse())).toEqual(order(list));
  });
  it("a day weighs what the shop says", () => {
    const list = [r("late", same, 5000, 9), r("soon", same, 6000, 1)];
    expect(order(list, 200)).toEqual(["soon", "late"]);
    expect(order(list, 50)).toEqual(["late", "soon"]);
  });
  it("a look weighs before a question of the same count, the code last", () => {
    expect(order([r("b", of("same", { looks: 1 }), 1, 1), r("a", of("ask", { asks: 1 }), 1, 1)])).toEqual(["a", "b"]);
    expect(order([r("b", same, 1, 1), r("a", same, 1, 1)])).toEqual(["a", "b"]);
  });
  it("says why", () => {
    expect(rankWords(r("x", of("ask", { asks: 1, looks: 2 }), 3950, 2))).toBe(
      "can be connected, 2 looks, 1 question, 39.50 in 2 days",
    );
    expect(rankWords(r("x", of("stop"), 100, 1))).toBe("does not fit, nothing open, 1.00 in 1 day");
  });
});
