import { readFileSync } from "node:fs";
import fc from "fast-check";
import { expect } from "vitest";
import {
  type Findings,
  NO_FAULT,
  NONE,
  NOTHING_KNOWN,
  type Outcome,
  posterior,
  type TriageContext,
  TriageTable,
} from "@/core/triage";
import { triageTable } from "./bench";
import { seededRandom } from "./randomActs";

export interface Case {
  name: string;
  context?: Partial<TriageContext>;
  findings: Findings;
  lead: string;
  within: [number, number];
  also?: Record<string, [number, number]>;
}
export const cases = JSON.parse(readFileSync("tests/triageCases.json", "utf8")) as Case[];
export const contextOf = (c: Partial<TriageContext> | undefined): TriageContext => ({ ...NOTHING_KNOWN, ...c });

/**
 * An independent slow reference: every set of faults, every way its causes can act, added up plainly. No logs, no factors,
 * no code shared with the product.
 */
export function enumerate(t: TriageTable, c: TriageContext, findings: Findings): Record<string, number> | null {
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

export const agrees = (t: TriageTable, c: TriageContext, f: Findings): void => {
  const slow = enumerate(t, c, f);
  const fast = posterior(t, c, f);
  if (slow === null) {
    expect(fast.contradiction).not.toBeNull();
    return;
  }
  expect(fast.contradiction).toBeNull();
  for (const r of fast.ranking) expect(Math.abs(r.p - (slow[r.fault] ?? 0)), r.fault).toBeLessThan(1e-9);
};

export const ids = triageTable.findings.map((f) => f.id);
export const outcome = fc.constantFrom<Outcome>("yes", "no", "unclear", "notDone");
export const answers = fc.dictionary(fc.constantFrom(...ids), outcome, { maxKeys: 10 });
export const context = fc.record({
  backlight: fc.constantFrom("led", "ccfl", "oled", "unknown"),
  touch: fc.constantFrom("yes", "no", "unknown"),
  age: fc.constantFrom("under2", "from2to5", "over5", "unknown"),
  happened: fc.constantFrom("drop", "pressure", "liquid", "wear", "nothing", "unknown"),
}) as fc.Arbitrary<TriageContext>;

/** A small model of its own, with few tests, on which every strategy can be enumerated. */
export function smallModel(seed: number): TriageTable {
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
