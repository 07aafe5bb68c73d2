import { hashes, plannedJob, triageTable } from "@tests/bench";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { BOARDS, simulatedMeter } from "@/standins/board";
import { powerOf } from "../job";
import { judgeReading, meterRefusal } from ".";

const spot = (point: string) => triageTable.meter.find((m) => m.point === point)!;

describe("meter and power state", () => {
  it("continuity and diode only isolated, volts only live; in any other or unknown state neither", () => {
    for (const mode of ["continuity", "diode", "dcVolts"] as const)
      for (const power of ["isolated", "live", "off", "unknown"] as const) {
        const may = (mode === "dcVolts" && power === "live") || (mode !== "dcVolts" && power === "isolated");
        expect(meterRefusal(mode, power) === null, `${mode} ${power}`).toBe(may);
      }
  });
  it("a job's log tells the state; nothing recorded is unknown", () => {
    const b = plannedJob("B");
    expect(powerOf(b.view).state).toBe("unknown");
    b.do("bench.mainsOut");
    expect(powerOf(b.view).state).toBe("unknown");
    b.do("bench.shutDown");
    expect(powerOf(b.view).state).toBe("off");
    b.do("bench.batteryOff", { proven: true });
    b.do("bench.drained", { seconds: 6 });
    expect(powerOf(b.view).state).toBe("isolated");
    b.do("bench.mainsIn");
    expect(powerOf(b.view).state).toBe("live");
  });
  it("the gate refuses readings against the state, and a live reading makes the bench live", () => {
    const read = (point: string, mode: string, value: number | null) => ({
      point,
      mode,
      value,
      by: "meter",
      tableHash: hashes.triage,
    });
    const b = plannedJob("B");
    expect(b.why("triage.meterRead", read("backlightFuse", "continuity", 0.3))).toMatch(/not recorded/);
    b.until("partOut:bezel");
    expect(b.why("triage.meterRead", read("driverInput", "dcVolts", 19))).toMatch(/live board only/);
    b.do("triage.meterRead", read("backlightFuse", "continuity", null));
    expect(b.state.triage.findings.fuseOpen).toBe("yes");
    expect(powerOf(b.view).state).toBe("isolated");
    b.do("bench.mainsIn");
    expect(b.why("triage.meterRead", read("backlightFuse", "continuity", 0.3))).toMatch(/this one is live/);
    b.do("triage.meterRead", read("driverInput", "dcVolts", 19.1));
    expect(b.state.triage.findings.railMissing).toBe("no");
    expect(b.state.bench.running).toBe(true);
    // One that arrived late says so all the same: whoever read volts was at a live board.
    const c = plannedJob("B").until("partOut:bezel");
    c.events.push(c.make({ type: "triage.meterRead", payload: read("driverInput", "dcVolts", 19.1) } as never));
    expect(powerOf(c.view).state).toBe("live");
    expect(c.state.breaches).toHaveLength(1);
    expect(b.why("triage.meterRead", read("nowhere", "dcVolts", 1))).toMatch(/no dc volts at "nowhere"/);
  });
});

describe("judgeReading", () => {
  it("on both sides of each band", () => {
    for (const m of triageTable.meter) {
      const [lo, hi] = m.band;
      expect(judgeReading(m, lo).outcome).toBe("no");
      expect(judgeReading(m, hi).outcome).toBe("no");
      if (hi + 0.01 <= m.range[1]) expect(judgeReading(m, hi + 0.01).outcome).toBe("yes");
      if (lo - 0.01 >= m.range[0]) expect(judgeReading(m, lo - 0.01).outcome).toBe("yes");
      expect(judgeReading(m, m.range[1] + 1)).toMatchObject({ inRange: false, outcome: "unclear" });
      expect(judgeReading(m, Number.NaN).outcome).toBe("unclear");
    }
  });
  it("over limit is an open circuit, and no voltage", () => {
    expect(judgeReading(spot("backlightFuse"), null).outcome).toBe("yes");
    expect(judgeReading(spot("driverInput"), null).outcome).toBe("unclear");
  });
});

describe("the simulated board", () => {
  it("shows each seeded fault where a meter would see it, the same every time", async () => {
    for (let seed = 0; seed < BOARDS.length; seed++) {
      const m = simulatedMeter(seed);
      const at = async (point: string, power: "isolated" | "live") => {
        const r = await m.read(spot(point), power);
        if (!r.ok) throw new Error(r.problem);
        expect(await simulatedMeter(seed).read(spot(point), power)).toEqual(r);
        return judgeReading(spot(point), r.value).outcome;
      };
      expect(await at("backlightFuse", "isolated")).toBe(m.board.fuse === "open" ? "yes" : "no");
      expect(await at("backlightRail", "isolated")).toBe(m.board.rail === "shorted" ? "yes" : "no");
      expect(await at("driverInput", "live")).toBe(m.board.fuse === "open" || m.board.rail !== "good" ? "yes" : "no");
      expect(await at("enablePin", "live")).toBe(m.board.enable === "low" ? "yes" : "no");
    }
  });
  it("can be told to fail", async () => {
    const out = await simulatedMeter(0, "outOfRange").read(spot("driverInput"), "live");
    expect(out.ok && judgeReading(spot("driverInput"), out.value).outcome).toBe("unclear");
    const wrong = await simulatedMeter(0, "wrong").read(spot("backlightFuse"), "isolated");
    expect(wrong.ok && judgeReading(spot("backlightFuse"), wrong.value).outcome).toBe("yes");
  });
  it("reads nothing sensible against the power state, whatever is asked", () => {
    fc.assert(
      fc.asyncProperty(fc.nat(20), fc.constantFrom("isolated", "off", "unknown"), async (seed, power) => {
        const r = await simulatedMeter(seed).read(spot("driverInput"), power as "off");
        expect(r).toEqual({ ok: true, value: 0 });
      }),
    );
  });
});
