import { triageTable } from "@tests/bench";
import { runs } from "@tests/scale";
import { contextOf, smallModel } from "@tests/triageReference";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { advise, type Findings, NO_FAULT, NONE, NOTHING_KNOWN, type Outcome, type TriageTable } from ".";

describe("next test", () => {
  /** Expected loss of the best decision, times the chance of these answers, from the plain enumeration of sets. */
  function weighted(t: TriageTable, f: Findings): { chance: number; loss: number } {
    const w = t.faults.map((x) => x.prior);
    const total = w.reduce((a, b) => a + b, 0);
    const sets: { ids: string[]; kind: string; prior: number }[] = [
      { ids: [], kind: NO_FAULT, prior: t.noFault.prior },
      { ids: [], kind: NONE, prior: t.noneOfThese.prior },
      ...t.faults.map((x, i) => ({ ids: [x.id], kind: "f", prior: w[i]! })),
    ];
    for (let i = 0; i < w.length; i++)
      for (let j = i + 1; j < w.length; j++)
        sets.push({ ids: [t.faults[i]!.id, t.faults[j]!.id], kind: "f", prior: (t.pairRate * w[i]! * w[j]!) / total });
    const all = sets.reduce((s, x) => s + x.prior, 0);
    const like = sets.map((s) =>
      t.findings.reduce((p, x) => {
        if (f[x.id] !== "yes" && f[x.id] !== "no") return p;
        const quiet = s.ids.reduce((q, id) => q * (1 - (x.strength![id] ?? 0)), 1 - (s.kind === NONE ? x.none! : x.leak!));
        return p * (f[x.id] === "yes" ? 1 - quiet : quiet);
      }, s.prior / all),
    );
    const loss = t.decisions.map((d) =>
      sets.reduce((sum, s, i) => {
        let l: number;
        if (!d.final) l = s.kind === NONE ? 0 : d.wasteMinor;
        else if (s.kind === NO_FAULT) l = d.endsNoFault ? 0 : d.wasteMinor;
        else if (s.kind === NONE) l = d.wasteMinor + t.missMinor;
        else {
          const left = s.ids.filter((id) => !d.fixes.includes(id)).length;
          l = (left === s.ids.length ? d.wasteMinor : 0) + left * t.missMinor;
        }
        return sum + like[i]! * l;
      }, 0),
    );
    return { chance: like.reduce((a, b) => a + b, 0), loss: Math.min(...loss) };
  }
  const spent = (t: TriageTable, id: string, opened: boolean) => {
    const f = t.findings.find((x) => x.id === id)!;
    return (
      ((f.minutes + (f.access === "opened" && !opened ? t.openMinutes : 0)) / 60) * t.benchRateMinorPerHour +
      f.costMinor +
      f.riskMinor
    );
  };
  /** Value of doing this test first and then the best second one, or none: every branch walked. */
  function worthOf(t: TriageTable, given: Findings, id: string): number {
    const base = weighted(t, given);
    let after = 0;
    for (const o of ["yes", "no"] as const) {
      const f1 = { ...given, [id]: o };
      let best = weighted(t, f1).loss;
      for (const g of t.findings) {
        if (g.id === id || f1[g.id]) continue;
        const opened = t.findings.find((x) => x.id === id)!.access === "opened";
        const second = (["yes", "no"] as const).reduce((s, o2) => s + weighted(t, { ...f1, [g.id]: o2 }).loss, 0);
        best = Math.min(best, second + weighted(t, f1).chance * spent(t, g.id, opened));
      }
      after += best;
    }
    return (base.loss - after) / base.chance - spent(t, id, false);
  }
  it("has the greatest value of all, two tests ahead, on small models enumerated by hand", () => {
    fc.assert(
      fc.property(
        fc.nat(1e6),
        fc.dictionary(fc.constantFrom("t0", "t1"), fc.constantFrom<Outcome>("yes", "no"), { maxKeys: 1 }),
        (seed, given) => {
          const t = smallModel(seed);
          const a = advise(t, NOTHING_KNOWN, given);
          const left = t.findings.filter((f) => !given[f.id]).map((f) => ({ id: f.id, v: worthOf(t, given, f.id) }));
          const best = Math.max(...left.map((x) => x.v));
          for (const x of a.tests) expect(x.valueMinor).toBeCloseTo(left.find((l) => l.id === x.test)!.v, 4);
          if (best > 1e-6) expect(a.tests[0]!.valueMinor).toBeCloseTo(best, 4);
          else expect(a.tests).toEqual([]);
        },
      ),
      { numRuns: runs(80) },
    );
  }, 60_000);
  it("two tests may pay only together", () => {
    const seen = Array.from({ length: 400 }, (_, i) => advise(smallModel(i), NOTHING_KNOWN, {})).flatMap((a) => a.tests);
    expect(seen.some((x) => x.aloneMinor <= 0 && x.valueMinor > 0)).toBe(true);
    expect(seen.every((x) => x.valueMinor >= x.aloneMinor - 1e-6)).toBe(true);
  });
  it("opening costs its minutes only once", () => {
    const f: Findings = { dark: "yes", torchImage: "yes", brightnessDead: "yes" };
    const value = (opened: boolean) =>
      advise(triageTable, contextOf({ backlight: "led" }), f, { opened, openMinutes: null }).tests.find(
        (x) => x.test === "fuseOpen",
      );
    expect(value(true)!.minutes).toBe(3);
    expect(value(false)!.minutes).toBe(3 + triageTable.openMinutes);
    expect(value(true)!.valueMinor).toBeGreaterThan(value(false)!.valueMinor);
  });
});
