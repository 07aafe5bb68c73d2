import { builds, jobOn, snapshots } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { stockFromJob, stockNeeds } from "../job";
import { cutList } from "../tape";
import { cutSheet, cutSheetSvg } from ".";

const kestrel = builds["ostrel-kestrel-14"]!;
const pieces = cutList(kestrel).map((p, i) => ({ ...p, number: i + 1 }));

describe("the cut sheet", () => {
  it("has every strip at its length with its tail at the end, inside the paper, one under the other", () => {
    for (const paper of ["a4", "letter"] as const) {
      const s = cutSheet(pieces, paper, "H-1");
      expect(s.pages.length).toBe(1);
      for (const [i, strip] of s.pages[0]!.entries()) {
        expect(strip.lengthMm).toBeCloseTo(pieces[i]!.lengthMm + pieces[i]!.tailMm, 9);
        expect(strip.tailMm).toBe(pieces[i]!.tailMm);
        expect(strip.xMm + strip.lengthMm).toBeLessThanOrEqual(s.widthMm - 10 + 1e-9);
        expect(strip.yMm + strip.widthMm).toBeLessThan(s.pages[0]![i + 1]?.yMm ?? s.heightMm - 10);
      }
    }
  });
  it("a strip longer than the paper goes on, and its stretches are the whole of it with the tail where it ends", () => {
    const long = { ...pieces[0]!, lengthMm: 310, tailMm: 8 };
    const [a, b] = cutSheet([long], "a4", "H-1").pages[0]!;
    expect([a!.lengthMm, a!.fromMm, a!.goesOn, a!.tailMm]).toEqual([277, 0, true, 0]);
    expect([b!.lengthMm, b!.fromMm, b!.goesOn, b!.tailMm]).toEqual([41, 277, false, 8]);
    // Cut in the middle of the tail: both stretches show their part of it.
    const [c, d] = cutSheet([{ ...long, lengthMm: 272, tailMm: 15 }], "a4", "H-1").pages[0]!;
    expect([c!.tailMm, d!.tailMm]).toEqual([5, 10]);
  });
  it("more strips than a page holds go on the next; words are escaped", () => {
    const many = Array.from({ length: 20 }, (_, i) => ({ ...pieces[0]!, number: i + 1 }));
    const s = cutSheet(many, "a4", `H-1 <b>"x"`);
    expect(s.pages.length).toBeGreaterThan(1);
    expect(s.pages.flat().length).toBe(20);
    expect(cutSheetSvg(s, 0)).not.toContain("<b>");
    expect(cutSheetSvg(s, 0, 100 / 98)).toContain(`width="${Math.round(((297 * 100) / 98) * 1000) / 1000}mm"`);
  });
});

describe("tape that was chosen", () => {
  it("is what a job still needs and what it takes off the shelf, ply by ply; without a choice the build's own", () => {
    const width = pieces[0]!.widthMm;
    const b = jobOn("ostrel-kestrel-14");
    const own = stockNeeds({ state: b.state, snapshots }, kestrel).filter((n) => n.item.startsWith("tape/"));
    expect(own.map((n) => n.item)).toEqual([`tape/${width}x${pieces[0]!.thicknessMm}`]);
    b.do("plan.tapeChosen", { widthMm: width, pliesMm: [0.2, 0.3] });
    const needs = stockNeeds({ state: b.state, snapshots }, kestrel).filter((n) => n.item.startsWith("tape/"));
    expect(needs.map((n) => [n.item, n.count])).toEqual([
      [`tape/${width}x0.2`, own[0]!.count],
      [`tape/${width}x0.3`, own[0]!.count],
    ]);
    b.follow((s) => Object.keys(s.bond.laid).length === 1);
    const used = stockFromJob(b.events, snapshots).filter((e) => e.type === "stock.used" && e.item.startsWith("tape/"));
    expect(used.map((e) => "item" in e && e.item)).toEqual([`tape/${width}x0.2`, `tape/${width}x0.3`]);
    expect(b.why("plan.tapeChosen", { widthMm: width, pliesMm: [0.5] })).toMatch(/laid already/);
    expect(b.why("plan.tapeChosen", { widthMm: 11, pliesMm: [0.5] })).toMatch(/No strip 11 mm wide/);
  });
});
