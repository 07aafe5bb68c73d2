import { againstScan } from "@tests/againstScan";
import { manyCodes, misread, scan } from "@tests/misreadCodes";
import { seededRandom } from "@tests/randomActs";
import { runs } from "@tests/scale";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CEILING, codeCostUnits, createCatalogueIndex, differenceWords, explainCode, flatCostUnits } from ".";

const words = (text: string, code: string) => explainCode(text, code).differences.map(differenceWords);

describe("cost of a misreading", () => {
  it("says what was read and what the catalogue has", () => {
    expect(words("GV14OFHB-K31", "GV140FHB-K31")).toEqual(["read O, catalogue has 0"]);
    expect(words("gv140fhb k3i", "GV140FHB-K31")).toEqual(["read I, catalogue has 1"]);
    expect(words("GV140FHB", "GV140FHB-K31")).toEqual(["the end K31 is cut off"]);
    expect(explainCode("GV140FHB", "GV140FHB-K31")).toMatchObject({ suffixMissing: true, cost: 0.25 });
    expect(words("P/N GV140FHB-K31 CHINA", "GV140FHB-K31")).toEqual(["caught PN before it", "caught CHINA behind it"]);
    expect(words("GV140FHBK3", "GV140FHB-K31")).toEqual(["the end 1 is cut off"]);
    expect(explainCode("(GV140) FHB-K31", "GV140FHB-K31").cost).toBe(0);
  });
  it("look-alikes are cheaper than mistakes, a cut end is one thing whatever its length", () => {
    expect(codeCostUnits("GV140FHB-K3I", "GV140FHB-K31")).toBeLessThan(codeCostUnits("GV140FHB-K36", "GV140FHB-K31"));
    expect(codeCostUnits("GV140FHBK", "GV140FHB-K31")).toBe(codeCostUnits("GV140FHB", "GV140FHB-K31"));
    // A stub is no code with its end cut off.
    expect(codeCostUnits("GV14", "GV140FHB-K31")).toBeGreaterThan(CEILING);
  });
  it("the quick cost equals the explained one, for any text and code", () => {
    const text = fc.string({ unit: fc.constantFrom(..."GVTQ0O1I8B5S2Z6GUVMN34"), maxLength: 24 });
    fc.assert(
      fc.property(text, text, (a, b) => {
        expect(flatCostUnits(a, b)).toBe(Math.round(explainCode(a, b).cost * 20));
      }),
      { numRuns: runs(2000) },
    );
  });
  it("the differences add up to the cost", () => {
    const r = seededRandom(3);
    const codes = manyCodes(300);
    const price = { lookAlike: 0.3, other: 1, missing: 1, caughtBefore: 0.6, caughtBehind: 0.6, cut: 0.25 } as Record<
      string,
      number
    >;
    for (let i = 0; i < runs(300); i++) {
      const e = explainCode(misread(codes[i]!, r), codes[Math.floor(r() * 300)]!);
      const sum = e.differences.reduce((total, d) => total + (d.kind === "extra" ? 0.8 * d.read.length : price[d.kind]!), 0);
      expect(e.cost).toBeLessThanOrEqual(sum + 1e-9);
      if (!e.differences.some((d) => d.kind === "extra")) expect(e.cost).toBeCloseTo(sum, 9);
    }
  });
});

describe("the index", () => {
  it("finds exactly what a scan of 100,000 codes finds, for limits 1, 5 and 20: first half of 100 queries", () => {
    againstScan(0, runs(50));
  }, 240_000);
  it("any codes, any text: equal to the scan, never an error", () => {
    const code = fc.string({ unit: fc.constantFrom(..."GVTQ0O1I8B5S-"), minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(
        fc.array(code, { maxLength: 40 }),
        fc.string({ unit: fc.constantFrom(..."GVTQ0O1I8B5S- z"), maxLength: 20 }),
        fc.constantFrom(1, 3, 20),
        (codes, text, limit) => {
          const usable = [...new Set(codes)].filter((c) => /[A-Z0-9]/.test(c));
          const fast = createCatalogueIndex(codes).search(text, limit);
          const slow = /[a-z0-9]/i.test(text) ? scan(usable, (c) => codeCostUnits(text, c), limit, CEILING) : [];
          expect(fast.map((h) => [h.code, Math.round(h.cost * 20)])).toEqual(slow.map((h) => [h.code, h.units]));
        },
      ),
      { numRuns: runs(400) },
    );
  });
  it("shows a family with its suffix cut off as equals", () => {
    const hits = createCatalogueIndex(["GV140FHB-K31", "GV140FHB-K36", "GV140FHB-K31G", "TQ140FHA-R08"]).search("GV140FHB", 1);
    expect(hits.map((h) => h.code)).toEqual(["GV140FHB-K31", "GV140FHB-K31G", "GV140FHB-K36"]);
    expect(new Set(hits.map((h) => h.cost)).size).toBe(1);
    expect(hits.every((h) => h.suffixMissing)).toBe(true);
  });
  it("an empty catalogue, an empty text and a limit of nothing find nothing", () => {
    expect(createCatalogueIndex([]).search("GV140", 5)).toEqual([]);
    expect(createCatalogueIndex(["GV140FHB-K31"]).search(" - ", 5)).toEqual([]);
    expect(createCatalogueIndex(["GV140FHB-K31"]).search("GV140FHB-K31", 0)).toEqual([]);
  });
});
