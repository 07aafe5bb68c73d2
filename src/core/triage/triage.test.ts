import { readFileSync } from "node:fs";
import { triageTable } from "@tests/bench";
import { seededRandom } from "@tests/randomActs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  advise,
  type Findings,
  findingsWithMarks,
  NO_FAULT,
  NONE,
  NOTHING_KNOWN,
  type Outcome,
  posterior,
  sensitivity,
  type TriageContext,
  TriageTable,
} from ".";

interface Case {
  name: string;
  context?: Partial<TriageContext>;
  findings: Findings;
  lead: string;
  within: [number, number];
  also?: Record<string, [number, number]>;
}
const cases = JSON.parse(readFileSync("tests/triageCases.json", "utf8")) as Case[];
const contextOf = (c: Partial<TriageContext> | undefined): TriageContext => ({ ...NOTHING_KNOWN, ...c });

/**
 * An independent slow reference: every set of faults, every way its causes can act, added up plainly. No logs, no factors,
 * no code shared with the product.
 */
function enumerate(t: TriageTable, c: TriageContext, findings: Findings): Record<string, number> | null {
  const weight = (id: string, prior: number) => {
    let w = prior;
    for (const f of t.priorFactors) {
      const [k, v] = Object.entries(f.when)[0]!;
      if ((c as Record<string, string>)[k] === v) w *= f.factors[id] ?? 1;
    }
    return w;
  };
  const w = t.faults.map((f) => weight(f.id, f.prior));
  const total = w.reduce((a, b) => a + b, 0);
  const sets: { ids: string[]; kind: string; prior: number }[] = [
    { ids: [], kind: NO_FAULT, prior: weight(NO_FAULT, t.noFault.prior) },
    { ids: [], kind: NONE, prior: weight(NONE, t.noneOfThese.prior) },
  ];
  t.faults.forEach((f, i) => {
    if (w[i]! > 0) sets.push({ ids: [f.id], kind: "faults", prior: w[i]! });
    for (let j = i + 1; j < t.faults.length; j++)
      if (w[i]! > 0 && w[j]! > 0)
        sets.push({ ids: [f.id, t.faults[j]!.id], kind: "faults", prior: (t.pairRate * w[i]! * w[j]!) / total });
  });
  const grouped = new Set(t.groups.flatMap((g) => g.members));
  const answered = (id: string) => findings[id] === "yes" || findings[id] === "no";
  let sum = 0;
  const mass: Record<string, number> = {};
  for (const s of sets) {
    let p = s.prior;
    for (const f of t.findings) {
      if (grouped.has(f.id) || !answered(f.id)) continue;
      // Not brought about by the leak, and by none of the causes.
      let quiet = 1 - (s.kind === NONE ? (f.none ?? f.leak!) : f.leak!);
      for (const id of s.ids) quiet *= 1 - (f.strength![id] ?? 0);
      p *= findings[f.id] === "yes" ? 1 - quiet : quiet;
    }
    for (const g of t.groups) {
      if (!g.members.some(answered)) continue;
      const tables = s.kind === NONE ? [g.none] : [g.leak, ...s.ids.flatMap((id) => (g.joint[id] ? [g.joint[id]!] : []))];
      // Every combination of what each cause brings about; an answer is yes when any cause does.
      const walk = (k: number, so: string): number => {
        if (k === tables.length)
          return g.members.every((m, i) => !answered(m) || (findings[m] === "yes") === (so[i] === "1")) ? 1 : 0;
        return Object.entries(tables[k]!).reduce(
          (a, [bits, q]) => a + q * walk(k + 1, [...so].map((x, i) => (x === "1" || bits[i] === "1" ? "1" : "0")).join("")),
          0,
        );
      };
      p *= walk(0, "0".repeat(g.members.length));
    }
    sum += p;
    for (const id of s.kind === "faults" ? s.ids : [s.kind]) mass[id] = (mass[id] ?? 0) + p;
  }
  if (sum === 0) return null;
  for (const k of Object.keys(mass)) mass[k]! /= sum;
  return mass;
}

const agrees = (t: TriageTable, c: TriageContext, f: Findings): void => {
  const slow = enumerate(t, c, f);
  const fast = posterior(t, c, f);
  if (slow === null) {
    expect(fast.contradiction).not.toBeNull();
    return;
  }
  expect(fast.contradiction).toBeNull();
  for (const r of fast.ranking) expect(Math.abs(r.p - (slow[r.fault] ?? 0)), r.fault).toBeLessThan(1e-9);
};

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

