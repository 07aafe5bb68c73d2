import { formatMoney } from "../quantity";
import { answersOf, chanceOf, type Findings, modelOf, type TriageModel } from "./hypotheses";
import { faultIds, leadOf, logWeights, type Posterior, posteriorOf, presentChances } from "./posterior";
import type { TriageContext, TriageTable } from "./schema";
import { NO_FAULT, NONE } from "./words";

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

export interface Overturn {
  finding: string;
  name: string;
  outcome: "yes" | "no";
  /** Chance of that answer now. */
  p: number;
  /** What would lead then. */
  lead: string;
}

export interface Advice extends Posterior {
  lead: { fault: string; name: string; p: number; panel: boolean; advice: string };
  /** The decision with the least expected loss now. */
  decision: { id: string; name: string; expectedLossMinor: number };
  /** Chance that a new panel, and nothing else, ends it. */
  panelChance: number;
  /** `test`: do the first of `tests`. `decide`: no test is worth its minutes. `look`: the cause is in no list. */
  next: "test" | "decide" | "look" | "contradiction" | "liquid";
  /** What is bought or done for nothing when the decision is wrong. */
  ifWrong: string;
  /** Best first, only those worth their minutes. */
  tests: TestValue[];
  /** One sentence: what leads, why, what next. */
  sentence: string;
  /** Answers that would put another fault in the lead, likeliest first. */
  overturn: Overturn[];
}

export interface BenchAccess {
  /** The machine lies open as far as the board. */
  opened: boolean;
  /** Minutes to open it, from its plan; null takes the table's default. */
  openMinutes: number | null;
  /** Liquid went in and it was opened, cleaned and dried since. */
  liquidCleared?: boolean;
}

/** A test is done on a machine that runs. */
const runs = (t: TriageTable, id: string): boolean => {
  const f = t.findings.find((x) => x.id === id);
  return !f || f.runs === true || (f.power !== "isolated" && f.runs !== false);
};

/** Said before anything else where liquid went in. */
const LIQUID_FIRST =
  "Liquid: press no key. Mains out and pack off first; then open, clean, dry without heat. No test that wakes it before that is recorded.";

/** What a test takes: bench minutes (opening included when the machine is closed), its cost and its risk, in minor units. */
function spentOn(t: TriageTable, f: FindingSpec, access: BenchAccess): { minutes: number; minor: number } {
  const minutes = f.minutes + (f.access === "opened" && !access.opened ? (access.openMinutes ?? t.openMinutes) : 0);
  return { minutes, minor: (minutes / 60) * t.benchRateMinorPerHour + f.costMinor + f.riskMinor };
}

