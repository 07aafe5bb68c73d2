import { hashes, plannedJob, snapshots, TestBench } from "@tests/bench";
import { SAMPLES } from "@tests/samples";
import { describe, expect, it } from "vitest";
import { apply } from "./apply";
import type { JobEvent } from "./event";
import { eventGate } from "./eventGate";
import { fold, mayTakeBack } from "./fold";
import { parseEvent } from "./parseEvent";
import { type EventType, PAYLOADS } from "./payloads";
import { RULES, ruleOf } from "./registry";
import { emptyState, type JobState } from "./state";
import { STOCK_LOG } from "./stock/log";
import { newestVersion } from "./versions";

const all = Object.keys(RULES) as EventType[];
/** Of a job; what stands in the stock's own log is asked by itself. */
const kinds = all.filter((k) => !k.startsWith("stock."));
const bench = new TestBench();
const event = (type: EventType): JobEvent =>
  ({
    ...bench.make({ type: "job.noted", payload: { text: "x" } }),
    type,
    v: newestVersion(type),
    payload: SAMPLES[type],
  }) as JobEvent;
const asked = (state: JobState, type: EventType, known: Parameters<typeof fold>[1] = snapshots) =>
  eventGate({ state, snapshots: known }, event(type));

/** What each kind may do, said from the trade and not from the rules: the list a person would write. */
const ALWAYS: EventType[] = [
  "job.redacted",
  "job.actDiscarded",
  "job.noted",
  "job.edited",
  "job.putOff",
  "job.takenUp",
  "job.reopened",
  "job.takenBack",
  "job.safetyRaised",
  "job.madeSafe",
  "job.handedOn",
  "job.breachResolved",
];
const HANDS = /^(open|swap|bond|prove|close)\.|^bench\.heatOn$/;
const THROUGH_STOP: EventType[] = ["bench.shutDown", "bench.mainsOut", "bench.heatOff"];
const AFTER_CLOSING: EventType[] = ["job.reopened", "job.redacted", "job.actDiscarded", "job.noted", "job.takenBack"];

