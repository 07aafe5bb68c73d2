import { readFileSync } from "node:fs";
import { triageTable } from "@tests/bench";
import { agrees, type Case, contextOf, cases as first } from "@tests/triageReference";
import { describe, expect, it } from "vitest";
import { advise, NOTHING_KNOWN, posterior } from ".";

interface Story extends Omit<Case, "within"> {
  /** What each of two readers would say of the lead's chance. */
  readers: [[number, number], [number, number]];
  why: string;
}
const stories = JSON.parse(readFileSync("tests/triageStories.json", "utf8")) as Story[];

/** How far a chance lies outside what both readers allow. */
const off = (p: number, readers: Story["readers"]) =>
  Math.max(0, Math.min(...readers.map((r) => r[0])) - p, p - Math.max(...readers.map((r) => r[1])));

describe("stories told by two readers before the table", () => {
  it("make sixty or more with the worked cases", () => {
    expect(stories.length + first.length).toBeGreaterThanOrEqual(60);
    expect(triageTable.version).toBe(3);
  });
  for (const c of stories)
    it(c.name, () => {
      const p = posterior(triageTable, contextOf(c.context), c.findings);
      const said = p.ranking.slice(0, 4).map((r) => `${r.fault} ${r.p.toFixed(2)}`);
      expect(p.ranking[0]!.fault, said.join(", ")).toBe(c.lead);
      expect(off(p.ranking[0]!.p, c.readers), said.join(", ")).toBe(0);
      for (const [fault, [lo, hi]] of Object.entries(c.also ?? {})) {
        const q = p.ranking.find((r) => r.fault === fault)!.p;
        expect(q, fault).toBeGreaterThanOrEqual(lo);
        expect(q, fault).toBeLessThanOrEqual(hi);
      }
      agrees(triageTable, contextOf(c.context), c.findings);
    });
});

describe("the order of looks", () => {
  it("an external screen comes before ordering, however plainly the glass is cracked", () => {
    const a = advise(triageTable, NOTHING_KNOWN, { cracks: "yes", blots: "yes" });
    expect(a.tests[0]!.test).toBe("externalWrong");
    expect(a.next).toBe("test");
    expect(advise(triageTable, NOTHING_KNOWN, { cracks: "yes", blots: "yes", externalWrong: "no" }).next).toBe("decide");
    expect(advise(triageTable, NOTHING_KNOWN, { cracks: "yes", blots: "yes", externalWrong: "unclear" }).next).toBe("decide");
  });
  it("unless its cost says no", () => {
    const dear = {
      ...triageTable,
      findings: triageTable.findings.map((f) => (f.id === "externalWrong" ? { ...f, minutes: 60 } : f)),
    };
    expect(advise(dear, NOTHING_KNOWN, { cracks: "yes", blots: "yes" }).next).toBe("decide");
  });
  it("a front unit is ordered where touch is part of the glass, and nowhere else", () => {
    const findings = { cracks: "yes", deadTouch: "yes", blots: "yes", externalWrong: "no" } as const;
    const inGlass = { ...NOTHING_KNOWN, touch: "yes" as const, touchKind: "inGlass" as const };
    expect(advise(triageTable, inGlass, findings).decision.id).toBe("frontUnit");
    expect(advise(triageTable, { ...inGlass, touchKind: "separate" }, findings).decision.id).not.toBe("frontUnit");
    expect(advise(triageTable, NOTHING_KNOWN, findings).decision.id).not.toBe("frontUnit");
  });
});
