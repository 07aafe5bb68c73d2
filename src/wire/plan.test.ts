import { builds, plannedJob } from "@tests/bench";
import { expect, it } from "vitest";
import { changesOf } from "@/core/job";
import { madePlan, otherGoals, PLAN_WEIGHTS, planAskOf, progressIn, progressOf } from "@/core/teardown";
import { planKey } from "./plan";

it("a plan survives the way to a page or out of a worker, and tells the same step", () => {
  const b = plannedJob("C").until("partOut:bezel");
  const sent = structuredClone(madePlan(planAskOf(b.view)!));
  const over = JSON.parse(JSON.stringify(sent));
  expect(progressIn(b.view, over)?.now).toEqual(progressOf(b.view)?.now);
  expect(progressIn(b.view, over)?.steps.map((s) => s.done)).toEqual(progressOf(b.view)?.steps.map((s) => s.done));
  expect(progressIn(b.view, null)).toBeNull();
  expect(progressIn(b.view, { ok: false, problem: "x" })).toBeNull();
});
it("its key changes with build, finds and changes, and with nothing else", () => {
  const b = plannedJob("C");
  const hash = b.state.plan!.buildHash;
  const changes = changesOf(b.view);
  const key = planKey(hash, b.state.finds, changes, PLAN_WEIGHTS, "mains");
  b.do("bench.shutDown");
  expect(planKey(hash, b.state.finds, changesOf(b.view), PLAN_WEIGHTS, "mains")).toBe(key);
  expect(planKey("0".repeat(64), b.state.finds, changes, PLAN_WEIGHTS, "mains")).not.toBe(key);
  expect(planKey(hash, [{ x: 1 }], changes, PLAN_WEIGHTS, "mains")).not.toBe(key);
  expect(
    planKey(hash, [], [{ field: "finish", part: "film", minutes: 1, act: "Lay it", at: "swap" }], PLAN_WEIGHTS, "mains"),
  ).not.toBe(key);
  expect(planKey(hash, b.state.finds, changes, PLAN_WEIGHTS, "battery")).not.toBe(key);
  expect(planKey(hash, b.state.finds, changes, { ...PLAN_WEIGHTS, turn: 9 }, "mains")).not.toBe(key);
});
it("other goals are told for what the build has, each with fewer or other steps than none", () => {
  const goals = otherGoals(builds["pellow-lune-13"]!);
  expect(goals.map((g) => g.goal)).not.toContain("subjectOut");
  for (const g of goals) expect(g.steps.length).toBeGreaterThan(2);
});
