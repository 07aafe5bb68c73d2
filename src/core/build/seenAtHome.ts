import type { BuildIndex } from "./find";
import { lampLit } from "./lamp";
import type { Connector } from "./schema";

/**
 * Battery plugs that end up under a cover and were off while the open pass ran on mains alone: what they serve is looked at once
 * they are home, because behind the cover nobody reaches them. None where the pack feeds the tests (the open pass sees it), and
 * none where a lamp is lit by an inverter (it is not fed for this with the machine open).
 * @example seenAtHome(b).map((c) => c.id) // ["battery-plug"]
 */
export function seenAtHome(b: BuildIndex): Connector[] {
  const { build } = b;
  if (build.isolation.by !== "powerPoints" || build.isolation.testSupply !== "mains" || lampLit(build)) return [];
  return b.powerPoints.filter((c) => c.serves === "battery" && c.under.length > 0);
}
