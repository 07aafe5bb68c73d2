import { plannedJob, snapshots } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { fold, mayTakeBack } from ".";

describe("one repair, end to end", () => {
  for (const family of ["B", "C"] as const)
    it(`family ${family} goes from plan to a closed job with no breach`, () => {
      const b = plannedJob(family).until(null);
      expect(b.state.close.handedOver?.to).toBe("Reading Room");
      b.do("job.closed", { outcome: "handedOver", reason: "" });
      expect(b.state.breaches).toEqual([]);
      expect(b.state.closed?.outcome).toBe("handedOver");
      expect(Object.values(b.state.screws).filter((s) => s === "out" || s === "loosened")).toEqual([]);
    });
});

describe("refusals", () => {
  it("no connector before isolation, and the reason says what is missing", () => {
    const b = plannedJob("B").until("partFold:panel");
    b.do("open.partFolded", { part: "panel" });
    b.do("bench.mainsIn");
    expect(b.why("swap.cableDisconnected", { connector: "display-plug" })).toMatch(/Not isolated.*shut down.*mains/);
  });
  it("the battery plug is exempt by name, but not with the mains in", () => {
    const b = plannedJob("C").until("cableOff:battery-plug");
    expect(b.why("swap.cableDisconnected", { connector: "battery-plug" })).toBeNull();
    b.do("bench.mainsIn");
    expect(b.why("swap.cableDisconnected", { connector: "battery-plug" })).toMatch(/mains/i);
  });
  it("power key held before everything is off does not isolate", () => {
    const b = plannedJob("C").until("cableOff:battery-plug");
    expect(b.why("bench.drained", { seconds: 8 })).toMatch(/battery plug/);
    b.until("drain");
    expect(b.why("bench.drained", { seconds: 2 })).toMatch(/5 s/);
  });
  it("a liner is refused before the loose test, and again after a cable was re-seated", () => {
    const b = plannedJob("C").until("looseTest");
    expect(b.why("bond.linerPulled", { piece: "tape-left-1" })).toMatch(/No loose test yet/);
    b.until("linerPull:tape-left-1");
    expect(b.why("bond.linerPulled", { piece: "tape-left-1" })).toBeNull();
    b.do("swap.cableDisconnected", { connector: "display-plug" });
    b.do("swap.cableConnected", { connector: "display-plug", home: true });
    expect(b.why("bond.linerPulled", { piece: "tape-left-1" })).toMatch(/Display plug was touched after the loose test/);
  });
  it("opening the battery plug to isolate again leaves the loose test valid", () => {
    const b = plannedJob("C").until("mainsIn:test");
    b.do("swap.cableConnected", { connector: "battery-plug", home: true });
    b.do("bench.mainsIn");
    b.do("swap.looseTested", { supply: "mains", picture: true, note: "" });
    b.do("bench.shutDown");
    b.do("bench.mainsOut");
    b.do("swap.cableDisconnected", { connector: "battery-plug" });
    b.do("bench.drained", { seconds: 6 });
    expect(b.state.looseTest?.voidedBy).toBeNull();
    b.until("linerPull:tape-left-1");
    expect(b.why("bond.linerPulled", { piece: "tape-left-1" })).toBeNull();
  });
  it("a test without a picture opens nothing", () => {
    const b = plannedJob("C").until("looseTest");
    b.do("swap.looseTested", { supply: "mains", picture: false, note: "" });
    expect(b.why("bond.linerPulled", { piece: "tape-left-1" })).toMatch(/no picture/);
  });
  it("closing with a screw out, with a loosened screw, or with a pass missing", () => {
    const b = plannedJob("C").until("screwsBack:base-screws");
    expect(b.why("close.handedOver", { to: "x" })).toMatch(/6 screws still out/);
    const c = plannedJob("B").until("screwsTighten:hinge-screws");
    expect(c.why("close.handedOver", { to: "x" })).toMatch(/only loosened/);
    expect(c.why("close.partBack", { part: "bezel" })).toMatch(/open pass/);
    const d = plannedJob("C").until("proveClosed");
    expect(d.why("close.handedOver", { to: "x" })).toMatch(/closed pass/);
  });
  it("a safety stop holds everything but making safe, and cannot be taken back", () => {
    const b = plannedJob("C");
    const raised = b.do("job.safetyRaised", { hazard: "swollenBattery", note: "" });
    expect(b.why("open.screwOut", { screw: "b1" })).toMatch(/Swollen battery/);
    expect(b.why("job.closed", { outcome: "cancelled", reason: "" })).toMatch(/Swollen battery/);
    expect(mayTakeBack(b.events, snapshots, raised.id)?.reason).toMatch(/not taken back/);
    const forced = b.make({ type: "job.takenBack", payload: { eventId: raised.id } });
    expect(fold([...b.events, forced], snapshots).hazards.swollenBattery?.madeSafe).toBeNull();
    b.do("job.madeSafe", { hazard: "swollenBattery", by: "A trained person", how: "Taken to the fire-safe box" });
    expect(b.why("bench.shutDown")).toBeNull();
  });
  it("a panel checked in under another code is refused", () => {
    const b = plannedJob("C");
    b.events = b.events.filter((e) => e.type !== "match.arrived" && e.type !== "plan.made");
    expect(b.why("match.arrived", { codeRead: "GV140FHB-K36" })).toMatch(/reads GV140FHB-K36; ordered was GV140FHB-K31/);
  });
});
