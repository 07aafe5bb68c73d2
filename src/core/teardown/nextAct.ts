import { type Act, buildOf, type JobView } from "../job";
import type { Step } from "./step";
import { stepNext } from "./steps";

/**
 * The one act that takes a step further: the next screw, the connector, the next check. Screws one at a time.
 * @returns null when the step has nothing left, or when its act needs a person's answer first (a test's outcome, a name)
 * @example nextAct(view, makeStep({ b, changes: [] }, "screwsOut", "base-screws")).payload // { screw: "b1" }
 */
export function nextAct(v: JobView, step: Step): Act | null {
  const b = buildOf(v);
  return b && stepNext({ ...v, s: v.state, b }, step);
}
