import { normalise } from "../chance";
import { answersOf, chanceOf, type Findings, factorOf, modelOf } from "./hypotheses";
import { faultIds, leadOf, logWeights, presentChances } from "./posterior";
import type { TriageContext, TriageTable } from "./schema";

export interface Fragile {
  finding: string;
  name: string;
  change: "halved" | "doubled";
  /** What leads then. */
  lead: string;
}

/**
 * How the verdict stands when the strengths behind each finding (or its group) are halved and doubled.
 * @returns the changes that put another fault in the lead; empty when the verdict stands, or on a contradiction
 * @example sensitivity(table, NOTHING_KNOWN, { cracks: "yes", blots: "yes" }) // []
 */
export function sensitivity(t: TriageTable, context: TriageContext, findings: Findings): Fragile[] {
  const m = modelOf(t, context);
  const { total, byFactor } = logWeights(m, findings);
  const now = normalise(total);
  if (!now) return [];
  const lead = leadOf(presentChances(m, now));
  const out: Fragile[] = [];
  const logs = new Float64Array(total.length);
  for (const [at, mine] of byFactor) {
    const f = m.factors[at]!;
    const { mask, value } = answersOf(f, findings);
    const spec = t.findings.find((x) => f.members.includes(x.id) && findings[x.id] !== undefined)!;
    for (const [by, change] of [
      [0.5, "halved"],
      [2, "doubled"],
    ] as const) {
      const other = factorOf(t, m.hypotheses, f.members, by);
      for (let h = 0; h < logs.length; h++)
        logs[h] =
          mine[h] === Number.NEGATIVE_INFINITY ? total[h]! : total[h]! - mine[h]! + Math.log(chanceOf(other, h, mask, value));
      const ps = normalise(logs);
      if (!ps) continue;
      const then = leadOf(presentChances(m, ps));
      if (then !== lead) out.push({ finding: spec.id, name: spec.name, change, lead: faultIds(t)[then]! });
    }
  }
  return out;
}
