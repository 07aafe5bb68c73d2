import { type BuildIndex, comesBack, partsHeld, screwMisfit, screwsComeBack } from "../../build";
import { listed } from "../../quantity";
import { type Answer, no, notHere } from "../answer";
import type { JobView } from "../derived";
import { cureHolds } from "../mended";
import { seated } from "../subject";

/**
 * May this screw go back here: out of this hole, of its length, what it holds in place, and still within reach?
 * @example mayPutBack(view, b, "b1").gate // "screw"
 */
export function mayPutBack(v: JobView, b: BuildIndex, screw: string, type?: string): Answer {
  const g = b.groupOfScrew.get(screw);
  if (!g) return notHere("screw", screw);
  if (v.state.screws[screw] !== "out") {
    const where = g.screws.find((x) => x.id === screw)!.where;
    return no(
      "screw",
      v.state.screws[screw] === undefined
        ? `${where}: no screw was taken out there. One left over has a home elsewhere, or is extra.`
        : `${where} is accounted for already. One left over has a home elsewhere, or is extra.`,
    );
  }
  const misfit = type === undefined ? null : screwMisfit(b, screw, type);
  if (misfit) return no("screw", misfit);
  if (!screwsComeBack(b.build, g)) return no("screw", "What it held does not go back: it is left over.");
  for (const id of partsHeld(g)) {
    const held = b.part.get(id);
    const home =
      id === b.subject.id
        ? seated(v.state) || v.state.subject === "in"
        : v.state.parts[id] !== "out" || (held && !comesBack(held));
    if (!home) return no("part", `Put ${held?.name.toLowerCase() ?? id} back first.`);
  }
  const cure = cureHolds(v, { group: g.id });
  if (cure) return cure;
  const covered = g.under.filter((u) => v.state.parts[u] === "back");
  return covered.length
    ? no("covered", `It lies under ${listed(covered.map((u) => b.part.get(u)?.name.toLowerCase() ?? u))}, which is back on.`)
    : null;
}
