import type { BuildIndex, Connector } from "../build";
import type { JobState } from "../job";
import type { Step } from "./step";

/**
 * The plug a hand is at in this step, and which way it goes; null where the step is about no plug.
 * @example plugNow({ kind: "cableOff", target: "battery-plug" }, emptyState(), b).off // true
 */
export function plugNow(
  step: Pick<Step, "kind" | "target">,
  s: Pick<JobState, "connectors">,
  b: BuildIndex,
): { plug: Connector; off: boolean } | null {
  const is = (plug: Connector | undefined, off: boolean) => (plug ? { plug, off } : null);
  switch (step.kind) {
    case "cableOff":
      return is(b.connector.get(step.target), true);
    case "cableOn":
      return is(b.connector.get(step.target), false);
    case "packOff":
      return is(b.powerPoints.find((c) => s.connectors[c.id] !== "off") ?? b.powerPoints.at(-1), true);
    case "packOn":
      return is(b.powerPoints.find((c) => s.connectors[c.id] === "off") ?? b.powerPoints[0], false);
    default:
      return null;
  }
}
