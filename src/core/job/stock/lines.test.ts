import { plannedJob, snapshots, TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { foldStock, itemName, shelvesOf } from "../../stock";
import { comingOf, stockFromJob, stockNeeds, withJobLines } from "..";
import type { ShopOrder } from "../state";

const order = (): ShopOrder => ({
  seller: "Norrow Parts",
  clock: "",
  dueDays: 3,
  days: null,
  currency: "EUR",
  postageMinor: 490,
  is: "placed",
  lines: [
    { line: "B-2.1", item: "panel/GV140FHB-K31", count: 1, priceMinor: 8420, job: "H-1", came: 0 },
    { line: "B-2.2", item: "panel/GV140FHB-K31", count: 2, priceMinor: 16840, job: null, came: 1 },
  ],
  over: {},
});

describe("lines of an order of the shop, in the jobs they are for", () => {
  it("what was scanned in there came; cancelled and sent back there is over; the shelf's own lines stay as they are", () => {
    const at = (is: "out" | "came" | "cancelled" | "returned") =>
      withJobLines({ "B-2": order() }, { "B-2.1": { job: "H-1", id: "j", is } })["B-2"]!;
    expect(at("out")).toEqual(order());
    expect(at("came").lines.map((l) => l.came)).toEqual([1, 1]);
    expect(at("cancelled")).toMatchObject({ over: { "B-2.1": "cancelled" } });
    expect(at("cancelled").lines[0]!.came).toBe(0);
    expect(at("returned")).toMatchObject({ over: { "B-2.1": "returned" } });
    // What was given is not written over.
    const given = { "B-2": order() };
    withJobLines(given, { "B-2.1": { job: "H-1", id: "j", is: "came" } });
    expect(given["B-2"].lines[0]!.came).toBe(0);
  });
  it("a line that stands in its job is on its way for nobody else: not for the shelf, not for another job that needs one", () => {
    const line = { job: "H-1", id: "j", is: "out" as const };
    const three = order();
    three.lines[1]!.came = 0;
    const orders = { "B-2": three };
    // One for the job and two for the shelf; before it stands in the job its need stands against it.
    expect(comingOf(orders, {})).toEqual([
      { item: "panel/GV140FHB-K31", count: 1 },
      { item: "panel/GV140FHB-K31", count: 2 },
    ]);
    expect(comingOf(orders, { "B-2.1": line })).toEqual([{ item: "panel/GV140FHB-K31", count: 2 }]);
    const [shelf] = shelvesOf(
      foldStock([]),
      [{ job: "H-9", item: "panel/GV140FHB-K31", count: 1 }],
      comingOf({ "B-2": { ...three, lines: [three.lines[0]!] } }, { "B-2.1": line }),
    );
    expect(shelf).toMatchObject({ short: 1, coming: 0 });
    expect(comingOf({ "B-2": { ...three, over: { "B-2.2": "cancelled" } } }, { "B-2.1": line })).toEqual([]);
  });
  it("a panel that came by a line is received once, under that line, and kept for its job", () => {
    const b = plannedJob("C");
    const events = b.events.map((e) => (e.type === "match.ordered" ? { ...e, payload: { ...e.payload, line: "B-2.1" } } : e));
    const told = stockFromJob(events, snapshots).filter((e) => e.type === "stock.received");
    expect(told).toHaveLength(1);
    expect(told[0]).toMatchObject({ orderLine: "B-2.1", count: 1, job: "H-1" });
    const plain = stockFromJob(b.events, snapshots).filter((e) => e.type === "stock.received");
    expect(plain[0]).not.toHaveProperty("orderLine");
  });
  it("a panel that must not be ordered yet is needed, and says why; one that may be says which", () => {
    const b = plannedJob("C");
    const upTo = b.events.slice(
      0,
      b.events.findIndex((e) => e.type === "match.ordered"),
    );
    const at = (events: typeof upTo) => {
      const t = new TestBench();
      t.events.push(...events);
      return stockNeeds({ state: t.state, snapshots }, null);
    };
    const chosen = upTo.find((e) => e.type === "match.chosen");
    const code = chosen?.type === "match.chosen" ? chosen.payload : null;
    expect(at(upTo)[0]).toEqual({ item: itemName("panel", code!.code), count: 1, panelHash: code!.panelHash });
    // Before anybody read what is fitted there is nothing to compare with.
    const unread = upTo.filter((e) => !e.type.startsWith("identify."));
    expect(at(unread)[0]!.shut).toMatch(/Identify the old panel first/);
  });
});
