import { plannedJob, TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { parseEvent } from "..";

const opened = {
  number: "H-1",
  customer: "Loans",
  words: "It fell",
  machineModel: "Ostrel Kestrel 14",
  serial: "S1",
  promiseAt: null,
  happened: "drop",
};
const fresh = () => {
  const b = new TestBench();
  b.do("job.opened", opened);
  return b;
};

describe("a job put right", () => {
  it("keeps what is left out, and a contact is said where there was none", () => {
    const b = fresh();
    b.do("job.edited", { contact: "extension 4", serial: "S2" });
    expect(b.state.job).toEqual({ ...opened, contact: "extension 4", serial: "S2" });
    b.do("job.edited", { contact: "" });
    expect(b.state.job?.contact).toBe("");
  });
  it("an edit that changes nothing is no edit", () => {
    const b = fresh();
    const e = b.make({ type: "job.edited", payload: { customer: "X" } });
    expect(parseEvent({ ...e, payload: {} })).toMatchObject({ ok: false });
    expect(parseEvent({ ...e, payload: { number: "H-2" } })).toMatchObject({ ok: false });
  });
  it("the machine is changed until a panel was chosen or a way planned for it; the rest always", () => {
    const b = fresh();
    expect(b.why("job.edited", { machineModel: "Ostrel Lark 11" })).toBeNull();
    const p = plannedJob("C");
    expect(p.why("job.edited", { machineModel: "Ostrel Lark 11" })).toMatch(/^The way is planned for .* Take the plan back/);
    expect(p.why("job.edited", { machineModel: p.state.job!.machineModel })).toBeNull();
    expect(p.why("job.edited", { customer: "Loans, ground floor" })).toBeNull();
  });
});

describe("a job put off, closed, opened again", () => {
  it("is put off with a reason until it is taken up; closing it ends that", () => {
    const b = fresh();
    expect(b.why("job.takenUp", {})).toBe("This job was not put off.");
    b.do("job.putOff", { until: "2026-07-03T08:00:00.000Z", why: "the charger is at home" });
    expect(b.state.putOff).toMatchObject({ why: "the charger is at home" });
    b.do("job.takenUp", {});
    expect(b.state.putOff).toBeNull();
    b.do("job.putOff", { until: null, why: "away" });
    b.do("job.closed", { outcome: "cancelled", reason: "bought another" });
    expect(b.state.putOff).toBeNull();
    expect(b.state.closedClock).not.toBeNull();
  });
  it("is taken first once, and stands in its turn again once; the promise stays", () => {
    const b = fresh();
    const { promiseAt } = b.state.job!;
    expect(b.why("job.tookFirst", { first: false })).toBe("It was not taken first.");
    b.do("job.tookFirst", { first: true });
    expect(b.state.job).toMatchObject({ first: true, promiseAt });
    expect(b.why("job.tookFirst", { first: true })).toBe("It is taken first already.");
    b.do("job.tookFirst", { first: false });
    expect(b.state.job).not.toHaveProperty("first");
  });
  it("goes on when it is opened again, and says why; what was handed over is no longer", () => {
    const b = fresh();
    expect(b.why("job.reopened", { why: "flickers" })).toBe("This job is open.");
    b.do("job.closed", { outcome: "cancelled", reason: "" });
    expect(b.why("job.promised", { promiseAt: null })).toMatch(/closed/);
    b.do("job.reopened", { why: "flickers again" });
    expect(b.state.closed).toBeNull();
    expect(b.state.notes.at(-1)?.text).toBe("Opened again: flickers again");
    expect(b.why("job.promised", { promiseAt: null })).toBeNull();
  });
});
