import { builds, panels } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { compareFit } from "@/core/panel";
import { detailsOf, snapPoints } from "./snap";

const build = builds["ostrel-kestrel-14"]!;
const old = panels["gv140fhb-k31"]!;
const k36 = panels["gv140fhb-k36"]!;
const tabbed = panels["pd140fht-40b1"]!;

describe("places the drawing snaps to at 1:1", () => {
  it("corners first, then cables, then what stands on the panels; none twice", () => {
    const points = snapPoints(build, "lid", old, k36);
    expect(points.slice(0, 4).map((p) => p.name)).toEqual([
      "top left corner",
      "top right corner",
      "bottom left corner",
      "bottom right corner",
    ]);
    const at = build.lid.panelAt;
    const c = k36.connectorAt.value!;
    expect(points).toContainEqual({ name: "new connector", xMm: at.xMm + c.xMm, yMm: at.yMm + c.yMm });
    for (const [i, p] of points.entries())
      for (const q of points.slice(i + 1))
        expect(Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm), `${p.name}, ${q.name}`).toBeGreaterThan(0.9);
  });
  it("every tab of either panel is one of them", () => {
    const names = snapPoints(build, "lid", old, tabbed).map((p) => p.name);
    expect(names.filter((n) => n.startsWith("new") && n.includes("tab"))).toHaveLength(tabbed.tabs.value!.length);
  });
  it("without a build the corners of a usual lid, and nothing that would be a guess", () => {
    expect(snapPoints(null, "lid", old, k36)).toHaveLength(4);
    expect(snapPoints(build, "base", old, k36).every((p) => !p.name.startsWith("new"))).toBe(true);
  });
});

describe("cut-outs of a comparison", () => {
  const details = (p: typeof old) => detailsOf(build, old, p, compareFit(old, p, build));
  it("show the edge, the connector half way between both, and the pocket in section", () => {
    const d = details(k36);
    expect(d.map((x) => x.field)).toEqual(["outline", "connectorAt", "thicknessMm"]);
    expect(d[1]!.xMm).toBeCloseTo((old.connectorAt.value!.xMm + k36.connectorAt.value!.xMm) / 2);
  });
  it("show a tab instead of the edge where tabs differ", () => {
    expect(details(tabbed)[0]!.field).toBe("tabs");
  });
  it("a deeper pocket is drawn smaller, so that it fits", () => {
    const deep = { ...build, lid: { ...build.lid, pocketDepthMm: 5.5 } };
    const scale = detailsOf(deep, old, k36, compareFit(old, k36, deep)).at(-1)!.scale;
    expect(scale).toBeLessThan(details(k36).at(-1)!.scale);
    // 100 px of cut-out, 28 of them floor.
    expect(5.5 * scale * (96 / 25.4)).toBeLessThan(72);
  });
  it("say nothing of a connector nobody has placed", () => {
    const none = { ...k36, connectorAt: { value: null, source: "G" as const } };
    const bare = { ...old, connectorAt: { value: null, source: "G" as const } };
    expect(detailsOf(build, bare, none, compareFit(bare, none, build)).map((d) => d.field)).not.toContain("connectorAt");
  });
});
