import { builds, jobOn, plannedJob, snapshots } from "@tests/bench";
import { tryBuild } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import { packInLid } from "../../build";
import { mayTakeBack } from "..";

/** A front unit whose tape is warmed: touch glass used again, 60 degrees at most. */
const touch = () => jobOn("isbrand-pivot-14-touch");
const warmed = () => touch().until("tapeOut:tape-left");

describe("heat on the bench", () => {
  it("is refused on a machine that runs, and twice at once; seen off it may be switched on again", () => {
    const b = touch();
    expect(b.why("bench.heatOn", { tool: "mat", setC: 55 })).toMatch(/Shut it down first/);
    const w = warmed();
    w.do("bench.heatOn", { tool: "hairDryer", setC: 95, tape: "tape-left", plannedS: 90 });
    expect(w.state.heat.on).toMatchObject({ tool: "hairDryer", setC: 95, plannedS: 90 });
    expect(w.why("bench.heatOn", { tool: "mat", setC: 55 })).toMatch(/heats already/);
    w.do("bench.heatOff");
    expect(w.state.heat).toMatchObject({ on: null, passes: 1 });
    expect(w.state.heat.offClock).not.toBeNull();
    expect(w.why("bench.heatOn", { tool: "mat", setC: 55 })).toBeNull();
  });
  it("is not taken back while it may be on: an entry less switches nothing off", () => {
    const w = warmed();
    const on = w.do("bench.heatOn", { tool: "hairDryer", setC: 95, tape: "tape-left", plannedS: 90 });
    expect(mayTakeBack(w.events, snapshots, on.id)?.reason).toMatch(/switches nothing off\. See it off and say so \(H\)/);
    // Seen off, nothing heats, whether the entry was a slip or not.
    const off = w.do("bench.heatOff");
    expect(w.state.heat.on).toBeNull();
    // Taken back that it was seen off, it may be on: that is the safe way to be wrong.
    expect(mayTakeBack(w.events, snapshots, off.id)).toBeNull();
    w.do("job.takenBack", { eventId: off.id });
    expect(w.state.heat.on).not.toBeNull();
    expect(mayTakeBack(w.events, snapshots, on.id)?.reason).toMatch(/switches nothing off/);
  });
  it("a mat hotter than what lies under it stands is refused, with what, how much and by whose word", () => {
    const w = warmed();
    expect(w.why("bench.heatOn", { tool: "mat", setC: 70, tape: "tape-left" })).toMatch(
      /A mat at 70 °C passes the ceiling of touch glass used again: 60 °C \(adjustable default, its data first\)/,
    );
    expect(w.why("bench.heatOn", { tool: "mat", setC: 60, tape: "tape-left" })).toBeNull();
    // Whatever strip is named, and whatever is thrown away: the build's own word stands.
    expect(w.why("bench.heatOn", { tool: "mat", setC: 70, thrownAway: true })).toMatch(/touch glass used again: 60 °C/);
    const untold = jobOn("ostrel-kestrel-14").until("seams");
    expect(untold.why("bench.heatOn", { tool: "mat", setC: 65 })).toMatch(/what may be used again: 60 °C/);
    expect(untold.why("bench.heatOn", { tool: "mat", setC: 65, thrownAway: true })).toBeNull();
    expect(untold.why("bench.heatOn", { tool: "mat", setC: 75, thrownAway: true })).toMatch(/70 °C/);
    expect(w.why("bench.heatOn", { tool: "mat", setC: 60, tape: "no-such" })).toMatch(/no tape "no-such"/);
  });
  it("a pack under the cover takes 45 degrees and no mat that is set hotter, told by a person or by the build", () => {
    const w = warmed();
    expect(w.why("bench.heatOn", { tool: "mat", setC: 50, packInZone: true })).toMatch(/the pack under the cover: 45 °C/);
    expect(w.why("bench.heatOn", { tool: "mat", setC: 45, packInZone: true })).toBeNull();
    // Hot air over it is a planned pass or none: it has no set-point that could be held against 45.
    for (const tool of ["heatGun", "hairDryer", "rework"]) {
      const on = { tool, setC: 95, tape: "tape-left", packInZone: true };
      expect(w.why("bench.heatOn", on), tool).toMatch(/hot air only as a pass that was planned with it/);
      expect(w.why("bench.heatOn", { ...on, plannedS: 40 }), tool).toMatch(/planned with it/);
      expect(w.why("bench.heatOn", { ...on, plannedS: 40, peakC: { battery: 52 } }), tool).toMatch(
        /brings the pack to 52 °C: 45/,
      );
      expect(w.why("bench.heatOn", { ...on, plannedS: 40, peakC: { battery: 43 } }), tool).toBeNull();
    }
    const cracked = tryBuild("pack-in-lid", "isbrand-pivot-14-touch", (d) => {
      d.parts.push({ ...d.parts[0]!, id: "lid-pack", role: "battery", view: "lid", blockedBy: [] });
    });
    const known = jobOn(cracked.id).until("tapeOut:tape-left");
    expect(known.why("bench.heatOn", { tool: "heatGun", setC: 120, tape: "tape-left", plannedS: 60 })).toMatch(
      /A pack lies in the zone/,
    );
    const inLid = structuredClone(builds["isbrand-pivot-14-touch"]!);
    inLid.parts.push({ ...inLid.parts[0]!, id: "lid-pack", role: "battery", view: "lid" });
    expect(packInLid(inLid, () => false)).toBe(true);
    expect(packInLid(inLid, (p) => p === "lid-pack")).toBe(false);
    expect(packInLid(builds["isbrand-pivot-14-touch"]!, () => false)).toBe(false);
  });
  it("hot air that was planned past the ceiling of what stays is refused; what goes to waste may get hotter", () => {
    const w = warmed();
    const on = { tool: "heatGun", setC: 130, tape: "tape-left", plannedS: 60, peakC: { lcd: 71, cover: 80 } };
    expect(w.why("bench.heatOn", on)).toMatch(/brings what stays to 71 °C: 60 °C at most for touch glass used again/);
    expect(w.why("bench.heatOn", { ...on, peakC: { lcd: 59 } })).toBeNull();
    expect(w.why("bench.heatOn", { ...on, thrownAway: true })).toBeNull();
  });
  it("no heat over bare films, by any tool, until they are covered again", () => {
    const covered = jobOn("pellow-lune-15").until("tapeOut:rim-left");
    expect(builds["pellow-lune-15"]!.parts.find((p) => p.id === "film-stack")?.fragile?.exposedBy).toBe("panel");
    expect(covered.why("bench.heatOn", { tool: "hairDryer", setC: 95, tape: "rim-left" })).toBeNull();
    const bare = jobOn("pellow-lune-15").follow((state) => state.parts.panel === "out" || state.parts.panel === "folded");
    for (const tool of ["heatGun", "hairDryer", "rework", "mat"]) {
      const why = bare.why("bench.heatOn", { tool, setC: 55 });
      expect(why, tool).toMatch(/^Bare: .*No heat before it is covered again/);
    }
  });
  it("no heat in a wet machine, nor with a hazard open; seen off passes every stop", () => {
    const w = warmed();
    w.do("bench.heatOn", { tool: "mat", setC: 55 });
    w.do("job.safetyRaised", { hazard: "swollenBattery", note: "" });
    expect(w.why("bench.heatOff")).toBeNull();
    w.do("bench.heatOff");
    expect(w.why("bench.heatOn", { tool: "mat", setC: 55 })).toMatch(/battery/i);
  });
  it("a machine is not handed over while something heats", () => {
    const b = plannedJob("B").until("seams");
    b.do("bench.heatOn", { tool: "mat", setC: 40 });
    b.until("handOver");
    expect(b.why("close.handedOver", { to: "customer" })).toMatch(/Something still heats/);
    b.do("bench.heatOff");
    expect(b.why("close.handedOver", { to: "customer" })).toBeNull();
  });
  it("a cover in the build's own words is read", () => {
    const build = tryBuild("warm-cover", "isbrand-pivot-14-touch", (d) => {
      d.lid.cover = { kind: "al", mm: 0.8 };
    });
    expect(build.lid.cover).toEqual({ kind: "al", mm: 0.8 });
  });
});
