import { POCKET, parts } from "@tests/heatLids";
import { describe, expect, it } from "vitest";
import { lidModel, MOST_BROKEN, type PlanHeatOptions, planHeat, planSafelySteps, robustSteps, type SafePlan } from ".";

const strips = [{ id: "bottom", edge: "bottom", xMm: 9, yMm: 105, widthMm: 150, heightMm: 6 }] as never;
const lid = (cover: "al" | "pcabs") => lidModel(parts([], POCKET, strips), { cover });
const end = <T>(g: Generator<unknown, T>): T => {
  for (let r = g.next(); ; r = g.next()) if (r.done) return r.value;
};
const MAT: PlanHeatOptions = {
  softC: 50,
  ceilingsC: { film: 62, lcd: 62 },
  means: { by: "mat", setC: [58, 60], widthMm: 180, heightMm: 120 },
};
const DRYER: PlanHeatOptions = {
  softC: 50,
  ceilingsC: { film: 70, surface: 85 },
  means: { by: "jet", tool: "hairDryer", nozzleC: [80, 90], standOffMm: 40 },
};

describe("a plan on lids as they may be", () => {
  it("a mat under its ceiling breaks none, whatever the lid is like: no point gets hotter than the mat", () => {
    const p = planHeat(lid("al"), MAT);
    if (!p.ok) throw new Error("no plan");
    expect(end(robustSteps(lid("al"), p.acts, MAT.ceilingsC, { draws: 10 }))).toEqual({ draws: 10, broken: 0, worst: null });
  });
  it("the same seed, the same draws; another seed, others", () => {
    const acts = [
      { do: "jet", edge: "bottom", fromMm: 9, toMm: 159, insetMm: 8, tool: "heatGun", nozzleC: 150, standOffMm: 60, seconds: 90 },
    ] as const;
    const of = (seed: number) => end(robustSteps(lid("al"), acts, { film: 55 }, { draws: 6, seed }));
    expect(of(3)).toEqual(of(3));
    expect(of(3).worst?.byK).not.toBe(of(4).worst?.byK);
  });
  it("what is far over its ceiling breaks it in every draw, and is named with how far", () => {
    const acts = [
      {
        do: "jet",
        edge: "bottom",
        fromMm: 9,
        toMm: 159,
        insetMm: 8,
        tool: "heatGun",
        nozzleC: 220,
        standOffMm: 60,
        seconds: 180,
      },
    ] as const;
    const r = end(robustSteps(lid("al"), acts, { film: 45 }, { draws: 10 }));
    expect(r.broken).toBe(10);
    expect(r.worst!.thing).toBe("film");
    expect(r.worst!.byK).toBeGreaterThan(10);
  });
  it.each<[string, "al" | "pcabs", PlanHeatOptions]>([
    ["mat on metal", "al", MAT],
    ["dryer on plastic", "pcabs", DRYER],
  ])("an accepted plan breaks a ceiling in two of a hundred at most, and says how many were tried: %s", (_, cover, o) => {
    const found: SafePlan = end(planSafelySteps(lid(cover), o, { draws: 10 }));
    if (found.plan.ok) {
      expect(found.robust!.draws).toBe(10);
      expect(found.robust!.broken / 10).toBeLessThanOrEqual(MOST_BROKEN);
    } else expect(found.plan.misses.by).toBeGreaterThan(0);
    if (o === MAT) expect(found.plan.ok).toBe(true);
  });
});
