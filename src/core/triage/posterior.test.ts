import { triageTable } from "@tests/bench";
import { seededRandom } from "@tests/randomActs";
import { runs } from "@tests/scale";
import { agrees, answers, context, contextOf } from "@tests/triageReference";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { advise, type Findings, NO_FAULT, NONE, NOTHING_KNOWN, posterior, TriageTable } from ".";

describe("posterior", () => {
  it("equals the plain enumeration over the same sets to 1e-9, for any findings", () => {
    fc.assert(
      fc.property(context, answers, (c, f) => agrees(triageTable, c, f)),
      { numRuns: runs(60) },
    );
  }, 60_000);
  it("the order of evidence never changes it", () => {
    fc.assert(
      fc.property(context, answers, fc.nat(), (c, f, s) => {
        const random = seededRandom(s);
        const shuffled = Object.fromEntries(Object.entries(f).sort(() => random() - 0.5));
        expect(posterior(triageTable, c, shuffled)).toEqual(posterior(triageTable, c, f));
      }),
      { numRuns: runs(60) },
    );
  });
  it("unclear and not done never move it", () => {
    fc.assert(
      fc.property(context, answers, (c, f) => {
        const said = Object.fromEntries(Object.entries(f).filter(([, o]) => o === "yes" || o === "no"));
        expect(posterior(triageTable, c, f).ranking).toEqual(posterior(triageTable, c, said).ranking);
      }),
      { numRuns: runs(60) },
    );
  });
  it("repeating a look never raises it: a second finding of a group adds less than it would by itself", () => {
    const p = (f: Findings) =>
      posterior(triageTable, contextOf({ backlight: "led" }), f).ranking.find((r) => r.fault === "panelBacklight")!.p;
    const odds = (x: number) => x / (1 - x);
    const base = odds(p({}));
    const dark = odds(p({ dark: "yes" })) / base;
    const torch = odds(p({ torchImage: "yes" })) / base;
    const both = odds(p({ dark: "yes", torchImage: "yes" })) / base;
    expect(both).toBeLessThan(dark * torch);
    // The same finding said again is the same finding.
    expect(p({ ...{ dark: "yes" as const }, dark: "yes" })).toBe(p({ dark: "yes" }));
  });
  it("a finding impossible under every explanation is a contradiction, never NaN", () => {
    const t = TriageTable.parse({
      ...triageTable,
      version: 2,
      beforeOrder: undefined,
      groups: [],
      priorFactors: [],
      meter: [],
      findings: [
        { id: "never", name: "Never", kind: "sign", strength: {}, leak: 0, none: 0 },
        { id: "sometimes", name: "Sometimes", kind: "test", minutes: 1, strength: { panelCell: 0.5 }, leak: 0.1 },
      ],
    });
    const a = advise(t, NOTHING_KNOWN, { never: "yes", sometimes: "yes" });
    expect(a.next).toBe("contradiction");
    expect(a.contradiction).toMatch(/Look again/);
    expect(JSON.stringify(a)).not.toMatch(/null,"p"|NaN/);
    for (const r of a.ranking) expect(Number.isFinite(r.p)).toBe(true);
    for (const l of a.ledger) expect(Number.isFinite(l.moved)).toBe(true);
  });
  it("chances of all sets add up to one, and the ledger says what each finding moved", () => {
    fc.assert(
      fc.property(context, answers, (c, f) => {
        const p = posterior(triageTable, c, f);
        for (const r of p.ranking) {
          expect(r.p).toBeGreaterThanOrEqual(0);
          expect(r.p).toBeLessThanOrEqual(1 + 1e-9);
        }
        for (const l of p.ledger) {
          if (l.outcome === "unclear" || l.outcome === "notDone") expect(l.moved).toBe(0);
          if (p.contradiction) continue;
          const { [l.finding]: _, ...rest } = f;
          const lead = p.ranking[0]!;
          const before = posterior(triageTable, c, rest).ranking.find((r) => r.fault === lead.fault)!.p;
          expect(Math.abs(l.moved - (lead.p - before))).toBeLessThan(1e-9);
        }
      }),
      { numRuns: runs(40) },
    );
  }, 60_000);
  it("no fault is never ruled out by silence, none of these is never paired", () => {
    const p = posterior(triageTable, NOTHING_KNOWN, {});
    expect(p.ranking.map((r) => r.fault)).toEqual(expect.arrayContaining([NONE, NO_FAULT]));
    for (const s of p.sets) if (s.faults.includes(NONE)) expect(s.faults).toHaveLength(1);
  });
});
