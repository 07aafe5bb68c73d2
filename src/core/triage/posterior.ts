import { normalise } from "../chance";
import { answersOf, chanceOf, type Findings, modelOf, type Outcome, type TriageModel } from "./hypotheses";
import type { TriageContext, TriageTable } from "./schema";
import { NO_FAULT, NONE } from "./words";

export interface FaultChance {
  /** A fault id, `noneOfThese` or `noFault`. */
  fault: string;
  name: string;
  /** Chance that it is present, alone or with one other, 0 to 1. */
  p: number;
}

export interface LedgerRow {
  finding: string;
  name: string;
  outcome: Outcome;
  /** By how much this finding moved the leading fault's chance (-1 to 1), against the same findings without it. */
  moved: number;
  /** Another finding of its group says as much: this one moves nothing more. */
  saidAlready: boolean;
}

export interface Posterior {
  /** Likeliest first. Chances of listed faults can add up to more than 1, because two may be present. */
  ranking: FaultChance[];
  /** Chance of each set of faults, likeliest first, the ten likeliest; all sets add up to 1. */
  sets: { faults: string[]; p: number }[];
  ledger: LedgerRow[];
  /** Set when the findings are impossible together under every explanation. */
  contradiction: string | null;
}

/** Log weight of every hypothesis, factor by factor, so that one can be left out without doing the rest again. */
export interface LogWeights {
  total: Float64Array;
  byFactor: Map<number, Float64Array>;
}
/**
 * Logarithms of what each hypothesis weighs, all findings together and factor by factor.
 * @example logWeights(model, {}).total.length === model.hypotheses.length // true
 */
export function logWeights(m: TriageModel, findings: Findings): LogWeights {
  const total = Float64Array.from(m.hypotheses, (h) => Math.log(h.prior));
  const byFactor = new Map<number, Float64Array>();
  m.factors.forEach((f, i) => {
    const { mask, value } = answersOf(f, findings);
    if (mask === 0) return;
    const logs = new Float64Array(total.length);
    for (let h = 0; h < logs.length; h++) {
      logs[h] = Math.log(chanceOf(f, h, mask, value));
      total[h]! += logs[h]!;
    }
    byFactor.set(i, logs);
  });
  return { total, byFactor };
}

/**
 * Chance of every hypothesis given the findings, in the model's order; null on a contradiction.
 * @example hypothesisChances(model, {}).length === model.hypotheses.length // true
 */
export const hypothesisChances = (m: TriageModel, findings: Findings): Float64Array | null =>
  normalise(logWeights(m, findings).total);

/**
 * Chance that each listed fault is present, then none of these, then no fault, in the table's order.
 * @example presentChances(model, hypothesisChances(model, {})).length === faultIds(table).length // true
 */
export function presentChances(m: TriageModel, ps: Float64Array): Float64Array {
  const out = new Float64Array(m.table.faults.length + 2);
  const { first, second } = m.counts;
  for (let h = 0; h < ps.length; h++) {
    out[first[h]!]! += ps[h]!;
    if (second[h]! >= 0) out[second[h]!]! += ps[h]!;
  }
  return out;
}

/** Ids of all faults, with the two that are in no list last. @example faultIds(table).at(-1) // "noFault" */
export const faultIds = (t: TriageTable): string[] => [...t.faults.map((f) => f.id), NONE, NO_FAULT];
const nameOf = (t: TriageTable, id: string): string =>
  id === NONE ? t.noneOfThese.name : id === NO_FAULT ? t.noFault.name : t.faults.find((f) => f.id === id)!.name;

/** The place of the greatest chance. @example leadOf(Float64Array.of(0.2, 0.7, 0.1)) // 1 */
export const leadOf = (present: Float64Array): number => present.reduce((best, p, i) => (p > present[best]! ? i : best), 0);

/**
 * Chance of each fault given the findings, with what each finding moved. Exact over all sets, in log space.
 * The order of evidence never matters; *unclear* and *not done* never move anything.
 * @param t faults, priors and strengths
 * @param context what is known of the machine
 * @param findings answer per finding id; unknown ids are ignored
 * @returns on a contradiction the chances without any finding, with the contradiction named; never NaN
 * @example posterior(table, NOTHING_KNOWN, { cracks: "yes" }).ranking[0]?.fault // "panelCell"
 */
export function posterior(t: TriageTable, context: TriageContext, findings: Findings): Posterior {
  const m = modelOf(t, context);
  return posteriorOf(m, findings, logWeights(m, findings)).posterior;
}

/**
 * The same from a model and weights already made, with the chance of every hypothesis.
 * @example posteriorOf(model, {}, logWeights(model, {})).posterior.ranking.length // 14
 */
export function posteriorOf(
  m: TriageModel,
  findings: Findings,
  { total, byFactor }: LogWeights,
): { posterior: Posterior; ps: Float64Array } {
  const t = m.table;
  const now = normalise(total);
  const ps = now ?? hypothesisChances(m, {})!;
  const present = presentChances(m, ps);
  const ids = faultIds(t);
  const lead = leadOf(present);
  const ledger: LedgerRow[] = [];
  for (const f of t.findings) {
    const outcome = findings[f.id];
    if (!outcome) continue;
    let moved = 0;
    let saidAlready = false;
    const place = m.place.get(f.id)!;
    if (now && (outcome === "yes" || outcome === "no")) {
      const factor = m.factors[place.factor]!;
      const { mask, value } = answersOf(factor, findings);
      const rest = mask & ~(1 << place.bit);
      const mine = byFactor.get(place.factor)!;
      const other = new Float64Array(total.length);
      for (let h = 0; h < other.length; h++) {
        // Left out: an impossible hypothesis may be possible again.
        const left = mine[h] === Number.NEGATIVE_INFINITY ? logWithout(m, findings, place.factor, h) : total[h]! - mine[h]!;
        other[h] = rest === 0 ? left : left + Math.log(chanceOf(factor, h, rest, value & rest));
      }
      const without = normalise(other);
      moved = without ? present[lead]! - presentChances(m, without)[lead]! : 0;
      saidAlready = rest !== 0 && Math.abs(moved) < 0.005;
    }
    ledger.push({ finding: f.id, name: f.name, outcome, moved, saidAlready });
  }
  ledger.sort((a, b) => Math.abs(b.moved) - Math.abs(a.moved));
  const order = [...m.hypotheses.keys()].sort((a, b) => ps[b]! - ps[a]!).slice(0, 10);
  const result: Posterior = {
    ranking: ids
      .map((fault, i) => ({ fault, name: nameOf(t, fault), p: present[i]! }))
      .sort((a, b) => b.p - a.p || (a.fault < b.fault ? -1 : 1)),
    sets: order.map((h) => {
      const x = m.hypotheses[h]!;
      return {
        faults: x.kind === "none" ? [NONE] : x.kind === "noFault" ? [] : x.faults.map((i) => t.faults[i]!.id),
        p: ps[h]!,
      };
    }),
    ledger,
    contradiction: now ? null : "These findings cannot all be true under any explanation listed. Look again at one of them.",
  };
  return { posterior: result, ps };
}

/** Log weight of one hypothesis without one factor, from the start. */
function logWithout(m: TriageModel, findings: Findings, factor: number, h: number): number {
  let sum = Math.log(m.hypotheses[h]!.prior);
  m.factors.forEach((f, i) => {
    if (i === factor) return;
    const { mask, value } = answersOf(f, findings);
    sum += Math.log(chanceOf(f, h, mask, value));
  });
  return sum;
}
