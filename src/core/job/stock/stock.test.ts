import { builds, plannedJob, snapshots, TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { foldStock, type StockEvent } from "../../stock";
import { fold, msOf, OWN_SHELF, parseEvent, STOCK_LOG, stockFromJob, stockFromLog, stockNeeds } from "..";
import type { JobEvent } from "../event";

const kestrel = builds["ostrel-kestrel-14"]!;
/**
 * The cut list added up by hand: left 172 with its tail of 18 and 2 of kerf, right 70 and 88 beside the guide of the camera lead, the
 * tail on the end that is pulled.
 */
const BY_HAND = { "tape/4x0.5": 172 + 18 + 2 + (70 + 2) + (88 + 18 + 2) };
const tapeUsed = (told: readonly StockEvent[]) => {
  const mm: Record<string, number> = {};
  for (const e of told) if (e.type === "stock.used" && e.item.startsWith("tape/")) mm[e.item] = (mm[e.item] ?? 0) + e.count;
  return mm;
};

describe("what a job takes from the stock is told by its log", () => {
  const whole = plannedJob("C").until(null);
  const told = stockFromJob(whole.events, snapshots);

  it("the tape gone is the cut list added up by hand, to the millimetre", () => {
    expect(tapeUsed(told)).toEqual(BY_HAND);
  });
  it("the panel came in once, was kept, and is in the lid; the old one lies in the box", () => {
    const code = whole.state.match.chosen!.code;
    const s = foldStock(told);
    expect(s.items[`panel/${code}`]).toMatchObject({ received: 1, used: 1, onHand: 0, reserved: 0 });
    const old = told.find((e) => e.type === "stock.salvaged" && e.lot.endsWith("-old"));
    expect(old).toMatchObject({ count: 1, donor: "H-1" });
    // Only the tape was never bought here: that is what stands as a breach, and nothing else.
    expect(s.breaches.every((b) => /^\d+ of tape\//.test(b.why))).toBe(true);
  });
  it("told twice, shuffled, in any order, it is the same: nothing doubles", () => {
    const again = stockFromJob([...whole.events].reverse(), snapshots);
    expect(again).toEqual(told);
    expect(foldStock([...told, ...again])).toEqual(foldStock(told));
    expect(new Set(told.map((e) => e.id)).size).toBe(told.length);
  });
  it("a piece of tape taken back is back on the roll", () => {
    const laid = whole.events.filter((e) => e.type === "bond.tapeLaid");
    const without: JobEvent[] = [...whole.events, whole.make({ type: "job.takenBack", payload: { eventId: laid[0]!.id } })];
    const sum = (x: Record<string, number>) => Object.values(x).reduce((a, b) => a + b, 0);
    expect(sum(tapeUsed(stockFromJob(without, snapshots)))).toBeLessThan(sum(BY_HAND));
    expect(stockFromJob(without, snapshots).length).toBe(told.length - 1);
  });
  it("tape comes off the roll the cut list named, whichever expires first; where that roll is short, off the next", () => {
    const b = plannedJob("C").until("rehearse");
    const laid = b.events.flatMap((e) => (e.type === "bond.tapeLaid" ? [e.payload.piece] : []));
    const item = Object.keys(tapeUsed(stockFromJob(b.events, snapshots)))[0]!;
    const [widthMm, mm] = item.replace("tape/", "").split("x").map(Number) as [number, number];
    const at = b.events.findIndex((e) => e.type === "bond.tapeLaid");
    const choice = (roll: string) =>
      b.make({
        type: "plan.tapeChosen",
        payload: { widthMm, pliesMm: [mm], rolls: [Object.fromEntries(laid.map((p) => [p, roll]))] },
      });
    const clock = b.events[0]!.clock;
    const rolls = (["OLD", "NEW"] as const).map((lot, i) => ({
      id: `lot-${lot}`,
      clock,
      device: "x",
      type: "stock.received" as const,
      item,
      lot,
      count: 5000,
      place: "drawer 2",
      expires: `202${6 + i}-01-01`,
    }));
    const left = (events: JobEvent[]) => {
      const s = foldStock([...rolls, ...stockFromJob(events, snapshots)]);
      return { old: s.lots.OLD!.left, new: s.lots.NEW!.left };
    };
    const used = 10_000 - left(b.events).old - left(b.events).new;
    expect(used).toBeGreaterThan(100);
    // No roll named: the one that expires first. Named: that one, to the millimetre.
    expect(left(b.events).new).toBe(5000);
    const named = [...b.events.slice(0, at), { ...choice("NEW"), clock: b.events[at - 1]!.clock }, ...b.events.slice(at)];
    expect(left(named)).toEqual({ old: 5000, new: 5000 - used });
    const lost = [...b.events.slice(0, at), { ...choice("GONE"), clock: b.events[at - 1]!.clock }, ...b.events.slice(at)];
    expect(left(lost)).toEqual(left(b.events));
  });
  it("what is still to be laid is needed; what is laid is not", () => {
    const before = plannedJob("C");
    expect(Object.fromEntries(stockNeeds({ state: before.state, snapshots }, kestrel).map((n) => [n.item, n.count]))).toEqual(
      BY_HAND,
    );
    expect(stockNeeds({ state: whole.state, snapshots }, kestrel)).toEqual([]);
  });
  it("a panel sent back leaves the shelf, and nothing stays kept for the job", () => {
    const b = plannedJob("C");
    const code = b.state.match.chosen!.code;
    expect(foldStock(stockFromJob(b.events, snapshots)).items[`panel/${code}`]).toMatchObject({ onHand: 1, reserved: 1 });
    b.events.push(b.make({ type: "match.returned", payload: { reason: "cracked", note: "", kept: [] } }));
    expect(foldStock(stockFromJob(b.events, snapshots)).items[`panel/${code}`]).toMatchObject({ onHand: 0, reserved: 0 });
  });
  it("a job that goes no further keeps nothing: the panel lies free", () => {
    const b = plannedJob("C");
    const code = b.state.match.chosen!.code;
    b.events.push(b.make({ type: "job.closed", payload: { outcome: "cancelled", reason: "too dear" } }));
    expect(foldStock(stockFromJob(b.events, snapshots)).items[`panel/${code}`]).toMatchObject({
      onHand: 1,
      reserved: 0,
      free: 1,
    });
  });
  it("a panel of the own shelf is kept and used, never received a second time", () => {
    const b = plannedJob("C").until(null);
    const code = b.state.match.chosen!.code;
    const own = b.events.map((e) =>
      e.type === "match.ordered" ? ({ ...e, payload: { ...e.payload, seller: OWN_SHELF, priceMinor: 0 } } as JobEvent) : e,
    );
    const lines = stockFromJob(own, snapshots);
    expect(lines.filter((e) => e.type === "stock.received")).toEqual([]);
    const shelf: StockEvent = {
      id: "s",
      clock: "0",
      type: "stock.received",
      item: `panel/${code}`,
      lot: "shelf-1",
      count: 1,
    };
    expect(foldStock([shelf, ...lines]).items[`panel/${code}`]).toMatchObject({ received: 1, used: 1, onHand: 0, reserved: 0 });
  });
});

describe("a panel that lies on the shelf for a job", () => {
  it("is the one that job takes: kept once, without a breach; seated it is gone, sent back to the shelf it is free", () => {
    const b = plannedJob("C").until(null);
    const code = b.state.match.chosen!.code;
    const item = `panel/${code}`;
    const number = b.state.job!.number;
    const shelf: StockEvent[] = [
      { id: "s", clock: "0", type: "stock.received", item, lot: "P-1", count: 1, job: number },
      { id: "t", clock: "0", type: "stock.reserved", item, count: 1, job: number },
    ];
    const own = b.events.map((e) =>
      e.type === "match.ordered" ? ({ ...e, payload: { ...e.payload, seller: OWN_SHELF, priceMinor: 0 } } as JobEvent) : e,
    );
    const ordered = own.findIndex((e) => e.type === "match.ordered");
    const kept = foldStock([...shelf, ...stockFromJob(own.slice(0, ordered + 1), snapshots)]);
    expect(kept.breaches).toEqual([]);
    expect(kept.items[item]).toMatchObject({ onHand: 1, reserved: 1, free: 0 });
    const done = foldStock([...shelf, ...stockFromJob(own, snapshots)]);
    expect(done.breaches.filter((x) => x.why.includes(code))).toEqual([]);
    expect(done.items[item]).toMatchObject({ onHand: 0, reserved: 0, used: 1 });
  });
});

describe("the stock's own log", () => {
  const bench = new TestBench("dev-a", STOCK_LOG);
  const roll = bench.do("stock.received", { item: "tape/3x0.5", lot: "R-3", count: 10_000, place: "drawer 2", priceMinor: 90 });

  it("takes in, and refuses what it has, what is no kind of thing, and lines nobody ordered", () => {
    expect(bench.why("stock.received", { item: "tape/3x0.5", lot: "R-3", count: 1, place: "" })).toMatch(
      /R-3 is on record already/,
    );
    expect(bench.why("stock.received", { item: "glue", lot: "G", count: 1, place: "" })).toMatch(
      /does not say what kind of thing/,
    );
    expect(bench.why("stock.received", { item: "tape/3x0.5", lot: "R-4", count: 1, place: "", orderLine: "B-9.1" })).toMatch(
      /No order has a line/,
    );
  });
  it("an order of two lines comes in parts, the rest is cancelled, and neither is taken twice", () => {
    const line = (line: string, item: string) => ({ line, item, count: 2, priceMinor: 5000 });
    bench.do("stock.ordered", {
      order: "B-1",
      seller: "Brightwater Panels",
      currency: "EUR",
      postageMinor: 490,
      dueDays: 3,
      lines: [line("B-1.1", "panel/GV140FHB-K31"), line("B-1.2", "panel/TQ116WHA-R02")],
      confirmed: true,
    });
    expect(bench.why("stock.ordered", { ...(bench.events.at(-1)!.payload as object), order: "B-2" } as never)).toMatch(
      /stands in another order/,
    );
    // The seller's newest word counts from when he gave it; his first spread over it stays.
    const before = structuredClone(bench.state.shop.orders["B-1"]!);
    bench.do("stock.orderMoved", { order: "B-1", is: "confirmed", note: "", inDays: 9 });
    const moved = bench.state.shop.orders["B-1"]!;
    const since = (msOf(bench.events.at(-1)!.clock) - msOf(before.clock)) / 86_400_000;
    expect(moved.is).toBe("confirmed");
    expect(moved.days!.p50).toBeCloseTo(since + 9, 9);
    expect(moved.days!.p80).toBeCloseTo(since + 9 * 1.4, 9);
    expect(before.dueDays).toBe(3);
    bench.do("stock.received", { item: "panel/GV140FHB-K31", lot: "P-1", count: 1, place: "", orderLine: "B-1.1" });
    expect(bench.state.shop.orders["B-1"]!.lines.map((l) => l.came)).toEqual([1, 0]);
    bench.do("stock.orderMoved", { order: "B-1", is: "cancelled", lines: ["B-1.2"], note: "" });
    expect(
      bench.why("stock.received", { item: "panel/TQ116WHA-R02", lot: "P-2", count: 1, place: "", orderLine: "B-1.2" }),
    ).toMatch(/was cancelled/);
    expect(bench.why("stock.orderMoved", { order: "B-1", is: "cancelled", lines: ["B-1.2"], note: "" })).toMatch(/was cancelled/);
    bench.do("stock.received", { item: "panel/GV140FHB-K31", lot: "P-3", count: 1, place: "", orderLine: "B-1.1" });
    expect(bench.why("stock.orderMoved", { order: "B-1", is: "shipped", note: "" })).toMatch(/Nothing of B-1 is on its way/);
  });
  it("an order has 1 to 60 lines, each by a name of its own, and a currency and number that can be", () => {
    const order = (more: object) =>
      parseEvent({
        ...bench.events[0]!,
        type: "stock.ordered",
        payload: {
          order: "B-7",
          seller: "Norrow Parts",
          currency: "EUR",
          postageMinor: 0,
          dueDays: 1,
          confirmed: true,
          lines: [{ line: "a", item: "film/wipes", count: 1, priceMinor: 1 }],
          ...more,
        },
      }).ok;
    const lines = (n: number) =>
      Array.from({ length: n }, (_, k) => ({ line: `l${k}`, item: "film/wipes", count: 1, priceMinor: 1 }));
    expect(order({})).toBe(true);
    expect(order({ lines: lines(60) })).toBe(true);
    for (const bad of [
      { lines: [] },
      { lines: lines(61) },
      { lines: [...lines(2), lines(1)[0]] },
      { currency: "eur" },
      { order: "7" },
      { confirmed: false },
      { dueDays: 366 },
    ])
      expect(order(bad), JSON.stringify(bad).slice(0, 60)).toBe(false);
  });
  it("a receipt taken back puts its uses in breach, and is said", () => {
    bench.do("stock.used", { item: "tape/3x0.5", count: 400 });
    expect(foldStock(stockFromLog(bench.events)).breaches).toEqual([]);
    bench.events.push(bench.make({ type: "job.takenBack", payload: { eventId: roll.id } }));
    const s = foldStock(stockFromLog(bench.events));
    expect(s.breaches).toHaveLength(1);
    expect(s.breaches[0]!.why).toMatch(/400 of tape\/3x0.5 used/);
    expect(fold(bench.events, {}).breaches).toEqual([]);
  });
});
