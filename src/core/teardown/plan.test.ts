import { builds, plannedJob } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { withLamp } from "../build";
import { cutList } from "../tape";
import { makePlan, nextAct, type Plan, progressOf, type Step } from ".";
import { bitsOf } from "./plan";

/** A lamp-lit one as a trained person tries it: with all three starts. Tried whole it has one: job/lamp.test. */
const buildAs = (id: string) => withLamp(builds[id]!, false, "open");
const planOf = (id: string): Plan => {
  const r = makePlan(buildAs(id));
  if (!r.ok) throw new Error(r.problem);
  return r.plan;
};
const at = (steps: readonly Step[], id: string) => {
  const i = steps.findIndex((s) => s.id === id);
  if (i < 0) throw new Error(`no step ${id} in ${steps.map((s) => s.id).join(", ")}`);
  return i;
};

for (const id of Object.keys(builds)) {
  const build = buildAs(id);
  describe(`plan of ${id}`, () => {
    const { out, in: back, skipped } = planOf(id);
    it("takes nothing that is still held, covered or blocked", () => {
      const done = new Set<string>();
      const gone = (part: string) => done.has(`partOut:${part}`) || done.has(`partFold:${part}`);
      for (const s of out) {
        if (s.kind === "screwsOut" || s.kind === "screwsLoosen")
          for (const u of build.screwGroups.find((g) => g.id === s.target)!.under)
            expect(gone(u), `${s.id} under ${u}`).toBe(true);
        if (s.kind === "partOut" || s.kind === "partFold") {
          for (const b of build.parts.find((p) => p.id === s.target)!.blockedBy)
            expect(gone(b), `${s.id} behind ${b}`).toBe(true);
          for (const g of build.screwGroups)
            if (g.holds === s.target)
              expect(done.has(`${g.loosenOnly ? "screwsLoosen" : "screwsOut"}:${g.id}`), `${s.id} by ${g.id}`).toBe(true);
          for (const t of build.tapes) if (t.holds === s.target) expect(done.has(`tapeOut:${t.id}`)).toBe(true);
        }
        if (s.kind === "cableOff") {
          const c = build.connectors.find((x) => x.id === s.target)!;
          if (!c.powerPoint && !c.aheadOfIsolation) expect(done.has("drain"), `${s.id} before isolation`).toBe(true);
        }
        done.add(s.id);
      }
      expect(out.at(-1)!.kind).toBe("partOut");
    });
    it("leaves out what the goal does not need", () => {
      const ids = new Set(out.map((s) => s.id));
      for (const s of skipped) expect(ids.has(s.id)).toBe(false);
    });
    it("is not the mirror where practice says so, and gives the reason", () => {
      const hung = build.subject.kind === "lidAssembly";
      // What is stuck or lowered is tried first; a whole lid is tried on its hinges.
      if (hung) expect(at(back, "seat")).toBeLessThan(at(back, "looseTest"));
      else expect(at(back, "looseTest")).toBeLessThan(at(back, "seat"));
      for (const p of cutList(build)) {
        // A new one that brings its tape is not taped again.
        if (build.subject.bringsTape) expect(back.some((s) => s.kind === "tapeLay")).toBe(false);
        else expect(at(back, "looseTest")).toBeLessThan(at(back, `tapeLay:${p.id}`));
        expect(at(back, "dust")).toBeLessThan(at(back, `linerPull:${p.id}`));
        expect(at(back, `linerPull:${p.id}`)).toBeLessThan(at(back, "backFilmOff"));
      }
      // A whole lid comes closed: no film to take off.
      if (build.subject.kind !== "lidAssembly") {
        expect(at(back, "backFilmOff")).toBeLessThan(at(back, "seat"));
        expect(at(back, "proveOpen")).toBeLessThan(at(back, "frontFilmOff"));
      }
      expect(at(back, "proveClosed")).toBeLessThan(at(back, "handOver"));
      for (const c of build.connectors) {
        const on = back.findIndex((s) => s.id === `cableOn:${c.id}`);
        if (on >= 0 && (!c.reachableWhenSeated || (c.joins[0] === "panel" && !hung))) expect(on).toBeLessThan(at(back, "seat"));
        if (on >= 0 && c.joins[0] === "panel") expect(on).toBeLessThan(at(back, "looseTest"));
      }
      for (const s of back.filter((x) => ["looseTest", "screwsTighten"].includes(x.kind))) expect(s.because, s.id).toBeTruthy();
    });
    it("takes power off again after every test, before hands go in", () => {
      const between = back
        .slice(at(back, "looseTest") + 1, at(back, build.subject.kind === "lidAssembly" ? "proveOpen" : "seat"))
        .map((s) => s.kind);
      expect(between).toContain("shutDown");
      expect(between).toContain("mainsOut");
      expect(between).toContain("drain");
      const after = back
        .slice(at(back, "proveOpen") + 1, at(back, build.subject.kind === "lidAssembly" ? "seams" : "frontFilmOff"))
        .map((s) => s.kind);
      expect(after).toContain("mainsOut");
    });
    it("brings back every screw it took or loosened, and every part", () => {
      for (const s of out) {
        if (s.kind === "screwsOut") at(back, `screwsBack:${s.target}`);
        if (s.kind === "screwsLoosen") at(back, `screwsTighten:${s.target}`);
        const fate = build.parts.find((p) => p.id === s.target)?.fate;
        if (fate === "destroyed" || fate === "comesWithNew")
          expect(back.some((x) => x.id === `partBack:${s.target}`)).toBe(false);
        else if (s.kind === "partOut" && s.target !== "panel") at(back, `partBack:${s.target}`);
        if (s.kind === "cableOff") at(back, `cableOn:${s.target}`);
      }
    });
    it("names each step once, by kind and target, and never by number", () => {
      const ids = [...out, ...back].map((s) => s.id);
      expect(new Set(back.map((s) => s.id)).size).toBe(back.length);
      for (const x of ids) expect(x).toMatch(/^[a-zA-Z]+(:[a-zA-Z0-9-]+)?$/);
    });
    it("every acting step offers its act, and progress moves with it", () => {
      const b = plannedJob(build.family === "C" ? "C" : "B");
      const first = progressOf(b.view)!;
      expect(first.now?.id).toBe("shutDown");
      expect(nextAct(b.view, first.now!)).toEqual({ type: "bench.shutDown", payload: {} });
      b.do("bench.shutDown");
      expect(progressOf(b.view)!.now?.id).toBe("mainsOut");
    });
  });
}

describe("plan figures", () => {
  it("minutes grow with spread, bits are named once", () => {
    const p = planOf("ostrel-kestrel-14");
    expect(p.minutes.p80).toBeGreaterThan(p.minutes.p50);
    expect(bitsOf(builds["ostrel-kestrel-14"]!, "base-screws")).toEqual(["Cross recess PH00"]);
    expect(bitsOf(builds["ostrel-kestrel-14"]!, "nothing")).toEqual([]);
    expect(new Set(p.tools.map((t) => t.name)).size).toBe(p.tools.length);
  });
  it("is computed once per build", () => {
    expect(makePlan(builds["ostrel-kestrel-14"]!)).toBe(makePlan(builds["ostrel-kestrel-14"]!));
  });
});
