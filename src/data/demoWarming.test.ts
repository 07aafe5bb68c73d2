import { resolve } from "node:path";
import { describe, expect, it } from "vitest";
import { asWorked, fold } from "@/core/job";
import { progressOf } from "@/core/teardown";
import { demoSnapshots } from "./demoScenario";
import { demoWarming } from "./demoWarming";

const NOW = Date.parse("2026-06-10T08:12:00.000Z");
const dir = resolve("data");

describe("the demo's machines to warm", () => {
  const { logs, snapshots, build } = demoWarming(demoSnapshots(dir), NOW);
  const at = logs.map((log) => {
    const view = { state: fold(log, snapshots), snapshots };
    return { log, view, now: progressOf(view)!.now! };
  });
  it("stand before a strip that has to be warmed, isolated, no rule broken on the way", () => {
    for (const { log, view, now } of at) {
      expect(view.state.breaches, view.state.job?.number).toEqual([]);
      expect(view.state.putOff?.why).toBeTruthy();
      expect(now.kind).toBe("tapeOut");
      expect(now.heat).toBe(true);
      expect(view.state.bench.shutDown).toBe(true);
      expect(log.every((e) => e.clock < `${String(NOW + 1).padStart(15, "0")}`)).toBe(true);
    }
  });
  it("are a metal lid, a plastic one, and a cell whose glue lets go only where its films are harmed", () => {
    const kinds = at.map(({ view }) => {
      const kept = snapshots[view.state.plan!.buildHash]!;
      if (kept.kind !== "build") throw new Error("no build");
      return asWorked(view, kept.data);
    });
    expect(kinds.map((b) => b.lid.cover?.kind)).toEqual(["al", "pcabs", "al"]);
    expect(kinds[2]!.subject.kind).toBe("cell");
    expect(at[2]!.now.caution).toMatch(/These contradict: it lets go from 60 °C, and film stack that stays takes 60 °C/);
    expect(build.id).toBe("isbrand-ravel-14");
  });
  it("are the same again, and of numbers no other job has", () => {
    const again = demoWarming(demoSnapshots(dir), NOW);
    expect(again.logs).toEqual(logs);
    const numbers = logs.map((l) => (l[0]!.payload as { number: string }).number);
    expect(new Set(numbers).size).toBe(3);
  });
});
