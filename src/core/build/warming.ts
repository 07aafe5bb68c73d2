import type { WARMED_WITH } from "./kinds";
import type { Build, Tape } from "./schema";

/** How a strip is made to let go on this bench, as a search for passes found it. */
export interface Warming {
  with: (typeof WARMED_WITH)[number];
  /** Passes, rests and the picking between them, minutes; missing where no heat does it. */
  minutes?: number | undefined;
  passes?: number | undefined;
  /** In how many lids drawn as they may be something gets over its ceiling, of how many. */
  over?: { broken: number; draws: number } | undefined;
}

const WITHOUT = "Not by heat here: pull tab, thread or solvent along the ledge, slowly.";

/** A strip as it is warmed here: how long that takes, what can go wrong beside what its build says, what for. */
function warmed(t: Tape, w: Warming): Tape {
  const risk =
    t.out.risk && w.over ? { ...t.out.risk, chance: either(t.out.risk.chance, w.over.broken / w.over.draws) } : t.out.risk;
  const { heat: _, ...cold } = t.out;
  const out =
    w.with === "none"
      ? { ...cold, how: `${WITHOUT} ${t.out.how}` }
      : { ...t.out, minutes: w.minutes ?? t.out.minutes, heat: true };
  // The strip in hand stays the one in hand, however long its passes turn out.
  const orderMinutes = t.out.orderMinutes ?? t.out.minutes;
  return { ...t, out: { ...out, orderMinutes, warmedWith: w.with, ...(risk ? { risk } : {}) } };
}

/** Chance that one or the other of two independent things happens. */
const either = (a: number, b: number): number => 1 - (1 - a) * (1 - b);

const cache = new WeakMap<Build, Map<string, Build>>();

/**
 * A build whose strips are warmed as it was planned for this job: minutes, tool and risk are those of the passes found, no longer
 * the build's guess. The same object each time.
 * @param warmings by the tape's id; missing = as the build says
 * @example withWarming(build, undefined) === build // true
 */
export function withWarming(build: Build, warmings: Readonly<Record<string, Warming>> | undefined): Build {
  if (!warmings || !build.tapes.some((t) => warmings[t.id])) return build;
  const key = JSON.stringify(warmings);
  const made = cache.get(build) ?? new Map<string, Build>();
  cache.set(build, made);
  const known = made.get(key) ?? {
    ...build,
    tapes: build.tapes.map((t) => (warmings[t.id] ? warmed(t, warmings[t.id]!) : t)),
  };
  made.set(key, known);
  return known;
}
