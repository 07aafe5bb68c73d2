import { type Build, indexBuild } from "../build";
import { type P50P80, sumLogNormal } from "../chance";
import { DRIVE_WORDS, type PlanChange, type Step, stepId } from "./step";
import { wayIn } from "./wayIn";
import { type Objective, wayOut } from "./wayOut";
import { PLAN_WEIGHTS, type PlanWeights } from "./weights";

export interface Plan {
  out: Step[];
  in: Step[];
  skipped: (Step & { cost: number })[];
  /** What the way out is worth, and the proof that nothing beats it. */
  objective: Objective;
  minutes: P50P80;
  /** What the build says of the way back and no step stands for, in words. */
  warnings: string[];
  /** What has to lie ready: tools, and with `mm` what is used up of tape. */
  tools: { name: string; for: string; mm?: number }[];
}
export type PlanResult = { ok: true; plan: Plan } | { ok: false; problem: string };

const cache = new WeakMap<Build, Map<string, PlanResult>>();

/**
 * The whole plan for "panel out, new one in": way out, way back, tools, time.
 * Minutes are the build's medians through a log-normal with a shared factor (adj); no timed job is used.
 * @param build a sound build
 * @param changes what the new panel asks for beside a plain swap: parts to fetch, steps, minutes
 * @param weights what the shop weighs against each other; missing = the defaults
 * @param also leads that are to come off as well, by id: one gone after because a check failed
 * @param budget partial orders the search may look at; missing = as many as a quarter of a second allows
 * @returns the plan, or what stands in the way in words; never throws
 * @example makePlan(build).plan.minutes.p80 > makePlan(build).plan.minutes.p50 // true
 */
export function makePlan(
  build: Build,
  changes: readonly PlanChange[] = [],
  budget?: number,
  weights: PlanWeights = PLAN_WEIGHTS,
  also: readonly string[] = [],
): PlanResult {
  const plans = cache.get(build) ?? new Map<string, PlanResult>();
  cache.set(build, plans);
  const key = JSON.stringify([budget, weights, also, ...changes.map((c) => [c.field, c.act, c.part, c.minutes, c.at])]);
  const known = plans.get(key);
  if (known) return known;
  const result = compute(build, changes, budget, weights, also);
  plans.set(key, result);
  return result;
}

function compute(
  build: Build,
  changes: readonly PlanChange[],
  budget: number | undefined,
  weights: PlanWeights,
  also: readonly string[],
): PlanResult {
  const out = wayOut(build, { weights, also, ...(budget === undefined ? {} : { budget }) });
  if (!out.ok) return out;
  const back = wayIn(build, out.steps, changes);
  if (!back.ok) return back;
  const all = [...out.steps, ...back.steps];
  const tools = new Map<string, string[]>();
  for (const s of all) for (const t of toolsOf(s)) tools.set(t, [...(tools.get(t) ?? []), s.title]);
  for (const p of build.parts)
    if (p.fate === "replaced" && back.steps.some((s) => s.id === stepId("partBack", p.id)))
      tools.set(`New ${p.name.toLowerCase()}`, [`Put on the new ${p.name.toLowerCase()}`]);
  for (const c of changes) if (!c.part.startsWith("none")) tools.set(c.part[0]!.toUpperCase() + c.part.slice(1), [c.act]);
  return {
    ok: true,
    plan: {
      out: out.steps,
      in: back.steps,
      skipped: out.skipped,
      objective: out.objective,
      warnings: back.warnings,
      minutes: sumLogNormal(all.map((s) => s.minutes)),
      tools: [...[...tools].map(([name, uses]) => ({ name, for: uses[0]! })), ...usedUp(all)],
    },
  };
}

/** Every tool of a step: its own, and those beside it. */
const toolsOf = (s: Step): string[] => [...new Set([...(s.tool ? [s.tool] : []), ...(s.tools ?? [])])];

/** What is used up in all, by name. */
function usedUp(steps: readonly Step[]): Plan["tools"] {
  const rows = new Map<string, { name: string; for: string; mm: number }>();
  for (const s of steps)
    for (const u of s.uses ?? []) {
      const row = rows.get(u.name) ?? { name: u.name, for: s.title, mm: 0 };
      rows.set(u.name, { ...row, mm: row.mm + u.mm });
    }
  return [...rows.values()];
}

/** Drivers and bits of a screw group, in words. @example bitsOf(build, "base-screws") // ["Cross recess PH00"] */
export function bitsOf(build: Build, group: string): string[] {
  const b = indexBuild(build);
  const g = b.group.get(group);
  if (!g) return [];
  return [...new Set(g.screws.map((s) => b.screwType.get(s.type)!).map((t) => `${DRIVE_WORDS[t.drive]} ${t.size}`))];
}
