import { builds, causeTable, hashes, jobOn, snapshots, TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { type Act, checksOf, eventGate, feedsOf, passStatus, powerOf } from "../job";
import { madePlan, planAskOf } from "./planOf";
import { reachLead, reachPlace } from "./reach";

/** A copy of a bench that can go another way. */
function fork(b: TestBench): TestBench {
  const c = new TestBench();
  Object.assign(c, { events: [...b.events], clock: b.clock, n: b.n, ms: b.ms });
  return c;
}
const doIt = (b: TestBench, a: Act) => b.do(a.type, a.payload);

/** Goes the whole way to a lead, every act through its gate; the lead then off. */
function reachIt(b: TestBench, lead: string): number {
  for (let n = 0; n < 200; n++) {
    const way = reachLead(b.view, lead, madePlan(planAskOf(b.view)!))!;
    if (way.steps.length === 0) return n;
    doIt(b, way.steps[0]!.act);
  }
  throw new Error(`never reached ${lead}`);
}

const proved = Object.keys(builds).map((id) => [id, jobOn(id).until("proveClosed")] as const);

describe("the way to a lead on a machine that is closed again", () => {
  it.each(proved)(
    "%s: every lead is reached through open gates, put home, and the plan leads back to the closed pass",
    (name, at) => {
      let reached = 0;
      for (const cause of causeTable.causes.filter((c) => c.lead)) {
        const b = fork(at);
        b.do("prove.checkDone", { pass: "closed", check: "start", result: "fail", note: "" });
        b.do("after.chased", { cause: cause.id, pass: "closed", check: "start", causesHash: hashes.causes });
        for (const lead of b.state.after.chase!.leads) {
          if (!b.state.connectors[lead] || b.state.connectors[lead] === "on") expect(reachIt(b, lead), lead).toBeGreaterThan(0);
          expect(b.state.connectors[lead]).toBe("off");
          expect(reachLead(b.view, lead)).toEqual({ steps: [], minutes: 0 });
          reached++;
        }
        const { leads } = b.state.after.chase!;
        // Whatever came off goes back by the plan alone, to the same pass, without one breach.
        b.until("proveClosed");
        expect(b.state.breaches).toEqual([]);
        for (const lead of leads) expect(b.state.connectors[lead], lead).toBe("on");
        // Only what the new one brought of its own stays away.
        const gone = (id: string) => builds[name]!.parts.find((p) => p.id === id)?.fate === "comesWithNew";
        expect(Object.entries(b.state.parts).filter(([id, x]) => (x === "out" || x === "folded") && !gone(id))).toEqual([]);
        if (leads.length) expect(b.state.after.chase?.mended, cause.id).toBe(true);
      }
      expect(reached).toBeGreaterThan(1);
    },
  );
  it("asks for power off before anything else, and counts the minutes there and back", () => {
    const b = fork(proved.find(([id]) => id === "ostrel-kestrel-14")![1]);
    b.do("bench.mainsIn");
    const way = reachLead(b.view, "display-plug")!;
    const kinds = way.steps.map((x) => x.step.kind);
    expect(kinds[0]).toBe("mainsOut");
    expect(way.minutes).toBeGreaterThan(5);
    expect(reachLead(b.view, "no-such")).toBeNull();
  });
});

describe("a failed check, its cause gone after, and back", () => {
  /** On the family-C machine: closed up, running, the camera dark. */
  function darkCamera(): TestBench {
    const b = jobOn("ostrel-kestrel-14").until("proveClosed");
    return b;
  }
  it("a lead reseated is mended; the check is asked again and tells whether that was it", () => {
    const b = darkCamera();
    const check = checksOf(b.view).find((c) => c.pass === "closed" && c.id === "lidSwing")!;
    b.do("prove.checkDone", { pass: "closed", check: check.id, result: "fail", note: "" });
    const wasTouched = feedsOf(b.view).picture!;
    expect(wasTouched).toBeGreaterThan(0);
    b.do("after.seen", { finding: "flicker", answer: "yes", causesHash: hashes.causes });
    b.do("after.chased", { cause: "pictureLead", pass: "closed", check: check.id, causesHash: hashes.causes });
    expect(b.why("after.chased", { cause: "software", pass: "closed", check: check.id, causesHash: hashes.causes })).toMatch(
      /Another cause/,
    );
    const leads = b.state.after.chase!.leads;
    expect(leads.length).toBeGreaterThan(0);
    for (const lead of leads) reachIt(b, lead);
    b.until("proveClosed");
    expect(b.state.after.chase?.mended).toBe(true);
    expect(b.state.after.tried.at(-1)).toEqual({ cause: "pictureLead", pass: "closed", check: check.id, result: null });
    expect(b.state.prove.closed[check.id]).toBeUndefined();
    // Seated anew as a mend: it counts as touched once, however often it was.
    for (const lead of leads) expect(b.state.touches[lead]).toBe(1);
    b.do("prove.checkDone", { pass: "closed", check: check.id, result: "pass", note: "" });
    expect(b.state.after.tried.at(-1)?.result).toBe("held");
    expect(b.state.after.chase).toBeNull();
  });
  it("what has no lead is mended by word; a check that fails again says it was not that", () => {
    const b = darkCamera();
    b.do("prove.checkDone", { pass: "closed", check: "start", result: "fail", note: "" });
    b.do("after.chased", { cause: "software", pass: "closed", check: "start", causesHash: hashes.causes });
    expect(b.why("after.mended", { cause: "pairing", note: "" })).toMatch(/not being gone after/);
    b.do("after.mended", { cause: "software", note: "driver" });
    b.do("prove.checkDone", { pass: "closed", check: "start", result: "fail", note: "" });
    expect(b.state.after.tried.map((t) => t.result)).toEqual(["still"]);
    b.do("after.chased", { cause: "mainsFirst", pass: "closed", check: "start", causesHash: hashes.causes });
    b.do("after.left", { why: "it is collected as it is" });
    expect(b.state.after.chase).toBeNull();
  });
  it("refuses a cause, a finding or a check nobody knows", () => {
    const b = darkCamera();
    const h = { causesHash: hashes.causes };
    expect(b.why("after.seen", { finding: "noSuch", answer: "yes", ...h })).toMatch(/no finding/);
    expect(b.why("after.chased", { cause: "noSuch", pass: "closed", check: "start", ...h })).toMatch(/no cause/);
    expect(b.why("after.chased", { cause: "software", pass: "closed", check: "noSuch", ...h })).toMatch(/no check/);
  });
  it("no connector is touched on a live machine for it: the gate stays shut", () => {
    const b = darkCamera();
    b.do("bench.mainsIn");
    b.do("prove.checkDone", { pass: "closed", check: "lidSwing", result: "fail", note: "" });
    b.do("after.chased", { cause: "pictureLead", pass: "closed", check: "lidSwing", causesHash: hashes.causes });
    const [lead] = b.state.after.chase!.leads;
    const e = b.make({ type: "swap.cableDisconnected", payload: { connector: lead! } });
    expect(eventGate({ state: b.state, snapshots }, e)).not.toBeNull();
  });
  it("a check may be left for later only where it says so, and only with a word why", () => {
    const b = jobOn("ostrel-kestrel-14").until("proveOpen");
    const later = checksOf(b.view).filter((c) => c.deferrable && c.pass === "open");
    expect(later.map((c) => c.id)).toEqual(["evennessPhoto"]);
    const done = (check: string, note: string) => ({ pass: "open", check, result: "deferred", note });
    expect(b.why("prove.checkDone", done("evennessPhoto", ""))).toMatch(/Say why/);
    expect(b.why("prove.checkDone", done("picture", "no time"))).toMatch(/cannot be left/);
    b.do("prove.checkDone", done("evennessPhoto", "no phone here"));
    expect(passStatus(b.view, "open").untested.some((c) => c.id === "evennessPhoto")).toBe(false);
  });
});

describe("the way to a place that is no lead", () => {
  it.each(proved)(
    "%s: board, covers and panel are reached through open gates, and the plan leads back to the closed pass",
    (_, at) => {
      for (const cause of causeTable.causes.filter((c) => !c.lead && c.access === "opened")) {
        expect(cause.at, cause.id).toBeDefined();
        const b = fork(at);
        b.do("prove.checkDone", { pass: "closed", check: "start", result: "fail", note: "" });
        b.do("after.chased", { cause: cause.id, pass: "closed", check: "start", causesHash: hashes.causes });
        let n = 0;
        for (; n < 200; n++) {
          const way = reachPlace(b.view, cause.at!, madePlan(planAskOf(b.view)!))!;
          if (way.steps.length === 0) break;
          expect(way.minutes).toBeGreaterThan(0);
          doIt(b, way.steps[0]!.act);
        }
        expect(n, cause.id).toBeGreaterThan(0);
        expect(n, cause.id).toBeLessThan(200);
        // Nobody's hands are in a live machine when they are there, and what was asked for is out of the way.
        expect(powerOf(b.view).isolated, cause.id).toBe(true);
        if (cause.at === "panel") expect(b.state.subject, cause.id).toBe("out");
        b.do("after.mended", { cause: cause.id, note: "seen" });
        b.until("proveClosed");
        expect(b.state.subject, cause.id).not.toBe("out");
      }
    },
  );
});
