import { builds, jobOn, TestBench } from "@tests/bench";
import { randomMachine } from "@tests/randomMachine";
import { registerBuild } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import type { Build } from "../build";
import { aimOf, buildOf, liesOpen, seated } from "../job";
import { progressOf, stationNow } from ".";

/** The log as it was after so many acts on another bench. */
function cut(b: TestBench, acts: number): TestBench {
  const c = new TestBench();
  c.events = b.events.slice(0, acts);
  c.n = b.n;
  c.ms = b.ms;
  c.clock = b.clock;
  return c;
}
/** Every act until the old one is out, and where in the log the plan begins. */
function opened(id: string): { b: TestBench; from: number } {
  const b = jobOn(id);
  const from = b.events.length;
  b.follow((s) => s.subject === "out");
  return { b, from };
}
const open = (b: TestBench) => liesOpen(b.state, buildOf(b.view)!);

/** Closes again from here by the plan; what is wrong in the end, or null. */
function closeFrom(b: TestBench): string | null {
  if (!open(b)) return b.why("plan.aimed", { aim: "close", why: "" })?.includes("Nothing is open") ? null : "closes nothing";
  b.do("plan.aimed", { aim: "close", why: "the part that came is another" });
  try {
    for (let i = 0; i < 300; i++) {
      const p = progressOf(b.view);
      if (!p || p.aim === "swap") break;
      if (!p.now)
        return `closing has no step, and the machine is open: ${JSON.stringify([b.state.parts, b.state.connectors, b.state.turned, b.state.tapesOut])}`;
      b.follow((_, now) => now !== p.now!.id);
    }
  } catch (e) {
    return (e as Error).message;
  }
  if (open(b)) return "still open";
  if (b.state.subject !== "in") return "the old one is not in";
  if (b.state.breaches.length) return "a breach";
  return b.why("job.closed", { outcome: "cancelled", reason: "no part to be had" });
}

describe("closed again with the old one in", () => {
  for (const id of Object.keys(builds))
    it(`${id}: from every moment until the old one is out, and opened once more it is swapped as ever`, () => {
      const { b, from } = opened(id);
      const wrong: string[] = [];
      for (let k = from; k <= b.events.length; k++) {
        const c = cut(b, k);
        const w = closeFrom(c);
        if (w) wrong.push(`after ${k - from} acts: ${w}`);
      }
      expect(wrong).toEqual([]);
      const again = cut(b, b.events.length);
      expect(closeFrom(again)).toBeNull();
      expect(progressOf(again.view)!.steps.filter((s) => s.done && s.step.kind === "screwsOut")).toEqual([]);
      again.follow(() => false);
      expect(seated(again.state)).toBe(true);
      again.do("job.closed", { outcome: "handedOver", reason: "" });
    });
  it("80 machines nobody has seen, from a moment drawn for each", () => {
    const wrong: string[] = [];
    let tried = 0;
    for (let seed = 1; seed <= 80; seed++) {
      let build: Build;
      try {
        build = registerBuild(randomMachine(seed));
      } catch {
        continue;
      }
      const { b, from } = opened(build.id);
      const all = b.events.length;
      for (const k of [all, from + ((seed * 7919) % (all - from))]) {
        tried += 1;
        const w = closeFrom(cut(b, k));
        if (w) wrong.push(`${seed} after ${k - from} of ${all - from} acts: ${w}`);
      }
    }
    expect(wrong).toEqual([]);
    expect(tried).toBeGreaterThan(120);
  });
  it("is refused while a new one is in or hangs on its leads, and the old one goes back only when that was said", () => {
    const { b } = opened("ostrel-kestrel-14");
    expect(b.why("swap.oldBack", { part: "panel" })).toMatch(/Say first/);
    const on = cut(b, b.events.length).follow((_, now) => now.startsWith("mainsIn"));
    expect(on.why("plan.aimed", { aim: "close", why: "" })).toMatch(/The new one hangs on .*: take it off first/);
    const seatedOne = cut(b, b.events.length).follow((s) => s.subject === "placed");
    expect(seatedOne.why("plan.aimed", { aim: "close", why: "" })).toMatch(/Lift it out first/);
  });
  it("given up half closed, what is home by then is opened again, and the job goes on to its end", () => {
    for (const id of ["ostrel-kestrel-14", "marrick-holm-15", "pellow-lune-13", "pellow-lune-15", "corriedale-12-b"]) {
      const { b } = opened(id);
      const whole = cut(b, b.events.length);
      const from = whole.events.length;
      expect(closeFrom(whole), id).toBeNull();
      const acts = whole.events.length - from;
      for (const part of [0.2, 0.5, 0.9]) {
        const c = cut(whole, from + Math.max(2, Math.round(acts * part)));
        if (progressOf(c.view)!.aim !== "close") continue;
        c.do("plan.aimed", { aim: "swap", why: "the part came after all" });
        c.follow(() => false);
        expect(seated(c.state), `${id} at ${part}`).toBe(true);
        expect(c.state.breaches).toEqual([]);
        c.do("job.closed", { outcome: "handedOver", reason: "" });
      }
    }
  });
  it("is given up again by a word, and the swap goes on where it stood", () => {
    const { b } = opened("ostrel-kestrel-14");
    const before = progressOf(b.view)!.now!.id;
    b.do("plan.aimed", { aim: "close", why: "" });
    expect(progressOf(b.view)!.aim).toBe("close");
    expect(progressOf(b.view)!.now!.id).toBe("oldBack");
    expect(b.why("plan.aimed", { aim: "close", why: "" })).toMatch(/being done already/);
    b.do("plan.aimed", { aim: "swap", why: "" });
    expect(progressOf(b.view)!.now!.id).toBe(before);
  });
});

