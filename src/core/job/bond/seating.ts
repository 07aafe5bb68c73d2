import { hangs, hasFilms, hiddenBySeat } from "../../build";
import { counted, listed } from "../../quantity";
import { cutList } from "../../tape";
import { type Answer, no } from "../answer";
import { buildOf, changesOf, type JobView } from "../derived";
import { cureHolds } from "../mended";
import { isolatedFor } from "../power";
import { breachClear, safetyClear } from "../stops";
import { looseTestMissing } from "../swap/connect";

/**
 * May liners be pulled (or an untaped panel be seated)? A valid loose test, isolated again, all of the panel's cables home.
 * @example mayPullLiners(view).reason // "No loose test yet: power the new panel before anything is stuck."
 */
export function mayPullLiners(v: JobView): Answer {
  const gate = "mayPullLiners";
  const stop = safetyClear(v, gate) ?? breachClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  if (!b) return no(gate, "No plan yet.");
  // A whole lid is held by its hinges before a lead is on it: it is tried there.
  const hung = hangs(b.build);
  const loose = hung ? null : looseTestMissing(v);
  if (loose) return no(gate, loose);
  const off = b.build.connectors.filter(
    (c) =>
      v.state.connectors[c.id] === "off" && !c.powerPoint && ((c.joins[0] === b.subject.id && !hung) || hiddenBySeat(b.build, c)),
  );
  if (off.length)
    return no(gate, `Put ${listed(off.map((c) => c.name.toLowerCase()))} on first: out of reach once the panel is seated.`);
  const iso = isolatedFor(v, gate);
  if (iso) return iso;
  const pieces = cutList(b.build);
  const unmade = changesOf(v).filter((c) => c.at === "swap" && !c.made);
  if (unmade.length) return no(gate, `Not done yet: ${listed(unmade.map((c) => c.act.toLowerCase()))}.`);
  const unlaid = b.build.subject.bringsTape ? [] : pieces.filter((p) => !v.state.bond.laid[p.id]);
  if (unlaid.length) return no(gate, `${counted(unlaid.length, "strip")} of tape not laid yet.`);
  if (pieces.length && !v.state.bond.rehearsed)
    return no(gate, "Rehearse the lowering once with the liners on: tape grips at once.");
  return null;
}

/** May the panel be lowered for good? @example maySeat(view).gate // "maySeat" */
export function maySeat(v: JobView): Answer {
  const gate = "maySeat";
  const base = mayPullLiners(v);
  if (base) return { ...base, gate };
  const b = buildOf(v)!;
  if (v.state.subject !== "out") return no(gate, "The panel is seated already.");
  const cure = cureHolds(v, { seat: true });
  if (cure) return { ...cure, gate };
  const on = cutList(b.build).filter((p) => !v.state.bond.linersPulled[p.id]);
  if (on.length) return no(gate, `${counted(on.length, "liner")} still on.`);
  if (hasFilms(b.build) && !v.state.bond.backFilmOff) return no(gate, "The back film is still on.");
  return null;
}
