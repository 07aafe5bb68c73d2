import { describe, expect, it } from "vitest";
import {
  foldStock,
  itemName,
  lotWorth,
  readItem,
  readScrew,
  readTape,
  type StockEvent,
  screwItem,
  shelvesOf,
  tapeItem,
  toCount,
} from ".";

let n = 0;
const ev = (type: StockEvent["type"], payload: object): StockEvent => {
  n += 1;
  return { id: `e${n}`, clock: String(n).padStart(6, "0"), type, ...payload } as StockEvent;
};
const roll = (lot: string, count: number, more = {}) => ev("stock.received", { item: "tape/3x0.5", lot, count, ...more });

describe("names of things", () => {
  it("are read back as they were made, and what is no kind of thing is none", () => {
    expect(readTape(tapeItem(3, 0.25))).toEqual({ widthMm: 3, thicknessMm: 0.25 });
    expect(readScrew(screwItem({ thread: "M1.6", lengthMm: 2.5, head: "csk" }))).toEqual({
      thread: "M1.6",
      lengthMm: 2.5,
      head: "csk",
    });
    expect(readItem(itemName("panel", " GV140FHB-K31 "))).toEqual({ kind: "panel", what: "GV140FHB-K31" });
    // A slash in the name is part of the name.
    expect(readItem("part/cable 30/40")?.what).toBe("cable 30/40");
    for (const bad of ["", "glue", "/x", "panel/", "Panel/x", "rolls/3x0.5"]) expect(readItem(bad), bad).toBeNull();
    for (const bad of ["tape/3", "tape/3x", "tape/axb", "screw/3x0.5"]) expect(readTape(bad), bad).toBeNull();
  });
});

describe("the shelf", () => {
  it("what is reserved for a job is part of what it needs: nothing is asked for twice", () => {
    const s = foldStock([roll("R1", 1000), ev("stock.reserved", { item: "tape/3x0.5", count: 300, job: "H-1" })]);
    const [i] = shelvesOf(s, [
      { job: "H-1", item: "tape/3x0.5", count: 400 },
      { job: "H-2", item: "tape/3x0.5", count: 500 },
    ]);
    expect(i).toMatchObject({ onHand: 1000, kept: 900, free: 100, short: 0 });
    expect(i!.keptFor).toEqual([
      { job: "H-1", count: 400 },
      { job: "H-2", count: 500 },
    ]);
  });
  it("here = kept + free, asked = kept + short, whatever is drawn", () => {
    let seed = 7;
    const u = (k: number) => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return Math.floor((seed / 2147483648) * k);
    };
    for (let k = 0; k < 200; k++) {
      const events = Array.from({ length: u(8) }, (_, j) => roll(`L${k}-${j}`, 1 + u(900)));
      const needs = Array.from({ length: u(5) }, (_, j) => ({ job: `H-${j}`, item: "tape/3x0.5", count: 1 + u(800) }));
      const coming = u(2) ? [{ item: "tape/3x0.5", count: u(500) + 1 }] : [];
      const [i] = shelvesOf(foldStock(events), needs, coming);
      const here = events.reduce((m, e) => m + ("count" in e ? (e.count ?? 0) : 0), 0);
      const asked = needs.reduce((m, x) => m + x.count, 0);
      if (here + asked + coming.length === 0) expect(i).toBeUndefined();
      else {
        expect(i!.kept + i!.free).toBe(here);
        expect(i!.kept + i!.short).toBe(asked);
        expect(Math.min(i!.free, i!.short)).toBe(0);
      }
    }
  });
  it("the roll that expires first goes first; without a date the lower name", () => {
    const s = foldStock([
      roll("B", 1),
      roll("C", 1, { expires: "2027-05-01" }),
      roll("A", 1),
      roll("D", 1, { expires: "2027-01-01" }),
    ]);
    expect(shelvesOf(s)[0]!.lots.map((l) => l.lot)).toEqual(["D", "C", "A", "B"]);
  });
  it("what is used up, wanted by nobody and not on its way is on no shelf", () => {
    expect(shelvesOf(foldStock([roll("R9", 10), ev("stock.used", { item: "tape/3x0.5", count: 10 })]))).toEqual([]);
  });
});

describe("what to count", () => {
  const day = 86_400_000;
  it("is what is worth most, was counted longest ago, and went beyond the books", () => {
    const at = (clock: string) => Number(clock);
    const log: StockEvent[] = [
      { id: "1", clock: "0", type: "stock.received", item: "panel/A", lot: "PA", count: 1, priceMinor: 6000 },
      { id: "2", clock: "0", type: "stock.received", item: "panel/B", lot: "PB", count: 1, priceMinor: 5000 },
      { id: "3", clock: "0", type: "stock.received", item: "screw/M2x3 pan", lot: "S", count: 10, priceMinor: 5 },
      { id: "4", clock: String(8 * day), type: "stock.counted", lot: "PA", count: 1 },
    ];
    // A was counted two days ago: 6000 x 2 is less than 5000 x 10.
    expect(toCount(foldStock(log), 10 * day, at).map((x) => x.lot.lot)).toEqual(["PB", "PA", "S"]);
    expect(toCount(foldStock(log), 10 * day, at)[1]!.days).toBe(2);
    // Twenty used of ten: the breach doubles its weight, and what is left is nothing: there is nothing to count.
    const gone = foldStock([...log, { id: "5", clock: "9", type: "stock.used", item: "screw/M2x3 pan", count: 20 }]);
    expect(toCount(gone, 10 * day, at).map((x) => x.lot.lot)).toEqual(["PB", "PA"]);
    expect(toCount(foldStock(log), 10 * day, at, 1)).toHaveLength(1);
  });
  it("a metre is priced, not a millimetre", () => {
    expect(lotWorth(foldStock([roll("W", 2500, { priceMinor: 100 })]).lots.W!)).toBe(250);
  });
});