const ids = triageTable.findings.map((f) => f.id);
const outcome = fc.constantFrom<Outcome>("yes", "no", "unclear", "notDone");
const answers = fc.dictionary(fc.constantFrom(...ids), outcome, { maxKeys: 10 });
const context = fc.record({
  backlight: fc.constantFrom("led", "ccfl", "oled", "unknown"),
  touch: fc.constantFrom("yes", "no", "unknown"),
  age: fc.constantFrom("under2", "from2to5", "over5", "unknown"),
  happened: fc.constantFrom("drop", "pressure", "liquid", "wear", "nothing", "unknown"),
}) as fc.Arbitrary<TriageContext>;

describe("posterior", () => {
  it("equals the plain enumeration over the same sets to 1e-9, for any findings", () => {
    fc.assert(
      fc.property(context, answers, (c, f) => agrees(triageTable, c, f)),
      { numRuns: 60 },
    );
  }, 60_000);
  it("the order of evidence never changes it", () => {
    fc.assert(
      fc.property(context, answers, fc.nat(), (c, f, s) => {
        const random = seededRandom(s);
        const shuffled = Object.fromEntries(Object.entries(f).sort(() => random() - 0.5));
        expect(posterior(triageTable, c, shuffled)).toEqual(posterior(triageTable, c, f));
      }),
      { numRuns: 60 },
    );
  });
  it("unclear and not done never move it", () => {
    fc.assert(
      fc.property(context, answers, (c, f) => {
        const said = Object.fromEntries(Object.entries(f).filter(([, o]) => o === "yes" || o === "no"));
        expect(posterior(triageTable, c, f).ranking).toEqual(posterior(triageTable, c, said).ranking);
      }),
      { numRuns: 60 },
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
      { numRuns: 40 },
    );
  }, 60_000);
  it("no fault is never ruled out by silence, none of these is never paired", () => {
    const p = posterior(triageTable, NOTHING_KNOWN, {});
    expect(p.ranking.map((r) => r.fault)).toEqual(expect.arrayContaining([NONE, NO_FAULT]));
    for (const s of p.sets) if (s.faults.includes(NONE)) expect(s.faults).toHaveLength(1);
  });
});

/** A small model of its own, with few tests, on which every strategy can be enumerated. */
function smallModel(seed: number): TriageTable {
  const r = seededRandom(seed);
  const faults = ["a", "b", "c"];
  const strengths = () => Object.fromEntries(faults.map((f) => [f, Math.round(r() * 100) / 100]));
  return TriageTable.parse({
    format: "helvane.triage",
    version: 2,
    source: "made for a test",
    currency: "EUR",
    benchRateMinorPerHour: 6000,
    openMinutes: 5,
    pairRate: 0.2,
    missMinor: 3000,
    noFault: { name: "Nothing", prior: 5, advice: "x" },
    noneOfThese: { name: "None", prior: 5, advice: "x" },
    faults: faults.map((id) => ({ id, name: id, panel: id === "a", prior: 1 + Math.round(r() * 20), advice: "x" })),
    findings: [0, 1, 2, 3].map((i) => ({
      id: `t${i}`,
      name: `T${i}`,
      kind: "test",
      minutes: Math.round(r() * 12),
      riskMinor: Math.round(r() * 200),
      access: r() < 0.3 ? "opened" : "closed",
      strength: strengths(),
      leak: 0.05,
      none: 0.3,
    })),
    decisions: [
      { id: "da", name: "A", fixes: ["a"], wasteMinor: 9000 },
      { id: "db", name: "B", fixes: ["b"], wasteMinor: 5000 },
      { id: "dc", name: "C", fixes: ["c"], wasteMinor: 7000 },
      { id: "look", name: "Look", fixes: [], wasteMinor: 4000, final: false },
    ],
  });
}

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
      { numRuns: 80 },
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

