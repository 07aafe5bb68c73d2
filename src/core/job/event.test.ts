import { plannedJob, TestBench } from "@tests/bench";
import { runs } from "@tests/scale";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { liftEvent, newestVersion, parseEvent } from ".";
import { PAYLOADS } from "./payloads";

const good = () => plannedJob("C").until(null).events;

describe("parseEvent", () => {
  it("takes every event of a whole job, unchanged", () => {
    for (const e of good()) expect(parseEvent(JSON.parse(JSON.stringify(e)))).toEqual({ ok: true, event: e });
  });
  it("never throws, whatever it is given", () => {
    fc.assert(
      fc.property(fc.anything(), (x) => {
        const r = parseEvent(x);
        if (!r.ok) expect(r.problem.length).toBeGreaterThan(5);
      }),
      { numRuns: runs(500) },
    );
  });
  it("refuses a payload with one field too many or too few, naming it", () => {
    for (const e of good()) {
      const extra = parseEvent({ ...e, payload: { ...e.payload, stepNumber: 3 } });
      expect(extra.ok).toBe(false);
      if (!extra.ok) expect(extra.problem).toContain("stepNumber");
      const [key] = Object.keys(e.payload);
      if (!key || ["words", "serial", "note", "reason", "happened"].includes(key)) continue;
      const { [key]: _, ...rest } = e.payload as Record<string, unknown>;
      const less = parseEvent({ ...e, payload: rest });
      if (!less.ok) expect(less.problem).toContain(e.type);
    }
  });
  it("knows no type by the name of a built-in", () => {
    const e = { ...good()[0]!, type: "constructor" };
    expect(parseEvent(e)).toMatchObject({ ok: false, problem: expect.stringContaining('"constructor" is not one') });
  });
  it("no event type carries a step number", () => {
    for (const [type, shape] of Object.entries(PAYLOADS)) {
      const fields = Object.keys((shape as { shape?: object }).shape ?? {});
      expect(
        fields.filter((f) => /step|index|position$/i.test(f)),
        type,
      ).toEqual([]);
    }
  });
});

describe("old versions are lifted when read", () => {
  it("a damage mark of version 1 becomes one of version 2", () => {
    const base = {
      id: "01900000-0000-7000-8000-000000000001",
      jobId: "01900000-0000-7000-8000-000000000002",
      who: "B",
      device: "dev-1",
      clock: "001770000000000-000000",
      seen: 0,
    };
    const old = { ...base, type: "triage.damageMarked", v: 1, payload: { kind: "lines", xMm: 10, yMm: 20, sizeMm: 30 } };
    const r = parseEvent(old);
    expect(r).toMatchObject({
      ok: true,
      event: { v: 2, payload: { kind: "lines", direction: "vertical", movesWithLid: false } },
    });
    expect(liftEvent(old)).toMatchObject({ v: 2 });
    const crack = parseEvent({ ...old, payload: { ...old.payload, kind: "crack" } });
    expect(crack).toMatchObject({ ok: true, event: { payload: { direction: null } } });
    if (r.ok) expect(liftEvent(r.event)).toBe(r.event);
  });
});

describe("events of older versions", () => {
  const bench = new TestBench();
  const raw = (type: string, payload: unknown, v: number) => ({
    ...bench.make({ type: "job.noted", payload: { text: "x" } }),
    type,
    payload,
    v,
  });
  it("a plan of version 1 called every subject a panel, and reads as what it was", () => {
    const buildHash = "a".repeat(64);
    for (const [was, is] of [
      ["panelOut", "subjectOut"],
      ["lidOff", "lidOff"],
      ["cameraOut", "cameraOut"],
    ]) {
      const r = parseEvent(raw("plan.made", { buildHash, goal: was }, 1));
      expect(r).toMatchObject({ ok: true, event: { v: 2, payload: { buildHash, goal: is } } });
    }
    expect(parseEvent(raw("plan.made", { buildHash, goal: "panelOut" }, 2))).toMatchObject({ ok: false });
    expect(parseEvent(raw("plan.made", { buildHash, goal: "subjectOut" }, 3))).toMatchObject({
      ok: false,
      problem: 'event type "plan.made" is at version 3; this Helvane reads up to 2',
    });
  });
  it("a kind that never changed is at 1, and lifting what is new gives the very same event", () => {
    expect(newestVersion("bench.shutDown")).toBe(1);
    expect(newestVersion("plan.made")).toBe(2);
    expect(newestVersion("triage.damageMarked")).toBe(2);
    const e = bench.make({ type: "plan.made", payload: { buildHash: "b".repeat(64), goal: "lidOff" } });
    expect(liftEvent(e)).toBe(e);
    const unknown = { type: "open.magic", v: 1, payload: {} };
    expect(liftEvent(unknown)).toBe(unknown);
    // What is no object is given to the validation as it is.
    expect(liftEvent({ type: "plan.made", v: 1, payload: null })).toMatchObject({ v: 1 });
  });
});
