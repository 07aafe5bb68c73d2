import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { type Build, indexBuild, withLamp } from "../../build";
import { makePlan } from "../plan";
import type { PlanChange, Step } from "../step";
import { wayOut } from "../wayOut";
import { wayIn } from ".";
import { acts } from "./acts";
import { bond } from "./bond";
import { earlySteps, leads, whyLead } from "./leads";
import { mirror } from "./mirror";
import { power } from "./power";
import { prove } from "./prove";
import { firstOfBond, type Source, wayInAsk } from "./source";

// Lamp-lit ones as a trained person tries them: with all three starts. Tried whole they have one: job/lamp.test.
const all = Object.values(builds).map((b) => withLamp(b, false, "open"));
const wayOf = (build: Build): Step[] => {
  const r = wayOut(build);
  if (!r.ok) throw new Error(r.problem);
  return r.steps;
};
const SOURCES = { acts, leads, power, bond, prove, mirror };
const change = (field: string, at: PlanChange["at"]): PlanChange => ({
  field,
  part: "foam shim",
  minutes: 4,
  act: `Change ${field}`,
  at,
});
const back = (build: Build, changes: PlanChange[] = []) => {
  const r = wayIn(build, wayOf(build), changes);
  if (!r.ok) throw new Error(r.problem);
  return r.steps;
};
const at = (steps: readonly Step[], id: string) => steps.findIndex((s) => s.id === id);

describe("the sources of the way in", () => {
  it("each says its own steps, none says another's, and every edge has a reason in words", () => {
    for (const build of all) {
      const ask = wayInAsk(indexBuild(build), wayOf(build), [change("thicknessMm", "swap"), change("pairing", "afterProof")]);
      const seen = new Map<string, string>();
      for (const [name, source] of Object.entries(SOURCES)) {
        const said: Source = source(ask);
        for (const s of said.steps) {
          expect(seen.get(s.id), `${build.id}: ${s.id} by ${name}`).toBeUndefined();
          seen.set(s.id, name);
        }
        for (const e of said.edges) {
          expect(e.why.length, `${e.first} before ${e.then}`).toBeGreaterThan(10);
          expect(e.first).not.toBe(e.then);
        }
      }
      // Together they are the way back, no more and no less.
      expect([...seen.keys()].sort()).toEqual(
        back(build, [change("thicknessMm", "swap"), change("pairing", "afterProof")])
          .map((s) => s.id)
          .sort(),
      );
    }
  });
  it("every edge holds in the order that comes out", () => {
    for (const build of all) {
      const changes = [change("thicknessMm", "swap"), change("pairing", "afterProof")];
      const ask = wayInAsk(indexBuild(build), wayOf(build), changes);
      const steps = back(build, changes);
      for (const source of Object.values(SOURCES))
        for (const e of source(ask).edges) {
          // What is only rather so gives way to what must be.
          if (e.soft || at(steps, e.first) < 0 || at(steps, e.then) < 0) continue;
          expect(at(steps, e.first), `${build.id}: ${e.first} before ${e.then}, ${e.why}`).toBeLessThan(at(steps, e.then));
        }
    }
  });
  it("what lies under a part is back before that part: leads, screws and parts, on every machine", () => {
    let total = 0;
    for (const build of all) {
      const said = mirror(wayInAsk(indexBuild(build), wayOf(build), []));
      const steps = back(build);
      let asked = 0;
      const goesFirst = (first: string, then: string) => {
        if (at(steps, first) < 0 || at(steps, then) < 0) return;
        asked += 1;
        expect(
          said.edges.some((e) => e.first === first && e.then === then),
          `${build.id}: ${first} before ${then} is said`,
        ).toBe(true);
      };
      for (const p of build.parts) {
        for (const g of build.screwGroups)
          if (g.under.includes(p.id))
            for (const k of ["screwsBack", "screwsTighten"]) goesFirst(`${k}:${g.id}`, `partBack:${p.id}`);
        for (const q of build.parts) if (q.blockedBy.includes(p.id)) goesFirst(`partBack:${q.id}`, `partBack:${p.id}`);
      }
      for (const g of build.screwGroups)
        goesFirst(g.holds === build.subject.part ? "seat" : `partBack:${g.holds}`, `screwsBack:${g.id}`);
      expect(asked, build.id).toBeGreaterThan(0);
      total += asked;
    }
    expect(total).toBeGreaterThan(40);
  });
  it("power comes off and on three times, in its order, around what needs it", () => {
    for (const build of all) {
      const steps = back(build);
      const mode = build.isolation.by === "batteryOffMode" ? ["batteryOff"] : [];
      for (const tag of ["bond", "close"]) {
        const chain = ["shutDown", "mainsOut", ...mode, "drain"].map((k) => at(steps, `${k}:${tag}`));
        expect(chain.every((x) => x >= 0)).toBe(true);
        expect([...chain].sort((a, b) => a - b)).toEqual(chain);
      }
      expect(steps.some((s) => s.id === "batteryOff:bond")).toBe(mode.length === 1);
      const order = [
        // A whole lid is tried on its hinges, held by its first screws; all else lies loose.
        ...(build.subject.kind === "lidAssembly" ? ["seat"] : []),
        "mainsIn:test",
        "looseTest",
        "shutDown:bond",
        "drain:bond",
        build.subject.kind === "lidAssembly" ? "screwsBack:hinge-screws" : "seat",
        "mainsIn:prove",
        "proveOpen",
        "shutDown:close",
        "drain:close",
        // A whole lid comes closed, with its panel in it: no film, no pocket to blow clear.
        ...(build.subject.kind === "lidAssembly" ? [] : ["frontFilmOff"]),
        "seams",
        "angle",
        "mainsIn:closed",
        "proveClosed",
        "handOver",
      ];
      const places = order.map((id) => at(steps, id));
      expect(
        [...places].sort((a, b) => a - b),
        build.id,
      ).toEqual(places);
    }
  });
  it("without tape the bond begins with dust and ends with screws; with it nothing is laid before the loose test", () => {
    for (const build of all) {
      const ask = wayInAsk(indexBuild(build), wayOf(build), []);
      const steps = back(build);
      const taped = ask.pieces.length > 0;
      const whole = build.subject.kind === "lidAssembly";
      expect(firstOfBond(ask)).toBe(taped ? "rehearse" : whole ? "seat" : "dust");
      expect(steps.some((s) => ["dust", "backFilmOff", "frontFilmOff"].includes(s.kind))).toBe(!whole);
      expect(steps.some((s) => s.kind === "press")).toBe(taped);
      expect(steps.some((s) => s.kind === "rehearse")).toBe(taped);
      for (const s of steps.filter((x) => x.kind === "tapeLay")) expect(at(steps, s.id)).toBeGreaterThan(at(steps, "looseTest"));
      for (const s of steps.filter((x) => x.kind === "linerPull")) {
        expect(at(steps, s.id)).toBeGreaterThan(at(steps, "dust"));
        expect(at(steps, s.id)).toBeLessThan(at(steps, "backFilmOff"));
      }
      for (const id of ask.settled) if (at(steps, id) >= 0) expect(at(steps, id)).toBeLessThan(at(steps, "mainsIn:prove"));
    }
  });
  it("a change at the swap is made while the panel lies loose, one after the proof with the machine running", () => {
    const steps = back(builds["ostrel-kestrel-14"]!, [change("thicknessMm", "swap"), change("pairing", "afterProof")]);
    expect(at(steps, "change:thicknessMm")).toBeGreaterThan(at(steps, "looseTest"));
    expect(at(steps, "change:thicknessMm")).toBeLessThan(at(steps, "rehearse"));
    expect(at(steps, "change:pairing")).toBeGreaterThan(at(steps, "mainsIn:closed"));
    expect(at(steps, "change:pairing")).toBeLessThan(at(steps, "proveClosed"));
    expect(steps.find((s) => s.id === "change:thicknessMm")).toMatchObject({
      station: "swap",
      how: "Needs: foam shim.",
      minutes: 4,
    });
    expect(steps.find((s) => s.id === "change:pairing")?.station).toBe("prove");
  });
  it("a lead nobody reaches over a seated panel goes on before the test, and so does the part it hangs on", () => {
    const base = builds["ostrel-kestrel-14"]!;
    const build: Build = {
      ...base,
      connectors: base.connectors.map((c) =>
        c.id === "battery-plug" || c.joins[0] === "panel" ? c : { ...c, reachableWhenSeated: false },
      ),
    };
    const ask = wayInAsk(indexBuild(build), wayOf(build), []);
    const early = earlySteps(ask);
    for (const c of build.connectors) {
      const id = `cableOn:${c.id}`;
      if (c.reachableWhenSeated || c.joins[0] === "panel") expect(early.has(id), id).toBe(false);
      else {
        expect(early.has(id), id).toBe(true);
        expect(whyLead(ask, c.id, early)).toMatch(/Cannot be reached/);
      }
    }
    expect(whyLead(ask, "battery-plug", early)).toMatch(/last connector/);
    expect(whyLead(ask, "no-such", early)).toBeUndefined();
    const named: Build = { ...base, wayIn: [{ first: "base-cover", next: "seat", why: "the cell is located against it" }] };
    const first = earlySteps(wayInAsk(indexBuild(named), wayOf(named), []));
    expect(first.has("partBack:base-cover")).toBe(true);
    expect(first.has("screwsBack:base-screws")).toBe(true);
  });
});