describe("advice", () => {
  it("when none of these leads, it says look and never order", () => {
    const c = cases.find((x) => x.lead === NONE)!;
    const a = advise(triageTable, contextOf(c.context), c.findings);
    expect(["look", "test"]).toContain(a.next);
    expect(a.lead.panel).toBe(false);
    expect(a.sentence).not.toMatch(/order a panel/i);
  });
  it("overturn names answers that really put another fault in the lead", () => {
    const f: Findings = { dark: "yes", torchImage: "yes" };
    const a = advise(triageTable, contextOf({ backlight: "led" }), f);
    expect(a.overturn.length).toBeGreaterThan(0);
    for (const o of a.overturn) {
      const then = posterior(triageTable, contextOf({ backlight: "led" }), { ...f, [o.finding]: o.outcome });
      expect(then.ranking[0]!.fault).toBe(o.lead);
      expect(o.lead).not.toBe(a.lead.fault);
    }
  });
  it("a verdict on strong findings stands with every strength halved and doubled; a near tie does not", () => {
    expect(sensitivity(triageTable, contextOf({ happened: "drop" }), { cracks: "yes", blots: "yes" })).toEqual([]);
    const tie = cases.find((c) => c.lead === NONE)!;
    expect(sensitivity(triageTable, contextOf(tie.context), tie.findings).length).toBeGreaterThan(0);
  });
});

describe("marks are evidence", () => {
  const glass = { yMm: 10, heightMm: 174 };
  const mark = (kind: "crack" | "blot" | "lines" | "dim" | "deadTouch", more = {}) => ({
    kind,
    xMm: 100,
    yMm: 60,
    sizeMm: 40,
    direction: null,
    movesWithLid: false,
    ...more,
  });
  it("each kind answers its finding; place and direction tell more", () => {
    const of = (...marks: ReturnType<typeof mark>[]) => findingsWithMarks(triageTable, marks, glass, {});
    expect(of(mark("crack"))).toMatchObject({ cracks: "yes" });
    expect(of(mark("lines", { direction: "vertical" }))).toEqual({ linesVertical: "yes" });
    expect(of(mark("lines", { direction: "horizontal", movesWithLid: true }))).toEqual({
      linesHorizontal: "yes",
      flicker: "yes",
    });
    expect(of(mark("dim", { yMm: 150 }))).toMatchObject({ lowerEdgeDim: "yes" });
    expect(of(mark("dim")).lowerEdgeDim).toBeUndefined();
    expect(of(mark("deadTouch"))).toEqual({ deadTouch: "yes" });
    expect(findingsWithMarks(triageTable, [mark("dim", { yMm: 150 })], null, {}).lowerEdgeDim).toBeUndefined();
  });
  it("an answer by hand comes before a mark", () => {
    expect(findingsWithMarks(triageTable, [mark("crack")], glass, { cracks: "no" }).cracks).toBe("no");
  });
});

describe("the table", () => {
  const says = (change: (t: Record<string, never>) => void): string => {
    const t = JSON.parse(JSON.stringify(triageTable));
    change(t);
    const r = TriageTable.safeParse(t);
    return r.success ? "ok" : r.error.issues.map((i) => `${i.path.map(String).join(".")}: ${i.message}`).join("\n");
  };
  it("names what is wrong and where", () => {
    type T = {
      faults: { id: string; prior: number }[];
      groups: { joint: Record<string, Record<string, number>>; members: string[] }[];
      findings: { id: string; strength?: Record<string, number>; leak?: number; power: string }[];
      decisions: { fixes: string[] }[];
      meter: { finding: string; band: number[] }[];
    };
    const as = (f: (t: T) => void) => says(f as never);
    expect(as((t) => t.faults.push({ ...t.faults[0]! }))).toMatch(/faults\.12\.id: the id "panelCell" is used twice/);
    expect(
      as((t) => {
        t.groups[0]!.joint.panelBacklight!["111"] = 0.9;
      }),
    ).toMatch(/add up to 1\.\d+, expected 1/);
    expect(
      as((t) => {
        t.groups[0]!.members.push("ghost");
      }),
    ).toMatch(/there is no finding "ghost"/);
    expect(
      as((t) => {
        t.findings[0]!.strength!.ghost = 0.2;
      }),
    ).toMatch(/there is no fault "ghost"/);
    expect(
      as((t) => {
        t.findings[0]!.leak = 1.2;
      }),
    ).toMatch(/findings\.0\.leak/);
    expect(
      as((t) => {
        t.decisions[0]!.fixes.push("ghost");
      }),
    ).toMatch(/decisions\.0\.fixes/);
    expect(
      as((t) => {
        t.meter[0]!.band = [5, 1];
      }),
    ).toMatch(/does not lie within/);
    expect(
      as((t) => {
        t.faults[0]!.id = "noFault";
      }),
    ).toMatch(/may not be listed/);
    expect(as(() => undefined)).toBe("ok");
  });
});
