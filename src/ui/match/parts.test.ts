import { panels } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { ARRIVAL_ITEMS } from "@/core/job";
import { arrivalItem } from "./arrivalItems";
import { hereBy, stockWords } from "./parts";

const NOW = Date.parse("2026-06-10T08:00:00Z");
const lead = (p50Days: number, p80Days: number) => ({ p50Days, p80Days, orders: 2 });

describe("when it is here", () => {
  it("late in the bad case only is told from late for sure", () => {
    const promise = "2026-06-12T10:00:00.000Z";
    expect(hereBy(NOW, lead(1, 1.5), promise).late).toBe("no");
    expect(hereBy(NOW, lead(1, 4), promise)).toMatchObject({ late: "maybe", likely: "Thu 11", bad: "Sun 14" });
    expect(hereBy(NOW, lead(3, 4), promise).late).toBe("surely");
    expect(hereBy(NOW, lead(30, 90), null).late).toBe("no");
  });
  it("one day is said once", () => {
    expect(hereBy(NOW, lead(1, 1.2), null).bad).toBeNull();
  });
  it("stock not said is not stock", () => {
    expect(stockWords(undefined)).toBe("stock not said");
    expect(stockWords(0)).toBe("none in stock");
    expect(stockWords(3)).toBe("3 in stock");
  });
});

describe("what the arrival check asks", () => {
  const k36 = panels["gv140fhb-k36"]!;
  it("offers none only where nothing was promised, and never for cracks, code and connector", () => {
    const absent = ARRIVAL_ITEMS.filter((i) => arrivalItem(i, k36).mayBeAbsent);
    expect(absent).toEqual(["tabs", "films", "brackets", "sensor"]);
  });
  it("says each value with its source, and who has said nothing", () => {
    expect(arrivalItem("connector", k36).look).toContain("facing the shell (S)");
    expect(arrivalItem("connector", { ...k36, contacts: { value: null, source: "G" } }).look).toContain("nobody has said");
  });
});