describe("every kind of event", () => {
  it("has a payload shape, a rule and a name a person would use", () => {
    expect(Object.keys(PAYLOADS).sort()).toEqual([...all].sort());
    const names = all.map((k) => ruleOf(k).name);
    expect(new Set(names).size).toBe(names.length);
    for (const n of names) expect(n).toMatch(/^[a-z][a-z' -]+$/i);
  });
  it("is read back as it was written", () => {
    for (const type of all) {
      const e = event(type);
      expect(parseEvent(JSON.parse(JSON.stringify(e))), type).toEqual({ ok: true, event: e });
      expect(parseEvent({ ...e, payload: { ...e.payload, stray: 1 } }), type).toMatchObject({ ok: false });
    }
  });
  it("changes the state when it is applied, or corrects it; and counts", () => {
    const plain = (s: JobState) => JSON.stringify({ ...s, last: null, counted: 0 });
    for (const type of kinds) {
      const state = structuredClone(plannedJob("C").state);
      // What an act undoes has to be there.
      if (type === "job.takenUp") state.putOff = { until: null, why: "away" };
      if (type === "swap.oldBack") state.subject = "out";
      state.screws.b1 = type.startsWith("close.") ? "out" : undefined!;
      if (state.screws.b1 === undefined) delete state.screws.b1;
      state.hazards = { hotBattery: { note: "", madeSafe: null } };
      state.moneyStops = { consent: { note: "", waived: null } };
      state.breaches = [{ eventId: "01900000-0000-7000-8000-000000000001", gate: "x", reason: "y", resolved: null }];
      state.bench = {
        ...state.bench,
        openLive: type === "bench.lampWaited",
        solvent: type === "bench.solventDry" ? { clock: "000000000000001-000000", dryMin: 2 } : null,
        films: type === "bench.filmsUncovered" ? { clock: "000000000000001-000000", covered: true } : null,
        shutDown: type !== "bench.shutDown",
        running: type === "bench.shutDown",
        mains: type === "bench.mainsOut" ? "in" : "out",
      };
      state.connectors = type === "bench.drained" ? { "battery-plug": "off" } : {};
      if (type === "match.arrivalChecked") state.match.arrival = {};
      if (type === "plan.made") state.plan = null;
      if (type === "after.mended" || type === "after.left")
        state.after.chase = { cause: "cameraLead", pass: "open", check: "camera", leads: [], reseated: {}, mended: false };
      if (type === "plan.rebuilt") state.plan = { buildHash: hashes.build["marrick-holm-15"]!, goal: "subjectOut" };
      if (type === "match.arrived") state.match.arrived = null;
      if (type === "match.chosen") state.match.chosen = null;
      if (type === "triage.signSeen") state.triage.findings = {};
      if (type === "triage.concluded") state.triage.concluded = null;
      const before = plain(state);
      const counted = state.counted;
      apply(state, snapshots, event(type));
      if (type === "job.takenBack") expect(plain(state)).toBe(before);
      else expect(plain(state), type).not.toBe(before);
      expect(state.counted).toBe(counted + 1);
    }
  });
  it("nothing but opening is recorded in a job that was never opened, and opening only once", () => {
    for (const type of kinds) {
      const shut = asked(emptyState(), type);
      if (type === "job.opened") expect(shut).toBeNull();
      else expect(shut?.reason, type).toBe("The job was never opened.");
    }
    expect(asked(plannedJob("C").state, "job.opened")?.reason).toBe("This job is open already.");
  });
  it("a closed job takes notes and taking back, nothing else", () => {
    const state = { ...plannedJob("C").state, closed: { outcome: "cancelled" as const, reason: "" } };
    for (const type of kinds.filter((k) => k !== "job.opened")) {
      const shut = asked(state, type);
      if (AFTER_CLOSING.includes(type)) expect(shut, type).toBeNull();
      else expect(shut?.reason, type).toMatch(/This job is closed/);
    }
  });
  it("an open safety stop lets through what makes safe, what tells, and taking power off; nothing else", () => {
    const state = {
      ...plannedJob("C").state,
      hazards: { swollenBattery: { note: "", madeSafe: null }, hotBattery: { note: "", madeSafe: null } },
    };
    for (const type of kinds.filter((k) => k !== "job.opened")) {
      const shut = asked(state, type);
      const free = ALWAYS.includes(type) || THROUGH_STOP.includes(type);
      if (free) expect(shut?.gate ?? "", type).not.toBe("safety");
      else expect(shut?.gate, type).toBe("safety");
    }
    const closing = (outcome: string, handedOn: string | null) =>
      eventGate({ state: { ...state, handedOn }, snapshots }, {
        ...event("job.closed"),
        payload: { outcome, reason: "" },
      } as JobEvent)?.gate;
    expect(closing("handedOn", null)).toBe("safety");
    expect(closing("handedOn", "Trained person")).not.toBe("safety");
    expect(closing("cancelled", "Trained person")).toBe("safety");
  });
  it("a money stop holds hands off the machine, and only those", () => {
    const state = { ...plannedJob("C").state, moneyStops: { consent: { note: "", waived: null } } };
    for (const type of kinds.filter((k) => k !== "job.opened"))
      if (HANDS.test(type)) expect(asked(state, type)?.gate, type).toBe("money");
      else expect(asked(state, type)?.gate ?? "", type).not.toBe("money");
    const waived = { ...state, moneyStops: { consent: { note: "", waived: "asked" } } };
    expect(asked(waived, "open.stuck")).toBeNull();
  });
  it("without a plan no hand goes to the machine: its power points are unknown", () => {
    const state = { ...plannedJob("C").state, plan: null };
    for (const type of kinds.filter((k) => k !== "job.opened"))
      if (HANDS.test(type))
        expect(asked(state, type), type).toEqual({
          gate: "plan",
          reason: "No plan yet: read the machine's build in Plan first.",
        });
      else expect(asked(state, type)?.gate ?? "", type).not.toBe(type === "plan.rebuilt" ? "never" : "hands");
  });
  it("what relies on reference data is refused while that is not with the job, or is of another kind", () => {
    const relying = kinds.filter((k) => Object.keys(SAMPLES[k]).some((f) => f.endsWith("Hash")));
    expect(relying.length).toBeGreaterThan(8);
    for (const type of relying) {
      const state = type === "plan.made" ? { ...plannedJob("C").state, plan: null } : plannedJob("C").state;
      const hash = Object.entries(SAMPLES[type]).find(([f]) => f.endsWith("Hash"))![1] as string;
      const { [hash]: _, ...without } = snapshots;
      // The job's own build is needed to ask at all: where that is the one missing, the plan is.
      expect(asked(state, type, without)?.reason, type).toMatch(/not with the job|No plan yet/);
      const other = snapshots[hash]!.kind === "policy" ? snapshots[hashes.triage]! : snapshots[hashes.policy]!;
      expect(asked(state, type, { ...without, [hash]: other })?.reason, type).toMatch(/not with the job|No plan yet/);
      expect(Object.keys(ruleOf(type).relies ?? {}).sort()).toEqual(
        Object.keys(SAMPLES[type])
          .filter((f) => f.endsWith("Hash"))
          .sort(),
      );
    }
    for (const type of kinds.filter((k) => !relying.includes(k))) expect(ruleOf(type).relies, type).toBeUndefined();
  });
  it("orders alone spend; what corrects the record is no act; what stays says why", () => {
    expect(all.filter((k) => ruleOf(k).spends)).toEqual(["match.ordered", "stock.ordered"]);
    expect(kinds.filter((k) => ruleOf(k).noAct).sort()).toEqual(["job.opened", "job.redacted", "job.takenBack"]);
    const stays = kinds.filter((k) => ruleOf(k).stays);
    expect(stays.sort()).toEqual(["job.actDiscarded", "job.opened", "job.redacted", "job.safetyRaised", "job.takenBack"]);
    const b = plannedJob("C");
    const raised = b.do("job.safetyRaised", { hazard: "hotBattery", note: "" });
    expect(mayTakeBack(b.events, snapshots, raised.id)?.reason).toBe(
      "A safety stop is not taken back. Record how it was made safe.",
    );
    expect(mayTakeBack(b.events, snapshots, b.events[0]!.id)?.reason).toBe("A job stays opened. Close it instead.");
    // A record that says it is taken back all the same takes nothing back.
    b.events.push(b.make({ type: "job.takenBack", payload: { eventId: raised.id } }));
    expect(fold(b.events, snapshots).hazards.hotBattery).toEqual({ note: "", madeSafe: null });
  });
  it("the log of the stock takes what is of the stock, notes and what was let go; a job takes none of it", () => {
    const inStock = (type: EventType) => eventGate({ state: emptyState(), snapshots }, { ...event(type), jobId: STOCK_LOG });
    for (const type of all) {
      const stock = type.startsWith("stock.");
      if (stock) expect(asked(plannedJob("C").state, type), type).toMatchObject({ gate: "log" });
      const shut = inStock(type);
      if (type === "job.noted" || type === "job.actDiscarded") expect(shut, type).toBeNull();
      else if (!stock) expect(shut?.gate, type).toBe("log");
      // Without an order nothing becomes of one; everything else of the stock goes.
      else if (type === "stock.orderMoved") expect(shut?.reason).toBe("There is no order B-1.");
      else expect(shut, type).toBeNull();
    }
  });
  it("what depends on an entry is named in words, not by its type", () => {
    const b = plannedJob("C");
    const order = b.events.find((e) => e.type === "match.ordered")!;
    const shut = mayTakeBack(b.events, snapshots, order.id)!;
    expect(shut.reason).toMatch(/^The panel's arrival depends on it: Nothing is on order\. Take that back first\.$/);
    expect(shut.blocking).toBe(b.events.find((e) => e.type === "match.arrived")!.id);
  });
});
