import { formatMoney } from "../quantity";
import { answersOf, chanceOf, type Findings, type TriageModel } from "./hypotheses";
import type { TriageTable } from "./schema";

type FindingSpec = TriageTable["findings"][number];

export interface TestValue {
  test: string;
  name: string;
  how: string;
  minutes: number;
  access: "closed" | "opened";
  power: "any" | "isolated" | "live";
  /** Expected loss it saves, with the best test that may follow, less minutes, cost and risk. Minor units. */
  valueMinor: number;
  /** The same, if no test may follow. */
  aloneMinor: number;
  why: string;
  caution?: string;
}

export interface BenchAccess {
  /** The machine lies open as far as the board. */
  opened: boolean;
  /** Minutes to open it, from its plan; null takes the table's default. */
  openMinutes: number | null;
  /** Liquid went in and it was opened, cleaned and dried since. */
  liquidCleared?: boolean;
}

/** What a test takes: bench minutes (opening included when the machine is closed), its cost and its risk, in minor units. @example spentOn(table, table.findings[0], { opened: true, openMinutes: null }).minutes // 0 */
export function spentOn(t: TriageTable, f: FindingSpec, access: BenchAccess): { minutes: number; minor: number } {
  const minutes = f.minutes + (f.access === "opened" && !access.opened ? (access.openMinutes ?? t.openMinutes) : 0);
  return { minutes, minor: (minutes / 60) * t.benchRateMinorPerHour + f.costMinor + f.riskMinor };
}

/** Chance of *yes* to a finding under each hypothesis, given the answers so far (a group's members depend on one another). @example yesGiven(model, {}, table.findings[0].id).length === model.hypotheses.length // true */
export function yesGiven(m: TriageModel, findings: Findings, id: string): Float64Array {
  const place = m.place.get(id)!;
  const f = m.factors[place.factor]!;
  const { mask, value } = answersOf(f, findings);
  const bit = 1 << place.bit;
  const out = new Float64Array(m.hypotheses.length);
  for (let h = 0; h < out.length; h++) {
    if (f.size === 2) out[h] = f.table[h * 2 + 1]!;
    else {
      const before = chanceOf(f, h, mask, value);
      out[h] = before > 0 ? chanceOf(f, h, mask | bit, value | bit) / before : 0;
    }
  }
  return out;
}

const minLoss = (losses: readonly number[]): number => Math.min(...losses);

/**
 * Values of the tests that are left, looking two ahead: after a first test the best second one may follow, or none.
 * Hypotheses with less than a billionth of the weight are left out of the look-ahead.
 * @example testValues(model, hypothesisChances(model, {}), {}, { opened: false, openMinutes: null }).length > 0 // true
 */
export function testValues(m: TriageModel, ps: Float64Array, findings: Findings, access: BenchAccess): TestValue[] {
  const { table: t } = m;
  const left = t.findings.filter((f) => f.kind === "test" && !findings[f.id]);
  const kept = [...ps.keys()].filter((h) => ps[h]! > 1e-9);
  const n = kept.length;
  const D = m.loss.length;
  const T = left.length;
  const pack = (full: Float64Array) => Float64Array.from(kept, (h) => full[h]!);
  const w = pack(ps);
  const weighed = m.loss.map((l) => Float64Array.from(kept, (h) => ps[h]! * l[h]!));
  const yes = left.map((f) => pack(yesGiven(m, findings, f.id)));
  const spent = left.map((f) => spentOn(t, f, access));
  const sum = (a: Float64Array) => {
    let s = 0;
    for (let i = 0; i < n; i++) s += a[i]!;
    return s;
  };
  const dot = (a: Float64Array, b: Float64Array) => {
    let s = 0;
    for (let i = 0; i < n; i++) s += a[i]! * b[i]!;
    return s;
  };
  const all = weighed.map(sum);
  const now = minLoss(all);
  // Weighed loss with one answer yes, and with two: the other branches follow by subtraction, because answers are
  // independent given the hypothesis (members of one group are not, and are asked anew below).
  const one = weighed.map((l) => Float64Array.from(yes, (y) => dot(l, y)));
  const two = weighed.map(() => new Float64Array(T * T));
  const row = new Float64Array(n);
  for (let d = 0; d < D; d++)
    for (let a = 0; a < T; a++) {
      const l = weighed[d]!;
      const y = yes[a]!;
      for (let i = 0; i < n; i++) row[i] = l[i]! * y[i]!;
      for (let b = a + 1; b < T; b++) {
        const both = dot(row, yes[b]!);
        two[d]![a * T + b] = both;
        two[d]![b * T + a] = both;
      }
    }
  return left.map((f, a) => {
    let alone = 0;
    let ahead = 0;
    const place = m.place.get(f.id)!;
    const chanceYes = dot(w, yes[a]!);
    const opened = { ...access, opened: access.opened || f.access === "opened" };
    for (const outcome of ["yes", "no"] as const) {
      const isYes = outcome === "yes";
      const chance = isYes ? chanceYes : 1 - chanceYes;
      const base = Array.from({ length: D }, (_, d) => (isYes ? one[d]![a]! : all[d]! - one[d]![a]!));
      const stop = minLoss(base);
      alone += stop;
      let best = stop;
      for (let b = 0; b < T; b++) {
        if (b === a) continue;
        const g = left[b]!;
        const related = m.place.get(g.id)!.factor === place.factor;
        const like2 = related ? pack(yesGiven(m, { ...findings, [f.id]: outcome }, g.id)) : null;
        let yesLoss = Number.POSITIVE_INFINITY;
        let noLoss = Number.POSITIVE_INFINITY;
        for (let d = 0; d < D; d++) {
          let y: number;
          if (like2) {
            y = 0;
            const l = weighed[d]!;
            const y1 = yes[a]!;
            for (let i = 0; i < n; i++) y += l[i]! * (isYes ? y1[i]! : 1 - y1[i]!) * like2[i]!;
          } else {
            const both = two[d]![a * T + b]!;
            y = isYes ? both : one[d]![b]! - both;
          }
          if (y < yesLoss) yesLoss = y;
          if (base[d]! - y < noLoss) noLoss = base[d]! - y;
        }
        const after = yesLoss + noLoss + chance * spentOn(t, g, opened).minor;
        if (after < best) best = after;
      }
      ahead += best;
    }
    const { minutes, minor } = spent[a]!;
    return {
      test: f.id,
      name: f.name,
      how: f.how,
      minutes,
      access: f.access,
      power: f.power,
      valueMinor: now - ahead - minor,
      aloneMinor: now - alone - minor,
      why: `Saves ${formatMoney(now - ahead, t.currency)} of wrong decisions for ${formatMoney(minor, t.currency)} of bench time and risk.`,
      ...(f.caution ? { caution: f.caution } : {}),
    };
  });
}
