import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import type { Build } from ".";
import { checkBuild } from "./check";

const fjell = builds["marrick-fjell-15"]!;
const bezel = fjell.parts.findIndex((p) => p.id === "bezel");
type Stage = { words: string; edge?: "left" | "right" | "top" | "bottom"; depthMm?: number };
const withStages = (stages: Stage[], lid: Partial<Build["lid"]> = {}): Build => ({
  ...fjell,
  lid: { ...fjell.lid, ...lid },
  parts: fjell.parts.map((p, i) => (i === bezel ? { ...p, out: { ...p.out!, stages } } : p)),
});

describe("a part that comes away in stages", () => {
  it("the demo's bezel does: sides, top, bottom last, each over an edge that may be entered", () => {
    expect(fjell.parts[bezel]!.out!.stages!.map((s) => s.edge)).toEqual(["left", "right", "top", "bottom"]);
    expect(checkBuild(fjell)).toEqual([]);
  });
  it("is refused over an edge nobody may enter, and deeper than an edge allows; the place is named", () => {
    const shut = fjell.lid.pry.map((e) => (e.edge === "top" ? { edge: "top" as const, enter: false, behind: "camera" } : e));
    expect(checkBuild(withStages([{ words: "Top", edge: "top" }], { pry: shut }))).toEqual([
      { where: `parts[${bezel}].out.stages[0].edge`, message: "the pry map says of the top edge: do not enter" },
    ]);
    // The map allows 4 mm at the bottom: the display lead lies behind it.
    expect(checkBuild(withStages([{ words: "Sides" }, { words: "Bottom", edge: "bottom", depthMm: 6 }]))).toEqual([
      { where: `parts[${bezel}].out.stages[1].depthMm`, message: "6 mm; the pry map allows 4 mm at the bottom edge" },
    ]);
    expect(checkBuild(withStages([{ words: "Bottom", edge: "bottom", depthMm: 4 }]))).toEqual([]);
  });
});
