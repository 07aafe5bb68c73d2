import { triageTable } from "@tests/bench";
import { agrees, cases, contextOf } from "@tests/triageReference";
import { describe, expect, it } from "vitest";
import { posterior } from ".";

describe("worked cases", () => {
  it("are twenty or more", () => expect(cases.length).toBeGreaterThanOrEqual(20));
  for (const c of cases)
    it(c.name, () => {
      const p = posterior(triageTable, contextOf(c.context), c.findings);
      expect(p.ranking[0]!.fault).toBe(c.lead);
      expect(p.ranking[0]!.p).toBeGreaterThanOrEqual(c.within[0]);
      expect(p.ranking[0]!.p).toBeLessThanOrEqual(c.within[1]);
      for (const [fault, [lo, hi]] of Object.entries(c.also ?? {})) {
        const q = p.ranking.find((r) => r.fault === fault)!.p;
        expect(q).toBeGreaterThanOrEqual(lo);
        expect(q).toBeLessThanOrEqual(hi);
      }
      agrees(triageTable, contextOf(c.context), c.findings);
    });
});
