import { formatMoney } from "../quantity";
import { type Findings, modelOf } from "./hypotheses";
import { faultIds, leadOf, logWeights, type Posterior, posteriorOf, presentChances } from "./posterior";
import type { TriageContext, TriageTable } from "./schema";
import { type BenchAccess, spentOn, type TestValue, testValues, yesGiven } from "./testValues";
import { NO_FAULT, NONE } from "./words";

export type { BenchAccess, TestValue } from "./testValues";

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

/** A test is done on a machine that runs. */
const runs = (t: TriageTable, id: string): boolean => {
  const f = t.findings.find((x) => x.id === id);
  return !f || f.runs === true || (f.power !== "isolated" && f.runs !== false);
};

/** Said before anything else where liquid went in. */
const LIQUID_FIRST =
  "Liquid: press no key. Mains out and pack off first; then open, clean, dry without heat. No test that wakes it before that is recorded.";
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
