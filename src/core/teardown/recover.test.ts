import { builds, jobOn, type TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { buildOf, msOf, seated } from "../job";
import { madePlan, planAskOf } from "./planOf";
import { forgettable, recovery } from "./recover";

const made = (b: TestBench) => {
  const ask = planAskOf(b.view);
  return ask && madePlan(ask);
};
const at = (b: TestBench) => msOf(b.events.at(-1)!.clock);

/** Everything that can be forgotten on every demo build, at two moments: just set, and nearly handed over. */
const cases = Object.keys(builds).flatMap((id) => {
  const set = jobOn(id).follow((s) => seated(s));
  return forgettable(set.view).map((f) => [id, f.what, f.id] as const);
});

describe("what was forgotten behind a part that is stuck", () => {
  it("is asked of most builds: leads out of reach, parts moved over, films", () => {
    expect(cases.length).toBeGreaterThan(8);
    expect(new Set(cases.map((c) => c[1]))).toEqual(new Set(["lead", "part", "film"]));
    expect(forgettable(jobOn("ostrel-kestrel-14").view)).toEqual([]);
  });
  it.each(cases)("%s, %s %s: led to through the gates, done again, and the job comes to its end", (id, what, thing) => {
    for (const moment of ["set", "late"] as const) {
      const b = jobOn(id).follow((s, step) => (moment === "set" ? seated(s) : step === "handOver"));
      if (!seated(b.state)) continue;
      const f = forgettable(b.view).find((x) => x.what === what && x.id === thing)!;
      const found = recovery(b.view, f, at(b), made(b))!;
      // Power before hands, the lifting last.
      expect(found.reach.steps.at(-1)!.act.type).toBe("swap.panelLifted");
      for (let turn = 0; seated(b.state); turn++) {
        expect(turn, `${moment}: no end`).toBeLessThan(120);
        const step = recovery(b.view, f, at(b), made(b))!.reach.steps[0]!;
        expect(b.why(step.act.type, step.act.payload as never), `${moment}: ${step.step.title}`).toBeNull();
        b.do(step.act.type, step.act.payload as never);
      }
      if (what === "lead") expect(b.state.connectors[thing]).toBe("off");
      if (what === "part") expect(b.state.transplanted[thing]).toBeUndefined();
      if (what === "film") expect(b.state.bond.backFilmOff).toBe(false);
      b.until(null);
      expect(b.state.close.handedOver, `${moment}: not handed over`).not.toBeNull();
      if (what === "lead") expect(b.state.connectors[thing]).toBe("on");
      if (what === "part") expect(b.state.transplanted[thing]).toBe(true);
    }
  });
  it("a new part stays whole: no strip is warmed past what it stands, and where that is too little it is not warmed at all", () => {
    for (const id of Object.keys(builds)) {
      const b = jobOn(id).follow((s) => !!s.bond.pressedClock && seated(s));
      if (!seated(b.state)) continue;
      const f = forgettable(b.view)[0];
      if (!f) continue;
      const r = recovery(b.view, f, at(b) + 3_600_000, made(b))!;
      for (const s of r.strips) {
        const t = buildOf(b.view)!.tape.get(s.tape)!;
        if (s.maxC !== null) {
          expect(s.maxC).toBeLessThanOrEqual(60);
          expect(t.kind).toBe("strip");
          expect((t.heat?.releaseC ?? [50])[0]).toBeLessThan(s.maxC);
        } else if (t.kind === "strip") expect(s.how).toMatch(/no heat/);
      }
      if (r.strips.length) {
        // An hour on it holds more than half of what it will.
        expect(r.strength!).toBeGreaterThan(0.5);
        expect(r.anewMm).toBeGreaterThan(100);
      }
    }
  });
  it("what it risks is the new part, at its price; a strip more is a risk more", () => {
    const b = jobOn("isbrand-pivot-14-touch").follow((s) => seated(s) && !!s.bond.pressedClock);
    const r = recovery(b.view, forgettable(b.view)[0]!, at(b), made(b))!;
    // 12, 12 and 10 in a hundred: at least one of them in 1 - 0.88 x 0.88 x 0.9.
    expect(r.risk!.chance).toBeCloseTo(1 - 0.88 * 0.88 * 0.9, 9);
    expect(r.risk!.costMinor).toBe(9000);
    expect(r.risk!.breaks).toBe("the new one");
  });
  it("it is stood up where its own leads hold it, far enough for a hand, and a lead too short for that is named", () => {
    const b = jobOn("ostrel-kestrel-14").follow((s) => seated(s));
    for (const f of forgettable(b.view)) {
      const { lift } = recovery(b.view, f, at(b), made(b))!;
      expect(lift.degrees).toBeGreaterThan(0);
      expect(lift.degrees).toBeLessThanOrEqual(90);
      expect(lift.words).toMatch(/and held: never let go of/);
    }
  });
});
