import { type BuildIndex, hiddenBySeat, isMend, mendHolds, mendId, partsHeld } from "../build";
import { type Aim, aimOf, buildOf, type JobView } from "../job";
import type { Plan } from "./plan";
import { type Step, type StepKind, stepId } from "./step";
import { makeStep, stepDone } from "./steps";

/** Steps of the way back that undo what was opened, each with what tells that it was. */
const UNDOES: ReadonlySet<StepKind> = new Set([
  "partBack",
  "screwsBack",
  "screwsTighten",
  "cableOn",
  "turnBack",
  "partTape",
  "backAct",
]);

/** One step of what is being done, and whether it is. */
export interface AimStep {
  step: Step;
  done: boolean;
}

/**
 * The steps to do under what the hands are after: the whole plan, the way to the label on the old one's back, or everything that
 * is open closed again with the old one in.
 * @returns the aim and its steps in order
 * @example aimSteps(view, plan).aim // "swap"
 */
export function aimSteps(v: JobView, plan: Plan): { aim: Aim; steps: AimStep[] } {
  const b = buildOf(v);
  const at = b && { ...v, s: v.state, b };
  const aim = b ? aimOf(v.state, b) : "swap";
  if (!at || aim === "swap") {
    const all = [...plan.out, ...plan.in];
    return { aim: "swap", steps: all.map((step) => ({ step, done: at ? stepDone(at, step) : false })) };
  }
  const planned = { b: at.b, changes: [] };
  if (aim === "label") {
    const own = new Set([stepId("partOut", b!.subject.id), ...b!.subjectConnectors.map((c) => stepId("cableOff", c.id))]);
    const steps = [...plan.out.filter((s) => !own.has(s.id)), makeStep(planned, "labelSeen")];
    return { aim, steps: steps.map((step) => ({ step, done: stepDone(at, step) })) };
  }
  return { aim, steps: closing(at, plan) };
}

/** What was opened, in the order of the way back; the old one in the place of the new. */
function closing(v: JobView & { s: JobView["state"]; b: BuildIndex }, plan: Plan): AimStep[] {
  const { s, b } = v;
  const group = (id: string) => b.group.get(id)?.screws.map((x) => s.screws[x.id]) ?? [];
  /** Home, not home, or never touched. */
  const home = (x: Step): boolean | null => {
    switch (x.kind) {
      case "partBack":
        return s.parts[x.target] ? s.parts[x.target] === "back" : null;
      case "screwsBack":
      case "screwsTighten":
        return group(x.target).some(Boolean) ? group(x.target).every((st) => st !== "out" && st !== "loosened") : null;
      case "cableOn":
        return s.connectors[x.target] ? s.connectors[x.target] === "on" : null;
      case "turnBack":
        return s.turned[x.target] ? s.turned[x.target] === "back" : null;
      // Acts of a new one are not done for the old; what was mended is waited for either way.
      case "backAct":
        return isMend(x.target) ? !!s.backActs[x.target] : null;
      case "partTape": {
        const t = b.tape.get(x.target);
        return t && s.tapesOut[t.id] ? s.parts[t.holds] === "back" || !!s.close.taped[t.id] : null;
      }
      default:
        return null;
    }
  };
  const rows = plan.in.flatMap((step): AimStep[] => {
    const done = UNDOES.has(step.kind) ? home(step) : null;
    return done === null ? [] : [{ step, done }];
  });
  const away = s.subject === "out" || s.parts[b.subject.id] === "folded";
  const old: AimStep[] = away ? [{ step: makeStep({ b, changes: [] }, "oldBack"), done: false }] : [];
  const deep = behindSubject(b);
  // A shell that was mended is seen to hold before the old one rests on it.
  for (const m of s.mends) if (mendHolds(b.build, m).seat) deep.add(stepId("backAct", mendId(m)));
  const first = rows.filter((r) => deep.has(r.step.id));
  // A machine that runs is off before a hand goes in.
  const off: AimStep[] = (["shutDown", "mainsOut"] as const).map((kind) => {
    const step = makeStep({ b, changes: [] }, kind);
    return { step, done: kind === "shutDown" ? s.bench.shutDown : s.bench.mains === "out" };
  });
  return [...off, ...first, ...old, ...rows.filter((r) => !first.includes(r))];
}

/** Steps back of what lies behind what is replaced: nobody reaches it once that is in. */
function behindSubject(b: BuildIndex): Set<string> {
  const parts = new Set<string>();
  const walk = [b.subject.id];
  while (walk.length) {
    const over = walk.pop()!;
    for (const p of b.build.parts)
      if (p.blockedBy.includes(over) && !parts.has(p.id)) {
        parts.add(p.id);
        walk.push(p.id);
      }
  }
  const deep = (under: readonly string[]) => under.some((u) => u === b.subject.id || parts.has(u));
  return new Set([
    ...[...parts].map((p) => stepId("partBack", p)),
    ...b.build.screwGroups
      .filter((g) => deep(g.under) || partsHeld(g).some((p) => parts.has(p)))
      .flatMap((g) => [stepId("screwsBack", g.id), stepId("screwsTighten", g.id)]),
    ...b.build.connectors
      .filter((c) => c.joins[0] !== b.subject.id && (hiddenBySeat(b.build, c) || deep(c.under) || parts.has(c.joins[0])))
      .map((c) => stepId("cableOn", c.id)),
  ]);
}
