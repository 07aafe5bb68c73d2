import { type Build, indexBuild } from "../build";
import { type P50P80, sumLogNormal } from "../quantity";
import { DRIVE_WORDS, type Step, type StepStation } from "./step";
import { wayIn } from "./wayIn";
import { wayOut } from "./wayOut";

export interface Plan {
  out: Step[];
  in: Step[];
  skipped: Step[];
  minutes: P50P80;
  tools: { name: string; for: string }[];
}
export type PlanResult = { ok: true; plan: Plan } | { ok: false; problem: string };

const cache = new WeakMap<Build, PlanResult>();

/**
 * The whole plan for "panel out, new one in": way out, way back, tools, time.
 * Minutes are the build's medians through a log-normal with a shared factor (adj); no timed job is used.
 * @param build a sound build
 * @returns the plan, or what stands in the way in words; never throws
 * @example makePlan(build).plan.minutes.p80 // 52.4
 */
export function makePlan(build: Build): PlanResult {
  const known = cache.get(build);
  if (known) return known;
  const result = compute(build);
  cache.set(build, result);
  return result;
}

function compute(build: Build): PlanResult {
  const out = wayOut(build);
  if (!out.ok) return out;
  let back: Step[];
  try {
    back = wayIn(build, out.steps);
  } catch (e) {
    return { ok: false, problem: (e as Error).message };
  }
  const all = [...out.steps, ...back];
  const tools = new Map<string, string[]>();
  for (const s of all) if (s.tool) tools.set(s.tool, [...(tools.get(s.tool) ?? []), s.title]);
  return {
    ok: true,
    plan: {
      out: out.steps,
      in: back,
      skipped: out.skipped,
      minutes: sumLogNormal(all.map((s) => s.minutes)),
      tools: [...tools].map(([name, uses]) => ({ name, for: uses[0]! })),
    },
  };
}

/** Drivers and bits of a screw group, in words. @example bitsOf(build, "base-screws") // ["Cross recess PH00"] */
export function bitsOf(build: Build, group: string): string[] {
  const b = indexBuild(build);
  const g = b.group.get(group);
  if (!g) return [];
  return [...new Set(g.screws.map((s) => b.screwType.get(s.type)!).map((t) => `${DRIVE_WORDS[t.drive]} ${t.size}`))];
}

/** Minutes of the steps of some stations. */
export const minutesOf = (steps: readonly Step[], stations: readonly StepStation[]): P50P80 =>
  sumLogNormal(steps.filter((s) => stations.includes(s.station)).map((s) => s.minutes));
