import { comesBack, hasFilms, overPower, screwsComeBack, triedWhole } from "../../build";
import { counted, listed } from "../../quantity";
import { type Answer, no } from "../answer";
import { buildOf, checkWords, type JobView, passStatus } from "../derived";
import { cureHolds } from "../mended";
import { isolatedFor } from "../power";
import { breachClear, safetyClear } from "../stops";
import { seated } from "../subject";

const isCloseUp = (role: string) => role === "bezel" || role === "baseCover";

/**
 * May bezel or base cover go on? The open pass proven, off and settled, and nothing left out under it.
 * @example mayCloseUp(opened, "bezel").reason // "The new panel is not seated."
 */
export function mayCloseUp(v: JobView, part: string): Answer {
  const gate = "mayCloseUp";
  const stop = safetyClear(v, gate) ?? breachClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  const p = b?.part.get(part);
  if (!b || !p) return no(gate, b ? `This build has no part "${part}".` : "No plan yet.");
  if (isCloseUp(p.role)) {
    const covers = p.role === "bezel" ? v.state.subject !== "in" : true;
    if (covers) {
      if (v.state.subject === "out") return no(gate, "The new panel is not seated.");
      const st = passStatus(v, "open");
      // What is lit by a lamp is tried whole: its open pass comes after everything is back.
      if (seated(v.state) && !st.complete && !triedWhole(b.build)) {
        const why = st.failed.length
          ? `failed: ${checkWords(st.failed)}`
          : st.tooManyFaults
            ? "more pixel faults than the policy accepts"
            : `not tested: ${checkWords(st.untested)}`;
        return no(gate, `The open pass of Prove is not complete. ${why[0]!.toUpperCase()}${why.slice(1)}.`);
      }
    }
    if (v.state.bench.mains !== "out" || !v.state.bench.shutDown)
      return no(gate, "Shut down and take the mains out before closing up.");
    if (p.role === "bezel" && hasFilms(b.build) && seated(v.state) && !v.state.bond.frontFilmOff)
      return no(gate, "The front film is still on.");
  }
  const cure = cureHolds(v, { part });
  if (cure) return { ...cure, gate };
  const under = b.build.screwGroups.filter((g) => g.under.includes(part) && screwsComeBack(b.build, g));
  for (const g of under) {
    const left = g.screws.filter((s) => v.state.screws[s.id] === "out" || v.state.screws[s.id] === "loosened");
    if (left.length)
      return no(
        gate,
        `${counted(left.length, "screw")} of ${g.name.toLowerCase()} ${left.length === 1 ? "is" : "are"} not back: ${listed(left.map((s) => s.where.toLowerCase()))}.`,
      );
  }
  const off = b.build.connectors.filter((c) => c.under.includes(part) && v.state.connectors[c.id] === "off");
  if (off.length) return no(gate, `${listed(off.map((c) => c.name))} ${off.length === 1 ? "is" : "are"} still off under it.`);
  // Whatever it is that lies over the plug: not before somebody looked, nor over what failed.
  const { atHome, failed } = passStatus(v, "open");
  const unseen = [...atHome, ...failed].filter((c) => c.home && b.connector.get(c.home)?.under.includes(part));
  if (unseen.length)
    return no(
      gate,
      `${listed(unseen.map((c) => c.name))}: ${failed.length ? "failed" : "look now"}, its plug lies under ${p.name.toLowerCase()}.`,
    );
  const bare = b.build.tapes.filter((t) => t.holds === part && v.state.tapesOut[t.id] && !v.state.close.taped[t.id]);
  if (bare.length)
    return no(gate, `${listed(bare.map((t) => t.name))}: lay new tape first, or say that what it has still grips.`);
  const inner = b.build.parts.filter(
    (q) => q.blockedBy.includes(part) && v.state.parts[q.id] === "out" && q.id !== b.subject.id && comesBack(q),
  );
  if (inner.length) return no(gate, `${listed(inner.map((q) => q.name))} goes in first.`);
  if (!p.backNeedsIsolation) return null;
  // What lies over the pack's own plug goes on after it: off is what such a part can ask for.
  if (!overPower(b).has(part)) return isolatedFor(v, gate);
  return v.state.bench.shutDown && v.state.bench.mains === "out"
    ? null
    : no(gate, `Shut down and take the mains out before ${p.name.toLowerCase()} goes on.`);
}
