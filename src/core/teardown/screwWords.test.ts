import { builds } from "@tests/bench";
import { tryBuild } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import { makePlan } from ".";

const KESTREL = "ostrel-kestrel-14";
const planOf = (id: string) => {
  const r = makePlan(builds[id]!);
  if (!r.ok) throw new Error(r.problem);
  return r.plan;
};
const step = (id: string, s: string) => {
  const p = planOf(id);
  return [...p.out, ...p.in].find((x) => x.id === s)!;
};

describe("what a step says of its screws", () => {
  it("a group of two drives names both bits, in the step and in the kit: never all under one", () => {
    tryBuild("two-bits", KESTREL, (b) => {
      const other = b.screwTypes.find((t) => t.drive === "cross")!;
      b.screwTypes.push({ ...other, id: "lobe-cover", drive: "lobe6", size: "T5" });
      b.screwGroups.find((g) => g.id === "base-screws")!.screws.at(-1)!.type = "lobe-cover";
    });
    const out = step("two-bits", "screwsOut:base-screws");
    expect(out.how).toMatch(/^Cross recess PH\d+ for [1-9], 6-lobe T5 for 1: two bits/);
    expect(step("two-bits", "screwsBack:base-screws").how).toContain("6-lobe T5 for 1");
    const kit = planOf("two-bits").tools.map((t) => t.name);
    expect(kit).toContain("6-lobe T5");
    expect(kit.some((k) => k.startsWith("Cross recess"))).toBe(true);
  });
  it("one screw is one screw", () => {
    tryBuild("one-screw", KESTREL, (b) => {
      const g = b.screwGroups.find((x) => x.id === "base-screws")!;
      g.screws = [g.screws[0]!];
      g.name = "Base screws";
    });
    expect(step("one-screw", "screwsOut:base-screws").title).toBe("Take out 1 base screw");
    expect(step("one-screw", "screwsBack:base-screws").title).toBe("Put back 1 base screw");
  });
  it("on the way back they end tight, in order, and what to mind of them stands there too", () => {
    tryBuild("mind", KESTREL, (b) => {
      b.screwGroups.find((x) => x.id === "base-screws")!.caution = "The long ones pierce the keys.";
    });
    const back = step("mind", "screwsBack:base-screws");
    expect(back.how).toMatch(/finger-tight in order, then tightened in the same order/);
    expect(back.caution).toBe("The long ones pierce the keys.");
  });
});
