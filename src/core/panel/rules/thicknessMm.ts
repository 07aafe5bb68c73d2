import type { Build } from "../../build";
import { mm } from "../../quantity";
import { against, EPS, NEAR_LID, nearMm, smallMm } from "../figure";
import { sureOf, weakWords } from "../settles";
import { CHANGES, type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    thicknessMm: true;
  }
}

/** What lies under the panel in this lid: the thickest of its tapes, mm. */
const under = (build: Build | null): number =>
  Math.max(0, ...(build?.tapes ?? []).filter((t) => t.holds === build?.subject.part).map((t) => t.thicknessMm));

const judge: Rule = ({ old, candidate, build, limits }) => {
  const spec: Spec<number> = {
    field: "thicknessMm",
    name: "Thickness, mm",
    words: mm,
    look: "Measure the thickness at three places",
  };
  const [a, b] = [old.thicknessMm, candidate.thicknessMm];
  const is = sureOf("thicknessMm", b);
  const was = sureOf("thicknessMm", a);
  if (is === null)
    return row(spec, a, b, {
      verdict: "unknown",
      words: b.value ? weakWords(b.source) : "not known",
      reason: "The candidate's thickness has no source that decides.",
    });
  const depth = build?.lid.pocketDepthMm;
  const near = nearMm([is], b) + NEAR_LID;
  const d = was === null ? null : is - was;
  const between = was === null ? 0 : nearMm([is], b) + nearMm([was], a);
  const held = d === null ? "between" : against(d, between, limits.thicknessSameMm);
  // No thicker than what lay there: it lay there.
  const asBefore = d !== null && d <= EPS && held === "inside";
  if (depth !== undefined && !asBefore) {
    const tape = under(build);
    // The old one with its tape lay there: the room is at least that.
    const room = Math.max(depth, was === null ? 0 : was + tape);
    const over = is - depth;
    const least = tape > 0 ? is + limits.thinnestTapeMm - room : over;
    if (over > near + EPS || least > near + EPS)
      return row(spec, a, b, {
        verdict: "stop",
        words: `${smallMm(Math.max(over, least))} too thick`,
        reason: `The pocket is ${mm(depth)} mm deep${tape ? `, with ${smallMm(limits.thinnestTapeMm)} mm of the thinnest tape under it` : ""}: the bezel would not latch and the glass is stressed.`,
      });
    if (over > EPS)
      return row(spec, a, b, {
        verdict: "unknown",
        words: `${smallMm(over)} over the depth`,
        reason: `The pocket is ${mm(depth)} mm deep: ${smallMm(over)} mm over, within the ${smallMm(near)} mm the figures are known to. Measure both.`,
      });
    const proud = is + tape - room;
    if (tape > 0 && proud > near + EPS)
      return row(spec, a, b, {
        verdict: "change",
        words: `${smallMm(d ?? proud)} ${d === null || d > 0 ? "thicker" : "thinner"}`,
        reason: `The pocket is ${mm(depth)} mm deep; on the old tape of ${mm(tape)} mm it would stand ${smallMm(proud)} mm proud. Take thinner tape, ${smallMm(room - is)} mm at most.`,
        change: CHANGES.thinTape,
      });
  }
  if (was === null || d === null)
    return row(spec, a, b, { verdict: "unknown", words: "old not measured", reason: "The old thickness is not known." });
  const words = `${smallMm(d)} ${d > 0 ? "thicker" : "thinner"}`;
  if (held === "inside")
    return row(spec, a, b, {
      verdict: "same",
      words: "same",
      reason: `${Math.abs(d) > EPS ? `${words} mm: within` : "Within"} ${limits.thicknessSameMm} mm.`,
    });
  if (held === "between")
    return row(spec, a, b, {
      verdict: "unknown",
      words,
      reason: `${words} mm, known to ${smallMm(between)}: whether that is within ${limits.thicknessSameMm} mm cannot be told. Measure both at three places.`,
    });
  if (depth === undefined) return row(spec, a, b, { verdict: "unknown", words, reason: "The pocket's depth is not known." });
  return row(spec, a, b, {
    verdict: "change",
    words,
    reason: `The pocket is ${mm(depth)} mm deep. Take ${d > 0 ? "thinner" : "thicker"} tape.`,
    change: d > 0 ? CHANGES.thinTape : CHANGES.thickTape,
  });
};

export const thicknessMm = { fact: "thicknessMm", judge } satisfies FitRule;
