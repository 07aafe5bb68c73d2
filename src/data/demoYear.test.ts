import { resolve } from "node:path";
import { describe, expect, it } from "vitest";
import { counting, fold, msOf, stockFromJob, stockFromLog } from "@/core/job";
import { foldStock } from "@/core/stock";
import { demoEvents, demoHashes, demoSnapshots } from "./demoScenario";
import { demoReturn, demoYear, demoYearStock } from "./demoYear";

const NOW = Date.parse("2026-03-10T10:00:00.000Z");
const dir = resolve("data");
const snapshots = demoSnapshots(dir);
const demo = demoEvents(dir, demoHashes(dir), NOW);

describe("a year at the demo's bench", () => {
  const year = demoYear(demo, snapshots, NOW, 60);
  it("is of whole jobs that break no rule: every act passes its gate where it stands", () => {
    for (const log of year) {
      const s = fold(log, snapshots);
      expect(s.breaches, s.job?.number).toEqual([]);
      expect(s.closed?.outcome).toBe("handedOver");
    }
  });
  it("has times that rise, none of them to come, and numbers and ids of its own", () => {
    const ids = new Set<string>();
    for (const log of year) {
      const clocks = log.map((e) => e.clock);
      expect([...clocks].sort()).toEqual(clocks);
      expect(msOf(clocks.at(-1)!)).toBeLessThan(NOW);
      for (const e of log) ids.add(e.id);
    }
    expect(ids.size).toBe(year.reduce((n, l) => n + l.length, 0));
    const number = (log: (typeof year)[number]) => (log[0]!.payload as { number: string }).number;
    expect(new Set([...year, ...demo].map((l) => number(l as never))).size).toBe(year.length + demo.length);
  });
  it("is the same year when it is drawn again, and has what a year has: late parcels, wrong parts", () => {
    const again = demoYear(demo, snapshots, NOW, 60);
    expect(again.map((l) => l.map((e) => [e.type, e.payload]))).toEqual(year.map((l) => l.map((e) => [e.type, e.payload])));
    const back = year.filter((l) => l.some((e) => e.type === "match.returned")).length;
    expect(back).toBeGreaterThan(0);
    expect(back).toBeLessThan(year.length / 3);
  });
  it("adds up to the last piece: panels in are panels out, tape gone is tape laid", () => {
    const told = year.flatMap((l) => stockFromJob(l, snapshots));
    const rolls = stockFromLog(demoYearStock(year, snapshots, NOW));
    const s = foldStock([...told, ...rolls]);
    expect(s.breaches).toEqual([]);
    const panels = Object.entries(s.items).filter(([k]) => k.startsWith("panel/"));
    const sum = (f: (i: (typeof panels)[number][1]) => number) => panels.reduce((n, [, i]) => n + f(i), 0);
    expect(sum((i) => i.received)).toBe(year.length);
    expect(sum((i) => i.used)).toBe(year.length);
    expect(sum((i) => i.onHand + i.reserved)).toBe(0);
    const laid = year.flatMap((l) => counting(l).filter((e) => e.type === "bond.tapeLaid")).length;
    expect(told.filter((e) => e.type === "stock.used" && e.item.startsWith("tape/")).length).toBe(laid);
  });
  it("one of its machines comes back: the same customer and serial, pointing to the job it was, and nothing else is done to it", () => {
    const back = demoReturn(year, NOW);
    const state = fold(back, snapshots);
    expect(state.breaches).toEqual([]);
    const before = year.find((l) => l[0]!.jobId === state.job!.cameBack!.job)!;
    expect(before[0]!.payload).toMatchObject({
      number: state.job!.cameBack!.number,
      customer: state.job!.customer,
      serial: state.job!.serial,
    });
    expect(fold(before, snapshots).close.handedOver).not.toBeNull();
    expect(msOf(back[0]!.clock)).toBeGreaterThan(msOf(before.at(-1)!.clock));
    expect(msOf(back[0]!.clock)).toBeLessThan(NOW);
    expect(year.some((l) => l[0]!.jobId === back[0]!.jobId)).toBe(false);
    expect(demoReturn([], NOW)).toEqual([]);
  });
});
