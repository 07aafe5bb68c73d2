import { describe, expect, it } from "vitest";
import { familySection, type SectionPiece } from ".";
import { FAMILIES } from "./kinds";

const over = (a: SectionPiece, b: SectionPiece) =>
  Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x) > 0.01 && Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y) > 0.01;
const holds = (a: SectionPiece, x: number, y: number) =>
  x > a.x + 0.01 && x < a.x + a.w - 0.01 && y > a.y + 0.01 && y < a.y + a.h - 0.01;

describe("sections of the families", () => {
  it.each(FAMILIES)("%s: no two solid pieces lie in the same place", (f) => {
    const solid = familySection(f).pieces.filter((p) => p.stuff !== "screw");
    for (const [i, a] of solid.entries()) for (const b of solid.slice(i + 1)) expect(over(a, b) ? [a, b] : null).toBeNull();
  });

  it.each(FAMILIES)("%s: the tool's tip is in a seam, never in a part, and no glass or panel lies before it", (f) => {
    const { pick, pieces } = familySection(f);
    if (!pick) return;
    const fragile = pieces.filter((p) => ["glass", "panel", "film"].includes(p.stuff));
    for (const p of pieces) expect(holds(p, pick.x, pick.y) ? p : null).toBeNull();
    // On its way in, 5 mm back from the tip, it runs through nothing that breaks.
    const [dx, dy] = { left: [-1, 0], right: [1, 0], front: [0, -1] }[pick.from] as [number, number];
    for (let d = 0; d <= 5; d += 0.25)
      for (const p of fragile) expect(holds(p, pick.x + dx * d, pick.y + dy * d) ? p : null).toBeNull();
  });

  it("the trade's differences: what tells a glued rim from a gap is drawn", () => {
    const has = (f: (typeof FAMILIES)[number], stuff: string) => familySection(f).pieces.some((p) => p.stuff === stuff);
    // Screws in the bezel: A and E. Tape behind or round: C, D and G. Bare films: G alone. A lamp: E alone.
    expect(FAMILIES.filter((f) => familySection(f).driver?.from === "front")).toEqual(["A", "E"]);
    expect(FAMILIES.filter((f) => has(f, "tape"))).toEqual(["C", "D", "G"]);
    expect(FAMILIES.filter((f) => has(f, "film"))).toEqual(["G"]);
    expect(FAMILIES.filter((f) => has(f, "lamp"))).toEqual(["E"]);
    // Where the lid comes off as it is, nothing on it is pried.
    expect(FAMILIES.filter((f) => !familySection(f).pick)).toEqual(["F", "H"]);
    // D: between metal and rim, left of the plastic rim and outside the glass.
    const d = familySection("D");
    const rim = d.pieces.find((p) => p.name === "rim")!;
    const glass = d.pieces.find((p) => p.stuff === "glass")!;
    expect(d.pick!.x).toBeLessThan(rim.x);
    expect(rim.x + rim.w).toBeLessThanOrEqual(glass.x);
    // H is a screwed bezel too: its picture is of the hinge, its words say so.
    expect(familySection("H").rim).toMatch(/screwed bezel/);
  });
});
