import { builds, plannedJob, snapshots, TestBench } from "@tests/bench";
import { everyAct, plannedAct, seededRandom } from "@tests/randomActs";
import { runs } from "@tests/scale";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { askGate, compareEvents, counting, eventGate, fold, type JobEvent, looseTestMissing, mayTakeBack, powerOf } from ".";

type Family = "B" | "C";
const buildOf = (f: Family) => builds[f === "C" ? "ostrel-kestrel-14" : "tollund-cairn-11-cb"]!;

/** A run at the bench: mostly the plan, now and then anything a hand could try; only what its gate let pass is in the log. */
function run(family: Family, seed: number, tries: number, whim = 0.35): TestBench {
  const random = seededRandom(seed);
  const b = plannedJob(family);
  const all = everyAct(buildOf(family));
  for (let i = 0; i < tries; i++) {
    const planned = plannedAct(b.view);
    const a = planned && random() > whim ? planned : all[Math.floor(random() * all.length)]!;
    if (b.why(a.type, a.payload) === null) b.do(a.type, a.payload);
  }
  return b;
}

const shuffledWithRepeats = (events: readonly JobEvent[], seed: number): JobEvent[] => {
  const random = seededRandom(seed);
  const out = [...events, ...events.filter(() => random() < 0.3)];
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j]!, out[i]!];
  }
  return out;
};

const family = fc.constantFrom<Family>("B", "C");
const seed = fc.integer({ min: 0, max: 2 ** 31 });

