import { builds, handAct, hashes, jobOn, type TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { actsOnMachine, buildOf, counting, handsOnMinutes, type JobEvent, msOf } from "../job";
import { progressOf } from "./planOf";
import { stepOfEvent } from "./steps";
import { stepTimes } from "./stepTimes";

/** A whole job done by a hand that also gets stuck, finds a screw too many, taps faults and starts it twice. */
function wholeJob(id: string): TestBench {
  const b = jobOn(id);
  const odd = new Set<string>();
  const once = (key: string, when: boolean, act: () => void) => {
    if (!when || odd.has(key)) return;
    odd.add(key);
    act();
  };
  for (let i = 0; i < 400; i++) {
    const now = progressOf(b.view)?.now;
    if (!now) return b;
    once("stuck", now.kind === "partOut", () => b.do("open.stuck", { target: now.id, why: "a clip holds on the left" }));
    once("started", now.kind === "looseTest", () => b.do("bench.started"));
    once("extra", now.kind === "partBack", () => b.do("close.screwExtra", { words: "M2 x 3", settled: "from the desk" }));
    once("tapped", now.kind === "proveOpen", () =>
      b.do("prove.faultTapped", { class: "dark", xMm: 40, yMm: 50, policyHash: hashes.policy }),
    );
    once("accepted", b.state.prove.faults.length > 0, () => b.do("prove.faultsAccepted", { by: "Desk", reason: "small" }));
    const act = handAct(b.view, now);
    b.do(act.type, act.payload);
    b.do("job.noted", { text: "went on" });
  }
  throw new Error("never came to an end");
}

/** Minutes between the plan and the last act, breaks left out, by a reader that knows no step. */
function between(events: readonly JobEvent[]): number {
  const at = events.filter((e) => e.type === "plan.made" || actsOnMachine(e.type)).map((e) => msOf(e.clock));
  return at.slice(1).reduce((n, ms, i) => n + (ms - at[i]! <= 20 * 60_000 ? (ms - at[i]!) / 60_000 : 0), 0);
}

describe("planned against done", () => {
  for (const build of Object.values(builds))
    it(`${build.family}, ${build.machineModel}: every step of the plan is timed, and no minute of the job is lost`, () => {
      const b = wholeJob(build.id);
      const { plan } = progressOf(b.view)!;
      const steps = [...plan.out, ...plan.in];
      const times = stepTimes(counting(b.events), b.view, steps);
      expect(times.map((t) => t.id)).toEqual(steps.map((s) => s.id));
      expect(times.every((t) => t.actual > 0)).toBe(true);
      expect(times.reduce((n, t) => n + t.planned, 0)).toBeCloseTo(
        steps.reduce((n, s) => n + s.minutes, 0),
        9,
      );
      expect(times.reduce((n, t) => n + t.actual, 0)).toBeCloseTo(between(counting(b.events)), 6);
      // From the first act on, that is what the hands were on the machine.
      const first = counting(b.events).find((e) => actsOnMachine(e.type))!;
      const plannedAt = msOf(b.events.find((e) => e.type === "plan.made")!.clock);
      expect(times.reduce((n, t) => n + t.actual, 0)).toBeCloseTo(
        handsOnMinutes(counting(b.events)) + (msOf(first.clock) - plannedAt) / 60_000,
        6,
      );
    });
  it("power that is taken off three times, and put on three times, is timed each time by itself", () => {
    const b = wholeJob("tollund-cairn-11-cb");
    const { plan } = progressOf(b.view)!;
    const ids = stepTimes(counting(b.events), b.view, [...plan.out, ...plan.in]).map((t) => t.id);
    for (const kind of ["shutDown", "mainsOut", "batteryOff", "drain"])
      expect(ids.filter((i) => i === kind || i.startsWith(`${kind}:`))).toEqual([kind, `${kind}:bond`, `${kind}:close`]);
    expect(ids.filter((i) => i.startsWith("mainsIn"))).toEqual(["mainsIn:test", "mainsIn:prove", "mainsIn:closed"]);
  });
  it("a break is nobody's minutes, and what was stuck belongs to the step it was stuck at", () => {
    const b = jobOn("ostrel-kestrel-14").until("screwsOut:base-screws");
    b.do("open.stuck", { target: "screwsOut:base-screws", why: "head is worn" });
    b.ms += 5 * 60_000;
    const before = stepTimes(b.events, b.view, progressOf(b.view)!.plan.out).find((t) => t.id === "screwsOut:base-screws");
    expect(before).toBeUndefined();
    b.do("open.screwOut", { screw: "b1" });
    const at = () =>
      stepTimes(b.events, b.view, progressOf(b.view)!.plan.out).find((t) => t.id === "screwsOut:base-screws")!.actual;
    expect(at()).toBeCloseTo(0.5 + 5.5, 6);
    b.ms += 3 * 3_600_000;
    b.do("open.screwOut", { screw: "b2" });
    expect(at()).toBeCloseTo(6, 6);
  });
  it("mains put in before anything is open belongs to no step, and what is said at the desk never does", () => {
    const b = jobOn("ostrel-kestrel-14");
    const asked = (type: string, payload: unknown) =>
      stepOfEvent(b.make({ type, payload } as never), { s: b.state, b: buildOf(b.view)! });
    expect(asked("bench.mainsIn", {})).toBeNull();
    expect(asked("job.noted", { text: "x" })).toBeNull();
    expect(asked("open.found", {})).toBeNull();
    expect(asked("bench.shutDown", {})).toBe("shutDown");
    expect(asked("open.screwOut", { screw: "b1" })).toBe("screwsOut:base-screws");
    expect(asked("open.screwOut", { screw: "of-nobody" })).toBe("screwsOut:of-nobody");
    expect(asked("swap.panelLifted", { why: "crumb" })).toBe("seat");
    expect(asked("bond.filmOff", { film: "front" })).toBe("frontFilmOff");
    expect(asked("bond.filmOff", { film: "back" })).toBe("backFilmOff");
    expect(asked("prove.checkDone", { pass: "closed", check: "start", result: "pass", note: "" })).toBe("proveClosed");
  });
});
