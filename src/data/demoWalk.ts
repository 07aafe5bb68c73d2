import { type Act, apply, buildOf, eventGate, fold, type JobEvent, newestVersion, type Snapshots } from "@/core/job";
import { nextAct, progressOf, type Step } from "@/core/teardown";

/** Answers a step asks for, where all goes well. */
function actAt(view: Parameters<typeof progressOf>[0], now: Step): Act | null {
  if (now.kind === "looseTest") {
    const look = nextAct(view, now);
    if (look) return look;
    const supply = view.state.plan?.supply ?? buildOf(view)!.build.isolation.testSupply;
    return { type: "swap.looseTested", payload: { supply, picture: true, note: "" } };
  }
  if (now.kind === "look") return { type: "open.looked", payload: { of: now.target, as: "described", words: "" } };
  if (now.kind === "handOver") return { type: "close.handedOver", payload: { to: view.state.job?.customer ?? "Customer" } };
  if (now.kind === "angle") return { type: "close.angleChecked", payload: { degrees: 120 } };
  return nextAct(view, now);
}

/**
 * The acts of a job whose hands follow its plan, one after the other through the gates, up to a step.
 * @param log the events so far, to its plan
 * @param until id of the step to stop before, or null to go to the end; a step that never comes is an error, as is a gate that refuses
 * @param make an event of an act, in its turn
 */
export function walkPlan(
  log: readonly JobEvent[],
  snapshots: Snapshots,
  until: string | null,
  make: (act: Act, turn: number) => JobEvent,
): JobEvent[] {
  const view = { state: structuredClone(fold(log, snapshots)), snapshots };
  const made: JobEvent[] = [];
  for (let turn = 0; turn < 400; turn++) {
    const now = progressOf(view)?.now;
    if (!now && until === null) return made;
    if (!now) throw new Error(`the plan ends before ${until}`);
    if (now.id === until) return made;
    const act = actAt(view, now);
    if (!act) throw new Error(`nothing to do at ${now.id}`);
    const e = { ...make(act, turn), v: newestVersion(act.type) };
    const shut = eventGate(view, e);
    if (shut) throw new Error(`${now.id}: ${shut.reason}`);
    made.push(e);
    apply(view.state, snapshots, e);
  }
  throw new Error(`never came to ${until}`);
}
