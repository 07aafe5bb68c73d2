import { CONNECTOR_MOTION, comesBack, screwsComeBack } from "../../build";
import { counted, listed } from "../../quantity";
import { type Answer, no } from "../answer";
import { buildOf, changesOf, checkWords, type JobView, passStatus, screwsOpen } from "../derived";
import { breachClear, safetyClear } from "../stops";
import { seated } from "../subject";

/**
 * May the machine go back to its owner? Both passes, every screw accounted for, seams and angle checked, no breach.
 * @example mayHandOver(view).reason // "No new panel is seated."
 */
export function mayHandOver(v: JobView): Answer {
  const gate = "mayHandOver";
  const stop = safetyClear(v, gate) ?? breachClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  if (!b || !seated(v.state)) return no(gate, "No new panel is seated.");
  if (v.state.heat.on) return no(gate, "Something still heats: see it switched off first (H).");
  const { out: all, loose } = screwsOpen(v.state);
  // Screws of what does not go back have no hole to go into.
  const out = all.filter((id) => {
    const g = b.groupOfScrew.get(id);
    return !g || screwsComeBack(b.build, g);
  });
  const words = (id: string) => {
    const g = b.groupOfScrew.get(id);
    return g ? `${g.name.toLowerCase()}, ${g.screws.find((s) => s.id === id)?.where.toLowerCase()}` : id;
  };
  if (out.length)
    return no(
      gate,
      `${counted(out.length, "screw")} still out: ${listed(out.slice(0, 4).map(words))}${out.length > 4 ? " and more" : ""}.`,
    );
  if (loose.length)
    return no(
      gate,
      `${counted(loose.length, "screw")} only loosened, not tightened again: ${listed(loose.slice(0, 4).map(words))}.`,
    );
  const away = b.build.parts.filter(
    (p) => (v.state.parts[p.id] === "out" || v.state.parts[p.id] === "folded") && p.id !== b.subject.id && comesBack(p),
  );
  if (away.length) return no(gate, `${listed(away.map((p) => p.name))} not back.`);
  const off = b.build.connectors.filter((c) => v.state.connectors[c.id] === "off");
  if (off.length)
    return no(
      gate,
      `${listed(off.map((c) => c.name))} still off. Home when: ${CONNECTOR_MOTION[off[0]!.kind].homeWhen.toLowerCase()}.`,
    );
  for (const pass of ["open", "closed"] as const) {
    const st = passStatus(v, pass);
    if (!st.complete)
      return no(
        gate,
        `The ${pass} pass of Prove is not complete: ${st.failed.length ? `${checkWords(st.failed)} failed` : st.untested.length ? `${checkWords(st.untested)} not tested` : "more pixel faults than the policy accepts"}.`,
      );
  }
  const unmade = changesOf(v).filter((c) => !c.made);
  if (unmade.length) return no(gate, `Not done yet: ${listed(unmade.map((c) => c.act.toLowerCase()))}.`);
  const seams = (["left", "right", "top", "bottom"] as const).filter((e) => !v.state.close.seams[e]);
  if (seams.length) return no(gate, `Look at the ${listed(seams)} seam first.`);
  if (v.state.close.angleDeg === null) return no(gate, "Check the lid angle first.");
  return null;
}