describe("what the build says of the way in", () => {
  it("is kept, and its reason stands at the step where none stood", () => {
    for (const build of all) {
      const steps = back(build);
      for (const w of build.wayIn) {
        const f = steps.find((s) => s.id === w.first || s.target === w.first);
        const t = steps.find((s) => s.id === w.next || s.target === w.next);
        if (!f || !t) continue;
        expect(at(steps, f.id), `${build.id}: ${w.first} before ${w.next}`).toBeLessThan(at(steps, t.id));
        expect(f.because, f.id).toBeTruthy();
      }
    }
  });
  it("a circle is told in the names of its steps, with why each waits, and never in ids", () => {
    const base = builds["ostrel-kestrel-14"]!;
    const build: Build = { ...base, wayIn: [...base.wayIn, { first: "bezel", next: "press", why: "the bezel guides it down" }] };
    const r = wayIn(build, wayOf(build));
    if (r.ok) throw new Error("no circle");
    expect(r.problem).toMatch(/^On the way back these wait for each other: "/);
    expect(r.problem).toContain("the bezel guides it down");
    expect(r.problem).toMatch(/waits for "[^"]+" \(/);
    expect(r.problem).toMatch(/Take one of them out of the build/);
    // Every reason but the build's own is one of the sources'.
    for (const id of ["partBack:", "mainsIn:", "seat:", "frontFilmOff", "drain:"]) expect(r.problem).not.toContain(id);
    expect(makePlan(build)).toEqual({ ok: false, problem: r.problem });
  });
  it("a step that waits for itself is a circle too", () => {
    const base = builds["tollund-cairn-11-cb"]!;
    const build: Build = { ...base, wayIn: [{ first: "handOver", next: "looseTest", why: "nobody knows why" }] };
    const r = wayIn(build, wayOf(build));
    expect(r.ok ? "" : r.problem).toContain('"Hand over"');
    expect(r.ok ? "" : r.problem).toContain("nobody knows why");
  });
});
