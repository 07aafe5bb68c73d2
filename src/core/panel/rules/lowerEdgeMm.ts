import { mm } from "../../quantity";
import { against, EPS, NEAR_LID, nearMm, smallMm } from "../figure";
import { sureOf } from "../settles";
import { type FitRule, NOT_GIVEN, type Rule, row, type Spec } from "./row";
import { isSaid } from "./supply";

declare module "./row" {
  interface FitFields {
    lowerEdgeMm: true;
  }
}

/** Thickness at the lower edge, where the panel's own board sits: glass bent over it cracks. */
const judge: Rule = ({ old, candidate, build, limits }) => {
  if (!isSaid("lowerEdgeMm", old, candidate)) return null;
  const spec: Spec<number> = {
    field: "lowerEdgeMm",
    name: "Lower edge, mm",
    words: mm,
    look: "Measure the thickness at the lower edge, and the room behind it",
  };
  const a = old.lowerEdgeMm ?? NOT_GIVEN;
  const b = candidate.lowerEdgeMm ?? NOT_GIVEN;
  const is = sureOf("lowerEdgeMm", b);
  const was = sureOf("lowerEdgeMm", a);
  const room = build?.lid.lowerEdgeDepthMm;
  if (is === null)
    return row(spec, a, b, { verdict: "unknown", words: "not known", reason: "How thick it is at its board is not known." });
  const near = nearMm([is], b) + NEAR_LID;
  if (room !== undefined && is - room > near + EPS)
    return row(spec, a, b, {
      verdict: "stop",
      words: `${smallMm(is - room)} too thick`,
      reason: `There are ${mm(room)} mm behind the lower edge: the glass would be bent over its board.`,
    });
  if (was !== null && (against(is - was, near, limits.thicknessSameMm) === "inside" || is < was))
    return row(spec, a, b, { verdict: "same", words: "same", reason: "No thicker than what lay there." });
  if (room !== undefined && room - is >= near - EPS)
    return row(spec, a, b, { verdict: "same", words: "goes in", reason: `There are ${mm(room)} mm behind the lower edge.` });
  return row(spec, a, b, {
    verdict: "unknown",
    words: was === null ? "room not known" : `${smallMm(is - was)} thicker`,
    reason: "How much room there is behind the lower edge is not known, or not nearly enough.",
  });
};

export const lowerEdgeMm = { fact: "lowerEdgeMm", judge } satisfies FitRule;
