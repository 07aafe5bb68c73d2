import type { TriageTable } from "./schema";

export type Outcome = "yes" | "no" | "unclear" | "notDone";
export type Findings = Readonly<Record<string, Outcome>>;

export interface FaultChance {
  fault: string;
  name: string;
  p: number;
}

export interface LedgerRow {
  finding: string;
  name: string;
  outcome: Outcome;
  /** By how much this finding moved the leading fault's probability (0 to 1), against the same findings without it. */
  moved: number;
  /** Left out because another finding of its group says more. */
  countedOnce: boolean;
}

export interface Posterior {
  ranking: FaultChance[];
  ledger: LedgerRow[];
  /** Set when the findings are impossible together under every fault. */
  contradiction: string | null;
}

type FindingSpec = TriageTable["findings"][number];

const pYes = (f: FindingSpec, fault: string): number => f.yes[fault] ?? f.otherwise;
const likelihood = (f: FindingSpec, outcome: "yes" | "no", fault: string): number =>
  outcome === "yes" ? pYes(f, fault) : 1 - pYes(f, fault);

/** How far apart the faults are under one outcome: the range of the log likelihood (infinite when a fault is ruled out). */
function strength(t: TriageTable, f: FindingSpec, outcome: "yes" | "no"): number {
  const ls = t.faults.map((x) => likelihood(f, outcome, x.id));
  const least = Math.min(...ls);
  const most = Math.max(...ls);
  return most === 0 ? Number.POSITIVE_INFINITY : least === 0 ? Number.MAX_VALUE : Math.log(most / least);
}

/** The findings that count: answered yes or no, one per group, in table order (so the order of entry never matters). */
function counting(t: TriageTable, findings: Findings): { spec: FindingSpec; outcome: "yes" | "no" }[] {
  const best = new Map<string, { spec: FindingSpec; outcome: "yes" | "no"; s: number }>();
  for (const spec of t.findings) {
    const outcome = findings[spec.id];
    if (outcome !== "yes" && outcome !== "no") continue;
    const key = spec.group ?? `one:${spec.id}`;
    const s = strength(t, spec, outcome);
    const before = best.get(key);
    if (!before || s > before.s) best.set(key, { spec, outcome, s });
  }
  return [...best.values()];
}

function chances(t: TriageTable, used: readonly { spec: FindingSpec; outcome: "yes" | "no" }[]): number[] | null {
  const logs = t.faults.map((x) => {
    let sum = Math.log(x.prior);
    for (const u of used) sum += Math.log(likelihood(u.spec, u.outcome, x.id));
    return sum;
  });
  const top = Math.max(...logs);
  if (top === Number.NEGATIVE_INFINITY) return null;
  const weights = logs.map((l) => Math.exp(l - top));
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / total);
}

/**
 * Probability of each fault given the findings, with what each finding moved. One fault at a time, exact, in log space.
 * *unclear* and *not done* never move anything; findings of one group count once, by the strongest.
 * @param table faults, priors and likelihoods
 * @param findings answer per finding id; unknown ids are ignored
 * @returns ranking from likeliest down (sums to 1); on a contradiction the prior, with the contradiction named
 * @example posterior(table, { cracks: "yes" }).ranking[0]?.fault // "panelCell"
 */
export function posterior(table: TriageTable, findings: Findings): Posterior {
  const used = counting(table, findings);
  const now = chances(table, used);
  const ps = now ?? chances(table, [])!;
  const ranking = table.faults
    .map((f, i) => ({ fault: f.id, name: f.name, p: ps[i]! }))
    .sort((a, b) => b.p - a.p || (a.fault < b.fault ? -1 : 1));
  const lead = table.faults.findIndex((f) => f.id === ranking[0]!.fault);
  const usedIds = new Set(used.map((u) => u.spec.id));
  const ledger: LedgerRow[] = [];
  for (const spec of table.findings) {
    const outcome = findings[spec.id];
    if (!outcome) continue;
    const without = usedIds.has(spec.id)
      ? chances(
          table,
          used.filter((u) => u.spec.id !== spec.id),
        )
      : null;
    ledger.push({
      finding: spec.id,
      name: spec.name,
      outcome,
      moved: now && without ? ps[lead]! - without[lead]! : 0,
      countedOnce: (outcome === "yes" || outcome === "no") && !usedIds.has(spec.id),
    });
  }
  ledger.sort((a, b) => Math.abs(b.moved) - Math.abs(a.moved));
  return {
    ranking,
    ledger,
    contradiction: now ? null : "These findings cannot all be true under any fault listed. Look again at one of them.",
  };
}

/** Smallest expected loss over the decisions, in minor units, for chances in the order of `table.faults`. */
function bestLoss(t: TriageTable, ps: readonly number[]): { decision: string; name: string; loss: number } {
  let best = { decision: "", name: "", loss: Number.POSITIVE_INFINITY };
  for (const d of t.decisions) {
    const loss = t.faults.reduce((sum, f, i) => sum + ps[i]! * (d.lossMinor[f.id] ?? d.otherwise), 0);
    if (loss < best.loss) best = { decision: d.id, name: d.name, loss };
  }
  return best;
}

export interface TestValue {
  test: string;
  name: string;
  how: string;
  minutes: number;
  /** Expected loss saved, less time and risk, in minor units. */
  valueMinor: number;
  why: string;
  caution?: string;
}

export interface NextTest {
  decision: { id: string; name: string; expectedLossMinor: number };
  /** Best first; empty when none is worth its time. */
  tests: TestValue[];
}

/**
 * The decision with the least expected loss now, and what each test left undone is worth:
 * expected loss now - expected loss after it - its minutes at the bench rate - its risk.
 * @returns tests with a positive value only, the greatest first
 * @example nextTest(table, {}).tests[0]?.test // "externalScreen"
 */
export function nextTest(table: TriageTable, findings: Findings): NextTest {
  const used = counting(table, findings);
  const ps = chances(table, used) ?? chances(table, [])!;
  const now = bestLoss(table, ps);
  const tests: TestValue[] = [];
  for (const spec of table.findings) {
    if (spec.kind !== "test" || findings[spec.id] !== undefined) continue;
    let after = 0;
    for (const outcome of ["yes", "no"] as const) {
      const weight = table.faults.reduce((sum, f, i) => sum + ps[i]! * likelihood(spec, outcome, f.id), 0);
      if (weight === 0) continue;
      const next = chances(table, counting(table, { ...findings, [spec.id]: outcome }));
      if (next) after += weight * bestLoss(table, next).loss;
    }
    const spent = (spec.minutes / 60) * table.benchRateMinorPerHour + spec.riskMinor;
    const valueMinor = now.loss - after - spent;
    if (valueMinor > 0)
      tests.push({
        test: spec.id,
        name: spec.name,
        how: spec.how,
        minutes: spec.minutes,
        valueMinor,
        why: `Saves ${((now.loss - after) / 100).toFixed(2)} of wrong decisions for ${(spent / 100).toFixed(2)} ${table.currency} of bench time.`,
        ...(spec.caution ? { caution: spec.caution } : {}),
      });
  }
  tests.sort((a, b) => b.valueMinor - a.valueMinor || (a.test < b.test ? -1 : 1));
  return { decision: { id: now.decision, name: now.name, expectedLossMinor: now.loss }, tests };
}
