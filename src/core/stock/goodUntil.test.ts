import { describe, expect, it } from "vitest";
import { foldStock, goodUntil, type StockEvent } from ".";

const at = (day: string) => String(Date.parse(`${day}T09:00:00.000Z`));
const came = (more: object = {}): StockEvent =>
  ({
    id: "1",
    clock: at("2026-01-10"),
    type: "stock.received",
    item: "tape/3x0.5",
    lot: "R-1",
    count: 10_000,
    ...more,
  }) as StockEvent;
const used = (day: string, more: object = {}): StockEvent => ({
  id: `u${day}`,
  clock: at(day),
  type: "stock.used",
  item: "tape/3x0.5",
  count: 300,
  ...more,
});
const until = (...events: StockEvent[]) => goodUntil(foldStock(events).lots["R-1"]!, Number);

describe("until when a roll is good", () => {
  it("sealed: the date on it; without one two years from when it came in", () => {
    expect(until(came({ expires: "2027-05-28" }))).toBe("2027-05-28");
    expect(until(came())).toBe("2028-01-10");
  });
  it("opened: a year from the first that was cut of it, and never longer than its date", () => {
    expect(until(came({ expires: "2028-05-28" }), used("2026-03-01"), used("2026-09-01"))).toBe("2027-03-01");
    expect(until(came({ expires: "2026-12-01" }), used("2026-03-01"))).toBe("2026-12-01");
    // What was thrown away, or counted, opened nothing.
    expect(
      until(came({ expires: "2028-05-28" }), { ...used("2026-03-01"), type: "stock.scrapped", why: "dusty" } as StockEvent),
    ).toBe("2028-05-28");
  });
  it("the use that opened it taken back, it is whole again; a roll not cut from stays whole", () => {
    const back: StockEvent = { id: "b", clock: at("2026-04-01"), type: "stock.takenBack", eventId: "u2026-03-01" };
    expect(until(came({ expires: "2028-05-28" }), used("2026-03-01"), back)).toBe("2028-05-28");
    const other = came({ id: "0", lot: "R-0", expires: "2026-06-01" });
    expect(until(other, came({ expires: "2028-05-28" }), used("2026-03-01"))).toBe("2028-05-28");
  });
  it("what is no tape keeps, unless a date is on it", () => {
    const screws = came({ item: "screw/M2x3 wafer" });
    expect(until(screws)).toBeNull();
    expect(until(came({ item: "film/wipes", expires: "2026-07-01" }))).toBe("2026-07-01");
  });
});