/** Chance of *yes* to a finding under each hypothesis, given the answers so far (a group's members depend on one another). */
function yesGiven(m: TriageModel, findings: Findings, id: string): Float64Array {
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
 */
function testValues(m: TriageModel, ps: Float64Array, findings: Findings, access: BenchAccess): TestValue[] {
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

/**
 * The advice at the bench: what leads, which test is worth most next or that none is, and what would overturn it.
 * @param t the fault model @param context what is known of the machine @param findings answers so far
 * @param access whether the machine lies open, and what opening takes in minutes
 * @example advise(table, NOTHING_KNOWN, { cracks: "yes" }).lead.fault // "panelCell"
 */
export function advise(
  t: TriageTable,
  context: TriageContext,
  findings: Findings,
  access: BenchAccess = { opened: false, openMinutes: null },
): Advice {
  const m = modelOf(t, context);
  const { posterior: post, ps } = posteriorOf(m, findings, logWeights(m, findings));
  const ids = faultIds(t);
  const present = presentChances(m, ps);
  const leadAt = leadOf(present);
  const top = post.ranking[0]!;
  const spec = t.faults.find((f) => f.id === top.fault);
  const lead = {
    ...top,
    panel: spec?.panel ?? false,
    advice: spec?.advice ?? (top.fault === NONE ? t.noneOfThese.advice : t.noFault.advice),
  };
  const losses = m.loss.map((l) => l.reduce((s, x, h) => s + x * ps[h]!, 0));
  const best = losses.reduce((b, x, i) => (x < losses[b]! ? i : b), 0);
  const decision = { id: t.decisions[best]!.id, name: t.decisions[best]!.name, expectedLossMinor: losses[best]! };
  const wet = (context.happened === "liquid" || findings.liquidMarks === "yes") && !access.liquidCleared;
  const values = (post.contradiction ? [] : testValues(m, ps, findings, access)).filter((v) => !wet || !runs(t, v.test));
  const worth = values.filter((v) => v.valueMinor > 0).sort((a, b) => b.valueMinor - a.valueMinor || (a.test < b.test ? -1 : 1));
  const tests = worth.length || wet ? worth : beforeOrder(t, t.decisions[best]!, values, findings, access);
  const overturn: Overturn[] = [];
  const then = new Float64Array(ps.length);
  if (!post.contradiction)
    for (const f of t.findings) {
      if (findings[f.id]) continue;
      const like = yesGiven(m, findings, f.id);
      for (const outcome of ["yes", "no"] as const) {
        let p = 0;
        for (let h = 0; h < then.length; h++) {
          then[h] = ps[h]! * (outcome === "yes" ? like[h]! : 1 - like[h]!);
          p += then[h]!;
        }
        if (p < 1e-6) continue;
        const at = leadOf(presentChances(m, then));
        if (at !== leadAt) overturn.push({ finding: f.id, name: f.name, outcome, p, lead: ids[at]! });
      }
    }
  overturn.sort((a, b) => b.p - a.p);
  const undecided = top.fault === NONE || !t.decisions[best]!.final;
  const next = wet ? "liquid" : post.contradiction ? "contradiction" : tests.length ? "test" : undecided ? "look" : "decide";
  const panel = new Set(t.faults.flatMap((f, i) => (f.panel ? [i] : [])));
  const panelChance = m.hypotheses.reduce(
    (s, h, i) => s + (h.faults.length > 0 && h.faults.every((f) => panel.has(f)) ? ps[i]! : 0),
    0,
  );
  return {
    ...post,
    lead,
    decision,
    panelChance,
    next,
    tests,
    overturn: overturn.slice(0, 6),
    ifWrong: ifWrongWords(t, t.decisions[best]!),
    sentence: sentenceOf(post, lead, next, tests[0]),
  };
}

/** What is proven before a panel is ordered, though the panel is as good as certain: that the rest works. */
function beforeOrder(
  t: TriageTable,
  d: TriageTable["decisions"][number],
  values: readonly TestValue[],
  findings: Findings,
  access: BenchAccess,
): TestValue[] {
  const panels = new Set(t.faults.flatMap((f) => (f.panel ? [f.id] : [])));
  if (!t.beforeOrder || !d.final || !d.fixes.some((f) => panels.has(f))) return [];
  const most = t.beforeOrder.mostShare * d.wasteMinor;
  return t.beforeOrder.tests.flatMap((id) => {
    const f = t.findings.find((x) => x.id === id);
    const v = values.find((x) => x.test === id);
    if (!f || !v || findings[id]) return [];
    const { minor } = spentOn(t, f, access);
    return minor > most
      ? []
      : [{ ...v, why: `Before anything is ordered: it proves that the rest works, for ${formatMoney(minor, t.currency)}.` }];
  });
}

/** What a wrong decision costs, in words. */
function ifWrongWords(t: TriageTable, d: TriageTable["decisions"][number]): string {
  const waste = formatMoney(d.wasteMinor, t.currency);
  return d.final
    ? `If that is wrong, about ${waste} is spent for nothing, and the machine comes back (${formatMoney(t.missMinor, t.currency)} more).`
    : `Looking closer costs about ${waste}, whatever it finds.`;
}

function sentenceOf(post: Posterior, lead: Advice["lead"], next: Advice["next"], test: TestValue | undefined): string {
  if (next === "liquid") return LIQUID_FIRST;
  if (post.contradiction) return post.contradiction;
  const because = post.ledger.find((l) => l.moved > 0.02);
  const why = because ? `, most of all because of: ${because.name.toLowerCase()} (${because.outcome})` : "";
  const pct = `${Math.round(lead.p * 100)} %`;
  const what =
    lead.fault === NO_FAULT ? "Nothing at fault leads" : lead.fault === NONE ? "A cause in no list leads" : `${lead.name} leads`;
  const then =
    next === "test"
      ? `Next: ${test!.name.toLowerCase()}, ${Math.round(test!.minutes)} min.`
      : next === "look"
        ? "Look closer; do not order."
        : "No test left is worth its minutes.";
  return `${what} with ${pct}${why}. ${then}`;
}