/** A job planned before anybody knows which panel is in it. */
function unread(id: string): TestBench {
  const b = new TestBench();
  const whole = jobOn(id);
  b.events = whole.events.filter((e) => !/^(identify|match)\./.test(e.type));
  b.n = whole.n;
  b.ms = whole.ms;
  b.clock = whole.clock;
  return b;
}

describe("opened only to read the label", () => {
  for (const build of Object.values(builds).filter((b) => b.subject.kind !== "lidAssembly"))
    it(`${build.id}: to the panel's back and no lead of it off; read, the job goes on to Match with the machine open`, () => {
      const b = unread(build.id);
      expect(stationNow(b.state, progressOf(b.view))).toBe("identify");
      b.do("plan.aimed", { aim: "label", why: "" });
      expect(stationNow(b.state, progressOf(b.view))).toBe("open");
      b.follow((_, now) => now === "labelSeen");
      expect(progressOf(b.view)!.now!.kind).toBe("labelSeen");
      expect(stationNow(b.state, progressOf(b.view))).toBe("identify");
      expect(b.state.subject).toBe("in");
      for (const c of build.connectors) if (c.joins[0] === build.subject.part) expect(b.state.connectors[c.id]).toBeUndefined();
      // The panel's own screws are out: else nobody leans it forward.
      for (const g of build.screwGroups)
        if (g.holds === build.subject.part) for (const x of g.screws) expect(b.state.screws[x.id], x.id).toBeDefined();
      b.do("identify.panelRead", { way: "label", text: "x", code: "GV140FHB-K31", panelHash: null, source: "L" });
      expect(aimOf(b.state, buildOf(b.view)!)).toBe("swap");
      expect(stationNow(b.state, progressOf(b.view))).toBe("match");
      expect(b.why("plan.aimed", { aim: "label", why: "" })).toMatch(/Its label was read/);
      expect(closeFrom(b)).toBeNull();
    });
  it("an EDID or a model list is no label, and a whole lid has none to open for", () => {
    const b = unread("ostrel-kestrel-14");
    b.do("plan.aimed", { aim: "label", why: "" });
    b.do("identify.panelRead", { way: "model", text: "x", code: "GV140FHB-K31", panelHash: null, source: "S" });
    expect(progressOf(b.view)!.aim).toBe("label");
    expect(unread("pellow-lune-13").why("plan.aimed", { aim: "label", why: "" })).toMatch(/A whole lid is not opened/);
    expect(new TestBench().why("plan.aimed", { aim: "label", why: "" })).not.toBeNull();
  });
});
