import { builds } from "@tests/bench";
import { randomBuild } from "@tests/randomBuild";
import { runs } from "@tests/scale";
import { describe, expect, it } from "vitest";
import type { Build } from "../build";
import { indexBuild } from "../build";
import { GOALS, type Goal, goalStep, wayOut } from "./wayOut";

/** Whether a way out breaks a rule of the bench: told from the build alone. */
function broken(b: Build, steps: readonly { id: string; kind: string; target: string }[]): string[] {
  const done = new Set<string>();
  const wrong: string[] = [];
  const gone = (id: string) => done.has(`partOut:${id}`) || done.has(`partFold:${id}`);
  const isolated = () => done.has("drain");
  for (const s of steps) {
    const plug = b.connectors.find((c) => c.id === s.target);
    const group = b.screwGroups.find((g) => g.id === s.target);
    const part = b.parts.find((p) => p.id === s.target);
    for (const u of (plug ?? group)?.under ?? []) if (!gone(u)) wrong.push(`${s.id} under ${u}`);
    if (s.kind === "cableOff" && !plug!.powerPoint && !plug!.aheadOfIsolation && !isolated())
      wrong.push(`${s.id} before isolation`);
    if (s.kind === "partOut") {
      for (const x of part!.blockedBy) if (!gone(x)) wrong.push(`${s.id} blocked by ${x}`);
      for (const g of b.screwGroups)
        if (g.holds === s.target && !done.has(`screwsOut:${g.id}`) && !done.has(`screwsLoosen:${g.id}`))
          wrong.push(`${s.id} held by ${g.id}`);
    }
    if (done.has(s.id)) wrong.push(`${s.id} twice`);
    done.add(s.id);
  }
  if (!isolated()) wrong.push("never isolated");
  return wrong;
}

describe("goals other than the panel", () => {
  const asked: [Goal, number][] = GOALS.map((g) => [g, Object.values(builds).filter((b) => goalStep(indexBuild(b), g)).length]);
  it("each has machines in the demo to be asked of", () => {
    for (const [goal, n] of asked) expect(n, goal).toBeGreaterThan(0);
  });
  for (const goal of GOALS)
    it(`${goal}: reached, isolated on the way, no rule broken, proven or with its gap, and nothing in it that is not needed`, () => {
      for (const b of Object.values(builds)) {
        const last = goalStep(indexBuild(b), goal);
        const r = wayOut(b, { goal });
        if (!last) {
          expect(r).toMatchObject({ ok: false, problem: expect.stringContaining("no part whose way out is") });
          continue;
        }
        if (!r.ok) throw new Error(`${b.id}: ${r.problem}`);
        expect(broken(b, r.steps), b.id).toEqual([]);
        expect(r.steps.map((s) => s.id)).toContain(last);
        expect(r.objective.bound).toBeLessThanOrEqual(r.objective.value + 1e-9);
        expect(r.objective.proven, b.id).toBe(true);
        // Whatever is left out of it was left out for its cost, and is told with it.
        for (const s of r.skipped) {
          expect(s.cost, `${b.id} ${s.id}`).toBeGreaterThan(0);
          expect(r.steps.some((x) => x.id === s.id)).toBe(false);
        }
      }
    });
  it("what one goal needs is never dearer than what needs it too and more", () => {
    for (const b of Object.values(builds)) {
      const value = (goal: Goal) => {
        const r = wayOut(b, { goal });
        return r.ok ? r.objective.value : null;
      };
      const panel = value("subjectOut")!;
      const cable = value("cableOut");
      const r = wayOut(b, { goal: "cableOut" });
      if (cable !== null && r.ok && r.steps.some((s) => s.id === goalStep(indexBuild(b), "subjectOut")))
        expect(cable, b.id).toBeGreaterThanOrEqual(panel - 1e-9);
    }
  });
  it("a step already done costs nothing more", () => {
    for (let seed = 1; seed <= runs(40); seed++) {
      const b = randomBuild(seed, 6);
      const whole = wayOut(b);
      if (!whole.ok) throw new Error(whole.problem);
      const done = new Set(whole.steps.slice(0, 3).map((s) => s.id));
      const rest = wayOut(b, { done });
      if (!rest.ok) throw new Error(rest.problem);
      expect(
        rest.steps.some((s) => done.has(s.id)),
        `seed ${seed}`,
      ).toBe(false);
      expect(rest.objective.value, `seed ${seed}`).toBeLessThanOrEqual(whole.objective.value + 1e-9);
    }
  });
});
