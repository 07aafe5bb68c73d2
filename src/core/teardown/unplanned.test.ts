import { builds } from "@tests/bench";
import { tryBuild } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import { makePlan } from ".";

const KESTREL = "ostrel-kestrel-14";
const warningsOf = (id: string) => {
  const r = makePlan(builds[id]!);
  if (!r.ok) throw new Error(r.problem);
  return r.plan.warnings;
};

describe("what a build says of the way back and the plan has no step for", () => {
  it("is told, naming what is not planned and the build's own reason; the order is not quietly dropped", () => {
    tryBuild("names-unplanned", KESTREL, (b) => {
      b.wayIn.push({ first: "wireless-card", next: "seat", why: "its lead runs under the panel." });
    });
    expect(warningsOf("names-unplanned")).toEqual([
      "The build puts wireless card before the panel is seated (its lead runs under the panel), but wireless card is not moved in this plan.",
    ]);
  });
  it("on the machines of the demo every word of the build is heard, or told", () => {
    for (const [id, build] of Object.entries(builds)) {
      const r = makePlan(build);
      if (!r.ok) continue;
      const heard = build.wayIn.filter((w) => r.plan.warnings.some((x) => x.includes(w.why.replace(/\.$/, "")))).length;
      expect(r.plan.warnings.length, id).toBe(heard);
    }
  });
});

describe("two temperatures that contradict each other", () => {
  const caution = (release: [number, number], maxC: number) => {
    const build = tryBuild(`warm-${release.join("-")}-${maxC}`, KESTREL, (b) => {
      const like = Object.values(builds).find((x) => x.tapes.length)!.tapes[0]!;
      b.tapes = [
        {
          ...like,
          id: "hot-tape",
          holds: b.subject.part,
          under: [],
          heat: { releaseC: release, ceilings: [{ of: "back film", maxC, source: "trade" }], note: "warm it" },
        },
      ];
    });
    const r = makePlan(build);
    if (!r.ok) throw new Error(r.problem);
    return r.plan.out.find((s) => s.id === "tapeOut:hot-tape")!.caution!;
  };
  it("are told as that: what lets go only above what stays is not warmed off", () => {
    expect(caution([60, 75], 58)).toMatch(
      /These contradict: it lets go from 60 °C, and back film takes 58 °C. Not by heat alone: pull tab, thread or solvent/,
    );
  });
  it("where a band is left it is named, and nothing where there is no conflict", () => {
    expect(caution([60, 75], 65)).toMatch(/Only 60 to 65 °C are left between them/);
    expect(caution([60, 75], 90)).not.toMatch(/contradict|left between/);
  });
});