describe("fold", () => {
  it("accepted events fold to one state in any order of arrival, with repeats", () => {
    fc.assert(
      fc.property(family, seed, seed, (f, s, t) => {
        const { events } = run(f, s, 60);
        const straight = fold(events, snapshots);
        expect(fold(shuffledWithRepeats(events, t), snapshots)).toEqual(straight);
        // As the server reads them back: through JSON.
        expect(fold(JSON.parse(JSON.stringify(shuffledWithRepeats(events, t + 1))), snapshots)).toEqual(straight);
      }),
      { numRuns: runs(40) },
    );
  }, 60_000);

  it("what passed its gate is never a breach, and what did not is", () => {
    fc.assert(
      fc.property(family, seed, (f, s) => {
        const b = run(f, s, 80, 0.5);
        expect(b.state.breaches).toEqual([]);
        const refused = everyAct(buildOf(f)).filter((a) => b.why(a.type, a.payload) !== null)[s % 40];
        if (!refused) return;
        const forced = b.make(refused);
        const state = fold([...b.events, forced], snapshots);
        expect(state.breaches.map((x) => x.eventId)).toEqual([forced.id]);
        expect(state.breaches[0]!.reason.length).toBeGreaterThan(10);
      }),
      { numRuns: runs(40) },
    );
  }, 60_000);

  it("taking back equals never having had it, or is refused naming what depends on it", () => {
    let allowed = 0;
    let refused = 0;
    fc.assert(
      fc.property(family, seed, fc.nat(), (f, s, pick) => {
        const b = run(f, s, 50);
        const target = b.events[pick % b.events.length]!;
        const shut = mayTakeBack(b.events, snapshots, target.id);
        const back = b.make({ type: "job.takenBack", payload: { eventId: target.id } });
        if (shut === null) {
          allowed += 1;
          const without = b.events.filter((e) => e.id !== target.id);
          expect(fold([...b.events, back], snapshots)).toEqual(fold(without, snapshots));
        } else if (target.type === "job.opened") expect(shut.reason).toMatch(/stays opened/);
        else {
          refused += 1;
          expect(shut.blocking).toBeDefined();
          const dependent = b.events.find((e) => e.id === shut.blocking)!;
          expect(compareEvents(target, dependent)).toBeLessThan(0);
          // The one named really does not stand without it.
          const before = b.events.filter((e) => e.id !== target.id && compareEvents(e, dependent) < 0);
          expect(eventGate({ state: fold(before, snapshots), snapshots }, dependent)).not.toBeNull();
        }
      }),
      { numRuns: runs(80) },
    );
    expect(allowed).toBeGreaterThan(runs(80) / 16 - 1);
    expect(refused).toBeGreaterThan(runs(80) / 16 - 1);
  }, 60_000);

  it("an event is asked on the fold up to its place, not on the newest state", () => {
    const b = plannedJob("C").until("drain");
    const early = {
      ...b.events.at(-1)!,
      id: "01900000-0000-7000-8000-0000ffffffff",
      device: "zz-other",
      type: "swap.cableDisconnected" as const,
      payload: { connector: "display-plug" },
    };
    const place = b.events.length;
    b.until("cableOff:display-plug");
    expect(askGate(b.events, snapshots, early as JobEvent)?.reason).toMatch(/lies under|Not isolated/);
    expect(b.events.length).toBeGreaterThan(place);
  });

  it("never calls a machine isolated while mains, battery or the drain is open", () => {
    fc.assert(
      fc.property(family, seed, (f, s) => {
        const b = run(f, s, 70, 0.6);
        const v = b.view;
        if (!powerOf(v).isolated) return;
        const at = b.events.map((e) => e.type);
        const last = (types: string[]) => Math.max(-1, ...at.map((t, i) => (types.includes(t) ? i : -1)));
        expect(last(["bench.mainsOut"])).toBeGreaterThan(last(["bench.mainsIn"]));
        expect(last(["bench.shutDown"])).toBeGreaterThan(last(["bench.started", "swap.looseTested"]));
        expect(last(["bench.drained"])).toBeGreaterThan(last(["bench.mainsIn", "bench.started", "swap.looseTested"]));
        if (f === "B") expect(last(["bench.batteryOff"])).toBeGreaterThan(last(["bench.mainsIn", "bench.started"]));
        else expect(v.state.connectors["battery-plug"]).toBe("off");
      }),
      { numRuns: runs(120) },
    );
  }, 60_000);

  it("no liner comes off without a loose test that still holds", () => {
    fc.assert(
      fc.property(seed, (s) => {
        const b = run("C", s, 140, 0.25);
        b.events.forEach((e, i) => {
          if (e.type !== "bond.linerPulled") return;
          const v = { state: fold(b.events.slice(0, i), snapshots), snapshots };
          expect(looseTestMissing(v)).toBeNull();
          expect(powerOf(v).isolated).toBe(true);
        });
      }),
      { numRuns: runs(25) },
    );
  }, 60_000);

  it("the counting events leave out what was taken back, and the taking back", () => {
    const b = plannedJob("C").until("screwsOut:base-screws");
    const out = b.do("open.screwOut", { screw: "b1" });
    b.do("job.takenBack", { eventId: out.id });
    expect(counting(b.events).map((e) => e.id)).not.toContain(out.id);
    expect(b.state.screws.b1).toBeUndefined();
    // The same screw can be recorded again.
    b.do("open.screwOut", { screw: "b1" });
    expect(b.state.screws.b1).toBe("out");
  });

  it("putting back is an act of its own and leaves its trace", () => {
    const b = plannedJob("C").until("screwsOut:base-screws");
    b.do("open.screwOut", { screw: "b1" });
    b.do("close.screwBack", { screw: "b1" });
    expect(b.state.screws.b1).toBe("back");
    expect(counting(b.events).filter((e) => e.type.includes("screw"))).toHaveLength(2);
  });

  it("an empty log is an unopened job", () => {
    expect(fold([], {}).job).toBeNull();
    expect(mayTakeBack([], {}, "x")?.reason).toMatch(/no such entry/);
  });

  it("a job opened twice keeps the first, and shows the second as a breach", () => {
    const b = new TestBench();
    const opened = { number: "H-1", customer: "A", words: "", machineModel: "M", serial: "", promiseAt: null, happened: "" };
    b.do("job.opened", opened);
    expect(b.why("job.opened", { ...opened, customer: "B" })).toMatch(/open already/);
  });
});
