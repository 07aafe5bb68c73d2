import { describe, expect, it } from "vitest";
import type { Build } from "@/core/build";
import { makePlan } from "@/core/teardown";
import { builds } from "./bench";

const own = (b: Build) => b.subject.part;
const things = (b: Build) => [...b.parts, ...b.screwGroups, ...b.connectors, ...b.tapes];
const carries = (b: Build, serves: string) => b.connectors.some((c) => c.joins[0] === own(b) && c.serves === serves);

/** What real machines do to a plan, and what a plan of one that has it must hold: each lies in one machine of the demo at least. */
const TRAPS: readonly [string, (b: Build) => boolean, ((ids: string[], b: Build) => boolean)?][] = [
  ["a pack in a bay", (b) => b.connectors.some((c) => c.kind === "bayPack")],
  ["tried on its battery", (b) => b.isolation.testSupply !== "mains"],
  [
    "power only through a part that is taken out",
    (b) => b.connectors.some((c) => c.serves === "power"),
    (ids, b) => ids.indexOf(`cableOn:${b.connectors.find((c) => c.serves === "power")!.id}`) < ids.indexOf("looseTest"),
  ],
  ["folds over its leads, then comes out", (b) => b.parts.some((p) => p.fold && p.out)],
  ["a lead out of reach once it sits", (b) => b.connectors.some((c) => c.joins[0] === own(b) && !c.reachableWhenSeated)],
  ["a lead in reach once it sits", (b) => b.connectors.some((c) => c.joins[0] === own(b) && c.reachableWhenSeated)],
  ["an order among things", (b) => things(b).some((x) => x.after?.length)],
  ["the last thing of a part", (b) => things(b).some((x) => "lastOf" in x && x.lastOf)],
  ["screws that stay in until the lid stands", (b) => b.screwGroups.some((g) => g.keepUntil)],
  ["at once after another", (b) => b.wayIn.some((w) => w.atOnce)],
  ["screws through two parts", (b) => b.screwGroups.some((g) => g.alsoHolds?.length)],
  ["the lid turned", (b) => !!b.turns?.length],
  ["screws only loosened", (b) => b.screwGroups.some((g) => g.loosenOnly)],
  ["screws with a caution", (b) => b.screwGroups.some((g) => g.caution)],
  ["two temperatures that contradict", (b) => b.tapes.some((t) => t.heat?.ceilings.some((c) => c.maxC < t.heat!.releaseC[1]))],
  [
    "broken by coming out",
    (b) => b.parts.some((p) => p.fate === "destroyed"),
    (ids, b) => b.parts.filter((p) => p.fate === "destroyed").every((p) => !ids.includes(`partBack:${p.id}`)),
  ],
  ["a new one goes back", (b) => b.parts.some((p) => p.fate === "replaced")],
  [
    "part of the new one",
    (b) => b.parts.some((p) => p.fate === "comesWithNew"),
    (ids, b) => b.parts.filter((p) => p.fate === "comesWithNew").every((p) => !ids.includes(`partBack:${p.id}`)),
  ],
  ["brings its tape", (b) => !!b.subject.bringsTape, (ids) => !ids.some((x) => x.startsWith("tapeLay:"))],
  ["done on the way back only", (b) => !!b.backActs?.length, (ids, b) => ids.includes(`backAct:${b.backActs![0]!.id}`)],
  ["old adhesive on the ledge", (b) => b.tapes.some((t) => t.holds === own(b) && t.kind === "strip")],
  ["a tab that is pulled", (b) => b.tapes.some((t) => t.kind === "pullTab")],
  ["a bezel or trim that is taped", (b) => b.tapes.some((t) => t.holds !== own(b))],
  ["the new one carries touch", (b) => carries(b, "touch")],
  ["the new one carries the camera", (b) => carries(b, "camera")],
  ["lamp-lit", (b) => b.inverterOn !== undefined],
  ["a lid, a front unit and a cell", (b) => b.subject.kind !== "panel"],
  ["away in stages", (b) => b.parts.some((p) => p.out?.stages?.length)],
  [
    "two bits in one group",
    (b) => b.screwGroups.some((g) => new Set(g.screws.map((s) => b.screwTypes.find((t) => t.id === s.type)!.size)).size > 1),
  ],
  ["moves over to the new one", (b) => b.parts.some((p) => p.transplant)],
  ["several ways", (b) => b.parts.some((p) => p.either.length)],
  ["films laid bare", (b) => b.parts.some((p) => p.fragile)],
  ["isolated in its firmware, starts by itself", (b) => b.isolation.by === "batteryOffMode" && b.isolation.startsWhenAttached],
  ["left open by who described it", (b) => !!b.looks?.length, (ids, b) => ids.includes(`look:${b.looks![0]!.of}`)],
];

describe("traps of the demo's machines", () => {
  it.each(TRAPS)("%s: in one of the eight, and its plan minds it", (_, has, minds) => {
    const those = Object.values(builds).filter(has);
    expect(those.length).toBeGreaterThan(0);
    for (const b of those) {
      const made = makePlan(b);
      if (!made.ok) throw new Error(`${b.id}: ${made.problem}`);
      const ids = [...made.plan.out, ...made.plan.in].map((s) => s.id);
      if (minds) expect(minds(ids, b), b.id).toBe(true);
    }
  });
  it("all eight are of the newest format", () => {
    expect(Object.keys(builds).length).toBe(8);
    for (const b of Object.values(builds)) expect(b.version).toBe(3);
  });
});
