import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import {
  addProcedureStep,
  checkProcedure,
  moveProcedureStep,
  newProcedure,
  orderedSteps,
  type Procedure,
  parseProcedure,
  removeProcedureStep,
  setProcedureStep,
} from ".";

const demo = (name: string): Procedure => {
  const r = parseProcedure(readFileSync(`data/demo/procedures/${name}.json`, "utf8"));
  if (!r.ok) throw new Error(name);
  return r.procedure;
};

describe("a procedure written by hand", () => {
  it("one step after the other is what the plain format says, and parses", () => {
    let p = newProcedure("Wendell", "Pairing", new Set());
    p = addProcedureStep(p, "Shut the lid");
    p = addProcedureStep(p, "Open the lid");
    p = setProcedureStep(p, 2, {
      window: { since: "shut-the-lid", atLeastS: 18, atMostS: 30, early: "shut-the-lid", late: "begin" },
      needs: { mains: true },
    });
    const read = parseProcedure(JSON.stringify(p));
    expect(read).toEqual({ ok: true, procedure: p });
    expect(orderedSteps(p).map((s) => s.id)).toEqual(["begin", "shut-the-lid", "open-the-lid"]);
  });
  it("ids are free, whatever is typed: the same words twice, another script, nothing but signs, very long", () => {
    let p = newProcedure("Wendell", "Pairing", new Set(["wendell-pairing"]));
    expect(p.id).toBe("wendell-pairing-2");
    for (const act of ["Hold the key", "Hold the key", "Ждать", "10 s!", "!!!", `Öffnen ${"x".repeat(150)}`])
      p = addProcedureStep(p, act.slice(0, 160));
    expect(new Set(p.steps.map((s) => s.id)).size).toBe(p.steps.length);
    expect(parseProcedure(JSON.stringify(p)).ok).toBe(true);
  });
  it.each(["pellow-lid-then-panel", "tollund-first-start"])("%s: any step taken away leaves a sound procedure", (name) => {
    const p = demo(name);
    for (const i of p.steps.keys()) {
      const less = removeProcedureStep(p, i);
      expect(less.steps.length).toBe(p.steps.length - 1);
      expect(checkProcedure(less)).toEqual([]);
      expect(JSON.stringify(less)).not.toContain(`"${p.steps[i]!.id}"`);
      expect(orderedSteps(less).length).toBe(less.steps.length);
    }
    expect(removeProcedureStep(p, 99)).toBe(p);
  });
  it("steps in line stay in line when one is moved; where they are not, only the writing changes", () => {
    let p = newProcedure("Wendell", "Start", new Set());
    for (const act of ["Key", "Wait", "Clock"]) p = addProcedureStep(p, act);
    const moved = moveProcedureStep(p, 3, -1);
    expect(orderedSteps(moved).map((s) => s.id)).toEqual(["begin", "key", "clock", "wait"]);
    expect(checkProcedure(moved)).toEqual([]);
    expect(moveProcedureStep(moved, 2, 1)).toEqual(p);
    expect(moveProcedureStep(p, 0, -1)).toBe(p);
    const free = setProcedureStep(p, 2, { after: undefined });
    expect(moveProcedureStep(free, 2, -1).steps.find((s) => s.id === "clock")!.after).toEqual(["wait"]);
  });
  it("what is taken away is gone, not undefined: the strict format takes it", () => {
    const p = setProcedureStep(demo("pellow-lid-then-panel"), 2, { window: undefined, sets: undefined });
    expect("window" in p.steps[2]!).toBe(false);
    expect(parseProcedure(JSON.stringify(p)).ok).toBe(true);
  });
});
