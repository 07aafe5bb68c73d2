import { describe, expect, it } from "vitest";
import { jobOn, plannedJob } from "../../../tests/bench";

describe("solvent on old adhesive", () => {
  it("goes on no machine that is live, or is warmed", () => {
    const b = plannedJob("C");
    expect(b.why("bench.solventUsed", { dryMin: 2 })).toMatch(/No solvent on a live machine/);
    const warm = jobOn("isbrand-pivot-14-touch").until("tapeOut:tape-left");
    warm.do("bench.heatOn", { tool: "mat", setC: 55, tape: "tape-left" });
    expect(warm.why("bench.solventUsed", { dryMin: 2 })).toMatch(/No solvent beside heat/);
  });
  it("keeps heat and every power away until it has had its time, was seen dry, and the cloth is away", () => {
    const b = jobOn("isbrand-pivot-14-touch").until("tapeOut:tape-left");
    b.do("bench.solventUsed", { dryMin: 2 });
    const power = [
      ["bench.heatOn", { tool: "mat", setC: 50, tape: "tape-left" }],
      ["bench.mainsIn", {}],
      ["bench.started", {}],
    ] as const;
    for (const [type, payload] of power) expect(b.why(type, payload), type).toMatch(/Solvent is not dry yet/);
    // An act of these tests takes half a minute.
    expect(b.why("bench.solventDry")).toMatch(/dries for 2 min: .* left/);
    b.ms += 120_000;
    // Its time alone is not seeing it dry.
    for (const [type, payload] of power) expect(b.why(type, payload), type).toMatch(/Solvent is not dry yet/);
    b.do("bench.solventDry");
    expect(b.why("bench.heatOn", { tool: "mat", setC: 50, tape: "tape-left" })).toBeNull();
    expect(b.why("bench.solventDry")).toMatch(/No solvent is recorded/);
  });
  it("takes its time anew when it is used again", () => {
    const b = jobOn("isbrand-pivot-14-touch").until("tapeOut:tape-left");
    b.do("bench.solventUsed", { dryMin: 2 });
    b.ms += 110_000;
    b.do("bench.solventUsed", { dryMin: 5 });
    b.ms += 60_000;
    expect(b.why("bench.solventDry")).toMatch(/dries for 5 min/);
  });
  it("stands in the way of no hand: parts, tape and screws go on", () => {
    const b = jobOn("isbrand-pivot-14-touch").until("tapeOut:tape-left");
    b.do("bench.solventUsed", { dryMin: 2 });
    expect(b.why("open.tapeOut", { tape: "tape-left" })).toBeNull();
  });
});
