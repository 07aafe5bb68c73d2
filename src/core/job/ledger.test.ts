import { builds, jobOn } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { indexBuild, screwMisfit } from "../build";
import { screwsOpen } from ".";

const HOLM = "marrick-holm-15";

describe("the screw ledger", () => {
  it("a job with two screws more in hand than came out: both are refused, each place named, and nothing is called good", () => {
    const b = jobOn(HOLM).follow(() => false);
    const out = b.events.filter((e) => e.type === "open.screwOut").length;
    const back = b.events.filter((e) => e.type === "close.screwBack").length;
    expect(out).toBeGreaterThan(30);
    expect(back).toBe(out);
    // Two are left over: whatever place they are offered to is told.
    expect(b.why("close.screwBack", { screw: "p1" })).toMatch(/Front edge, 1 is accounted for already/);
    expect(b.why("close.screwBack", { screw: "q2" })).toMatch(/Under the optical drive, lower is accounted for already/);
    expect(screwsOpen(b.state)).toEqual({ out: [], loose: [] });
  });
  it("a job with two screws fewer back than out is not handed over, and the two places are named", () => {
    const b = jobOn(HOLM).follow((_, step) => step === "screwsBack:palm-hidden");
    const left = screwsOpen(b.state).out;
    expect(left).toContain("q1");
    expect(b.why("close.handedOver", { to: "Desk" })).not.toBeNull();
    expect(b.why("job.closed", { outcome: "cancelled", reason: "x" })).toMatch(/screws out/);
  });
  it("a long screw offered to a short boss is refused, with the place and what it would meet", () => {
    const b = jobOn(HOLM).follow((_, step) => step === "screwsBack:palm-screws");
    const long = b.why("close.screwBack", { screw: "p8", type: "m25x8" });
    expect(long).toMatch(/M2.5 × 8 is 3 mm too long for hinge edge, 1: it pierces the strip above the keys/);
    expect(b.why("close.screwBack", { screw: "p1", type: "m25x8" })).toBeNull();
    expect(b.why("close.screwBack", { screw: "p1", type: "m25x5" })).toMatch(/too short for front edge, 1/);
    expect(b.why("close.screwBack", { screw: "p8" })).toBeNull();
  });
  it("lengths half a millimetre apart are told apart both ways", () => {
    const b = indexBuild(builds[HOLM]!);
    expect(screwMisfit(b, "z3", "m25x5")).toMatch(/0.5 mm too long for bottom middle: it pierces the display lead/);
    expect(screwMisfit(b, "z1", "m25x45")).toMatch(/0.5 mm too short/);
    expect(screwMisfit(b, "z1", "m2x3")).toMatch(/another thread/);
    expect(screwMisfit(b, "z1", "no-such")).toMatch(/no screw/);
  });
  it("every screw of every build fits where it came from, and no other length does", () => {
    for (const build of Object.values(builds)) {
      const b = indexBuild(build);
      for (const g of build.screwGroups)
        for (const s of g.screws) {
          expect(screwMisfit(b, s.id, s.type), `${build.id} ${s.id}`).toBeNull();
          const own = b.screwType.get(s.type)!;
          for (const t of build.screwTypes)
            if (t.thread !== own.thread || Math.abs(t.lengthMm - own.lengthMm) > 0.2)
              expect(screwMisfit(b, s.id, t.id), `${build.id} ${s.id} ${t.id}`).not.toBeNull();
        }
    }
  });
});
