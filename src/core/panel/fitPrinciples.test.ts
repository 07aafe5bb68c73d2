import { readFileSync } from "node:fs";
import { type FitCase, fitPair } from "@tests/fitPair";
import { describe, expect, it } from "vitest";
import { compareFit, overallVerdict } from ".";

const cases = JSON.parse(readFileSync("tests/fitPrinciples.json", "utf8")) as FitCase[];

describe("pairs from the trade and from physics, written before the rules", () => {
  it("make more than 120 with those of the first round", () => {
    const first = JSON.parse(readFileSync("tests/fitCases.json", "utf8")) as FitCase[];
    expect(cases.length + first.length).toBeGreaterThanOrEqual(120);
    expect(new Set([...cases, ...first].map((c) => c.name)).size).toBe(cases.length + first.length);
    expect(cases.filter((c) => c.why.length < 10)).toEqual([]);
  });
  for (const c of cases)
    it(c.name, () => {
      const { old, candidate, build } = fitPair(c);
      const rows = compareFit(old, candidate, build);
      const o = overallVerdict(rows);
      for (const [field, verdict] of Object.entries(c.rows)) {
        const r = rows.find((x) => x.field === field)!;
        expect(r?.verdict, `${field}: ${r?.words}. ${r?.reason}`).toBe(verdict);
      }
      for (const [field, said] of Object.entries(c.says ?? {})) {
        const r = rows.find((x) => x.field === field)!;
        expect(`${r.words}. ${r.reason}`).toContain(said);
      }
      expect(o.kind, o.words).toBe(c.overall);
      if (c.conditional !== undefined) expect(o.conditional, o.words).toBe(c.conditional);
      if (c.changes !== undefined) expect(o.changes).toBe(c.changes);
      if (c.asks !== undefined) expect(o.asks).toBe(c.asks);
    });
});
