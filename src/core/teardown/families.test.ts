import { builds, jobOn } from "@tests/bench";
import { judgePlan } from "@tests/planChecker";
import { describe, expect, it } from "vitest";
import { indexBuild } from "../build";
import { openBreaches, screwsOpen } from "../job";
import { makePlan, type Plan, progressOf } from ".";
import { wayOut } from "./wayOut";

const planOf = (id: string): Plan => {
  const r = makePlan(builds[id]!);
  if (!r.ok) throw new Error(`${id}: ${r.problem}`);
  return r.plan;
};
const at = (p: Plan, id: string) => [...p.out, ...p.in].findIndex((s) => s.id === id);

describe("the eight families", () => {
  it("are all here, one build each", () => {
    expect(
      Object.values(builds)
        .map((b) => b.family)
        .sort()
        .join(""),
    ).toBe("ABCDEFGH");
  });
  for (const [id, build] of Object.entries(builds)) {
    it(`${build.family}, ${build.machineModel}: proven cheapest, sound both ways`, () => {
      const p = planOf(id);
      expect(p.objective.proven).toBe(true);
      expect(judgePlan(build, p.out, p.in)).toEqual([]);
    });
    it(`${build.family}, ${build.machineModel}: carried out act by act, every gate asked, nothing left open`, () => {
      const b = jobOn(id).follow(() => false);
      expect(progressOf(b.view)?.now ?? null, `${progressOf(b.view)?.now?.id}`).toBeNull();
      expect(openBreaches(b.state)).toEqual([]);
      expect(screwsOpen(b.state)).toEqual({ out: [], loose: [] });
      expect(b.state.subject).toBe("fixed");
      expect(b.state.close.handedOver).not.toBeNull();
    });
  }
});

describe("traps of the bench", () => {
  it("A, E: hinge screws that were only loosened are tightened, after the side screws that locate the panel", () => {
    for (const id of ["marrick-fjell-15", "corriedale-12-b"]) {
      const p = planOf(id);
      expect(at(p, "screwsTighten:hinge-screws"), id).toBeGreaterThan(0);
    }
    const a = planOf("marrick-fjell-15");
    expect(at(a, "screwsBack:side-screws")).toBeLessThan(at(a, "screwsTighten:hinge-screws"));
  });
  it("A: not every cover hides a screw: the bumper stays where it is", () => {
    expect(planOf("marrick-fjell-15").skipped.map((s) => s.target)).toContain("bumper");
  });
  it("D: all three cables are home before the unit is lowered", () => {
    const p = planOf("isbrand-pivot-14-touch");
    for (const c of ["display-plug", "touch-ribbon", "camera-ribbon"])
      expect(at(p, `cableOn:${c}`), c).toBeLessThan(at(p, "seat"));
  });
  it("F: the plate that holds the display plug home is back before the test", () => {
    const p = planOf("pellow-lune-13");
    expect(at(p, "screwsBack:display-cowl-screws")).toBeLessThan(at(p, "looseTest"));
    expect(at(p, "cableOn:display-plug")).toBeLessThan(at(p, "partBack:display-cowl"));
  });
  it("G: the gasket came out first and goes back before the cell; the films lie bare as short as can be", () => {
    const p = planOf("pellow-lune-15");
    expect(at(p, "partBack:gasket")).toBeLessThan(at(p, "seat"));
    expect(p.out.at(-1)!.id).toBe("partOut:panel");
  });
  it("H: the screws under the optical drive are found, what the lid does not need stays, the antennas are weighed both ways", () => {
    const p = planOf("marrick-holm-15");
    expect(at(p, "partOut:optical")).toBeLessThan(at(p, "screwsOut:palm-hidden"));
    expect(at(p, "screwsOut:palm-hidden")).toBeLessThan(at(p, "partOut:palm-rest"));
    const left = p.skipped.map((s) => s.target);
    expect(left).toContain("memory");
    expect(left).toContain("fan");
    for (const s of p.skipped) expect(s.cost).toBeGreaterThan(0);
    expect(p.objective.near[0]!.instead.join()).toMatch(/tethered/);
  });
});

describe("other goals", () => {
  it("only the lid off needs less than the panel out, and both are isolated", () => {
    const build = builds["marrick-holm-15"]!;
    const lid = wayOut(build, { goal: "lidOff" });
    const panel = wayOut(build);
    if (!lid.ok || !panel.ok) throw new Error("no plan");
    expect(lid.objective.value).toBeLessThan(panel.objective.value);
    expect(lid.steps.at(-1)!.id).toBe("partOut:lid");
    expect(lid.steps.some((s) => s.kind === "drain")).toBe(true);
    expect(lid.steps.some((s) => s.target === "bezel")).toBe(false);
  });
  it("a goal this build has no part for is said, not guessed", () => {
    expect(wayOut(builds["ostrel-kestrel-14"]!, { goal: "cameraOut" })).toMatchObject({ ok: false });
    expect(indexBuild(builds["ostrel-kestrel-14"]!).subject.id).toBe("panel");
  });
});
