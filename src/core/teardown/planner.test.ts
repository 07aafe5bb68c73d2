import { builds } from "@tests/bench";
import { everyOrder, everyPlan } from "@tests/everyPlan";
import { judgePlan } from "@tests/planChecker";
import { seededRandom } from "@tests/randomActs";
import { randomBuild } from "@tests/randomBuild";
import { runs } from "@tests/scale";
import { describe, expect, it } from "vitest";
import { makePlan } from "./plan";
import { bestOrder, type OrderProblem } from "./search";
import { wayOut } from "./wayOut";
import type { PlanWeights } from "./weights";

describe("the cheapest order", () => {
  it("is the least of all orders, for small problems of every make", () => {
    for (let seed = 1; seed <= runs(150); seed++) {
      const random = seededRandom(seed);
      const n = 3 + Math.floor(random() * 5);
      const p: OrderProblem = {
        cost: Array.from({ length: n }, () => Math.round(random() * 40) / 10),
        minutes: Array.from({ length: n }, () => Math.round(random() * 30) / 10),
        tool: Array.from({ length: n }, () => Math.floor(random() * 4) - 1),
        view: Array.from({ length: n }, () => Math.floor(random() * 3) - 1),
        pre: Array.from({ length: n }, (_, i) => Array.from({ length: i }, (_, k) => k).filter(() => random() < 0.25)),
        exposes: Array.from({ length: n }, () => (random() < 0.3 ? Math.round(random() * 5) / 10 : 0)),
        toolChange: 0.35,
        turn: 0.5,
      };
      const r = bestOrder(p);
      expect(r.proven, `seed ${seed}`).toBe(true);
      expect(r.value, `seed ${seed}`).toBeCloseTo(everyOrder(p), 9);
      expect(new Set(r.order).size).toBe(n);
    }
  });
  it("says how far off it may be when it has to stop early, and the bound holds", () => {
    let stopped = 0;
    for (let seed = 1; seed <= runs(40); seed++) {
      const random = seededRandom(seed);
      const n = 8;
      const p: OrderProblem = {
        cost: Array.from({ length: n }, () => 1),
        minutes: Array.from({ length: n }, () => random() * 3),
        tool: Array.from({ length: n }, () => Math.floor(random() * 4)),
        view: Array.from({ length: n }, () => Math.floor(random() * 2)),
        pre: Array.from({ length: n }, () => []),
        exposes: Array.from({ length: n }, () => random() * 0.5),
        toolChange: 0.35,
        turn: 0.5,
      };
      const r = bestOrder(p, { left: 3 });
      const least = everyOrder(p);
      if (!r.proven) stopped += 1;
      expect(r.bound).toBeLessThanOrEqual(least + 1e-9);
      expect(r.value).toBeGreaterThanOrEqual(least - 1e-9);
    }
    expect(stopped).toBeGreaterThan(runs(40) / 2);
  });
  it("a circle has no order", () => {
    const p = {
      cost: [1, 1],
      minutes: [1, 1],
      tool: [-1, -1],
      view: [-1, -1],
      pre: [[1], [0]],
      exposes: [0, 0],
      toolChange: 1,
      turn: 1,
    };
    expect(bestOrder(p).order).toBeNull();
  });
});

describe("the plan over set and order together", () => {
  it("equals exhaustive search on 200 random machines of up to 9 parts", () => {
    let chosen = 0;
    for (let seed = 1; seed <= runs(200); seed++) {
      const build = randomBuild(seed, 3 + (seed % 7));
      const r = wayOut(build);
      if (!r.ok) throw new Error(`seed ${seed}: ${r.problem}`);
      expect(r.objective.proven, `seed ${seed}`).toBe(true);
      expect(r.objective.value, `seed ${seed}`).toBeCloseTo(everyPlan(build), 9);
      if (r.steps.some((s) => s.kind === "tether")) chosen += 1;
    }
    expect(chosen, "plans in which an alternative was taken").toBeGreaterThan(runs(200) / 20 - 1);
  }, 60_000);
  it("equals exhaustive search under whatever a shop weighs, and the weights change what is best", () => {
    let moved = 0;
    for (let seed = 1; seed <= runs(60); seed++) {
      const build = randomBuild(seed, 4 + (seed % 6));
      const random = seededRandom(500 + seed);
      const weights: PlanWeights = {
        toolChange: random() * 5,
        turn: random() * 8,
        minorPerMinute: 1 + random() * 500,
        heat: random() * 20,
        glue: random() * 20,
        heatEarly: random() * 0.5,
        glueEarly: random() * 0.5,
      };
      const r = wayOut(build, { weights });
      if (!r.ok) throw new Error(r.problem);
      expect(r.objective.proven, `seed ${seed}`).toBe(true);
      expect(r.objective.value, `seed ${seed}`).toBeCloseTo(everyPlan(build, weights), 6);
      const plain = wayOut(build);
      if (plain.ok && plain.steps.map((s) => s.id).join() !== r.steps.map((s) => s.id).join()) moved += 1;
    }
    expect(moved, "plans that came out otherwise").toBeGreaterThan(runs(60) / 60 - 1);
  });
  it("and its way back break no rule of the bench, on 1,000 random machines", () => {
    for (let seed = 1; seed <= runs(1000); seed++) {
      const build = randomBuild(seed, 3 + (seed % 14));
      const r = makePlan(build);
      if (!r.ok) throw new Error(`seed ${seed}: ${r.problem}`);
      expect(judgePlan(build, r.plan.out, r.plan.in), `seed ${seed}`).toEqual([]);
    }
  }, 120_000);
  it("the checker sees what is wrong: every step of a way out left away or brought forward is told", () => {
    const build = builds["ostrel-kestrel-14"]!;
    const r = makePlan(build);
    if (!r.ok) throw new Error(r.problem);
    const { out, in: back } = r.plan;
    expect(judgePlan(build, out, back)).toEqual([]);
    for (const [i, s] of out.entries()) {
      const without = out.filter((_, k) => k !== i);
      if (s.kind === "partFold") continue;
      expect(judgePlan(build, without, back), `without ${s.id}`).not.toEqual([]);
    }
    for (const [i, s] of back.entries())
      if (["screwsBack", "screwsTighten", "partBack", "cableOn", "seat", "looseTest"].includes(s.kind))
        expect(
          judgePlan(
            build,
            out,
            back.filter((_, k) => k !== i),
          ),
          `without ${s.id}`,
        ).not.toEqual([]);
    const liner = back.findIndex((s) => s.kind === "linerPull");
    const early = [back[liner]!, ...back.filter((_, k) => k !== liner)];
    expect(judgePlan(build, out, early).join()).toMatch(/liner before a loose test/);
  });
  it("on machines of 60 parts it is proven or says the gap", () => {
    for (let seed = 1; seed <= 8; seed++) {
      const build = randomBuild(seed * 101, 60);
      const r = wayOut(build);
      if (!r.ok) throw new Error(r.problem);
      expect(r.objective.bound).toBeLessThanOrEqual(r.objective.value + 1e-9);
      expect(r.objective.proven || r.objective.bound > 0).toBe(true);
    }
  }, 60_000);
});
