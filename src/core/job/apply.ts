import { applyFinds, type BuildIndex, indexBuild } from "../build";
import { placeOf } from "./clock";
import type { JobEvent } from "./event";
import type { EventType } from "./payloads";
import { settleClosing } from "./plan/aim";
import { ruleOf } from "./registry";
import type { Applied } from "./rule";
import type { JobState, Snapshots } from "./state";
import { settleSubject } from "./subject";

/** The build a job was planned with, with what was found on it so far. */
function buildAt(s: JobState, snapshots: Snapshots): BuildIndex | null {
  const kept = s.plan ? snapshots[s.plan.buildHash] : undefined;
  return kept?.kind === "build" ? indexBuild(applyFinds(kept.data, s.finds)) : null;
}

/**
 * Applies one event to a state in place. Told only what happened, never whether it was allowed: gates are asked
 * beforehand, and an act that came late has happened all the same.
 * @example apply(emptyState(), {}, events[0])
 */
export function apply(s: JobState, snapshots: Snapshots, e: JobEvent): void {
  const b = buildAt(s, snapshots);
  const change = ruleOf(e.type).apply as (s: JobState, p: unknown, c: Applied<EventType>) => void;
  change(s, e.payload, { e, b, snapshots } as Applied<EventType>);
  if (b) s.bought = b.build.subject.kind;
  settleSubject(s, b);
  settleClosing(s, b);
  s.last = { clock: placeOf(e), id: e.id };
  s.counted += 1;
}
