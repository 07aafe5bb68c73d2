import { actsOnMachine, apply, BREAK_MIN, buildOf, emptyState, type JobEvent, type JobView, msOf, placeOf } from "../job";
import type { StepTime } from "./durations";
import type { Step } from "./step";
import { stepOfEvent } from "./steps";

/**
 * What each step of a plan took, told from the clocks of what was recorded: the time since the act before it. Nobody is asked.
 * Breaks are left out. An act without a step of its own (something found, a step that could not be done) is part of the step
 * that comes next, so that no minute is lost; so is what was done again after a lead was touched.
 * @param events those that count, in canonical order
 * @param v the job as it stands
 * @returns planned and actual minutes in the order of the plan; steps never recorded are not in the list
 * @example stepTimes(events, view, plan.out) // []
 */
export function stepTimes(events: readonly JobEvent[], v: JobView, steps: readonly Step[]): StepTime[] {
  const b = buildOf(v);
  if (!b) return [];
  const took = new Map<string, number>();
  const state = emptyState();
  let last: number | null = null;
  let carried = 0;
  for (const e of events) {
    const ms = msOf(placeOf(e));
    if (actsOnMachine(e.type)) {
      const gap = last === null ? 0 : (ms - last) / 60_000;
      if (gap <= BREAK_MIN) carried += gap;
      const id = stepOfEvent(e, { s: state, b });
      if (id !== null) {
        took.set(id, (took.get(id) ?? 0) + carried);
        carried = 0;
      }
      last = ms;
    }
    // The first act began when the plan was taken.
    else if (e.type === "plan.made") last = ms;
    apply(state, v.snapshots, e);
  }
  return steps.flatMap((s) => {
    const actual = took.get(s.id);
    return actual === undefined ? [] : [{ id: s.id, title: s.title, planned: s.minutes, actual }];
  });
}
