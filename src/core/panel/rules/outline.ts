import { mm } from "../../quantity";
import { against, EPS, NEAR_LID, nearMm, smallMm } from "../figure";
import { sureOf, weakWords } from "../settles";
import { CHANGES, type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    outline: true;
  }
}

const judge: Rule = ({ old, candidate, build, limits }) => {
  const spec: Spec<{ widthMm: number; heightMm: number }> = {
    field: "outline",
    name: "Outline, mm",
    words: (v) => `${mm(v.widthMm)} × ${mm(v.heightMm)}`,
    look: "Measure the outline: width and height",
  };
  const [a, b] = [old.outline, candidate.outline];
  const is = sureOf("outline", b);
  const was = sureOf("outline", a);
  if (!is) {
    const [was, now] = [old.diagonalIn.value, candidate.diagonalIn.value];
    // A diagonal is rounded to a tenth of an inch: it decides nothing, and a panel of another size is still not kept quiet.
    const other = was !== null && now !== null && Math.abs(was - now) > 0.15;
    return row(spec, a, b, {
      verdict: "unknown",
      ...(other ? { differs: true as const } : {}),
      words: other ? `${now} inch, not ${was}` : b.value ? weakWords(b.source) : "not known",
      reason: `The candidate's outline has no source that decides.${other ? ` Its diagonal is ${now} inch, the old one's ${was}: it is hardly of this machine.` : ""}`,
    });
  }
  const near = nearMm([is.widthMm, is.heightMm], b);
  const between = near + (was ? nearMm([was.widthMm, was.heightMm], a) : 0);
  const dw = was ? is.widthMm - was.widthMm : 0;
  const dh = was ? is.heightMm - was.heightMm : 0;
  const worst = Math.abs(dw) > Math.abs(dh) ? dw : dh;
  const held = was ? against(worst, between, limits.outlineSameMm) : "between";
  const pocket = build?.lid.pocket;
  // No larger than what lay in it lies in it.
  const asBefore = was !== null && held === "inside" && dw <= EPS && dh <= EPS;
  if (pocket && !asBefore) {
    const overs = [
      { over: is.widthMm - pocket.widthMm, room: pocket.widthMm, words: "too wide" },
      { over: is.heightMm - pocket.heightMm, room: pocket.heightMm, words: "too high" },
    ];
    const most = overs.reduce((m, x) => (x.over > m.over ? x : m));
    const u = near + NEAR_LID;
    const size = `The pocket of the lid is ${mm(pocket.widthMm)} × ${mm(pocket.heightMm)} mm`;
    if (most.over > u + EPS)
      return row(spec, a, b, {
        verdict: "stop",
        words: `${smallMm(most.over)} ${most.words}`,
        reason: `${size}: ${smallMm(most.over)} mm over, and the figures are known to ${smallMm(u)}.`,
      });
    if (most.over + u > EPS && most.over > -EPS)
      return row(spec, a, b, {
        verdict: "unknown",
        words: most.over > EPS ? `${smallMm(most.over)} over, to be tried` : "as wide as its pocket",
        reason: `${size}: ${most.over > EPS ? `${smallMm(most.over)} mm over` : "no play"}, within the ${smallMm(u)} mm the figures are known to. Try it in the pocket before anything is stuck.`,
      });
    if (most.over + u > EPS && b.pm !== undefined && b.pm > NEAR_LID)
      return row(spec, a, b, {
        verdict: "unknown",
        words: `known to ${smallMm(near)} only`,
        reason: `${size}; it may be ${smallMm(most.over + u)} mm over. Measure it.`,
      });
  }
  if (!was)
    return row(spec, a, b, {
      verdict: "unknown",
      words: "old not measured",
      reason: pocket ? "It goes into the pocket, but the old outline is not known." : "The old outline is not known.",
    });
  const along = worst === dw ? (dw > 0 ? "wider" : "narrower") : dh > 0 ? "higher" : "shorter";
  const words = `${smallMm(worst)} ${along}`;
  if (held === "inside")
    return row(spec, a, b, {
      verdict: "same",
      words: "same",
      reason: `${Math.abs(worst) > EPS ? `${words} mm: within` : "Within"} ${limits.outlineSameMm} mm.`,
    });
  if (held === "between")
    return row(spec, a, b, {
      verdict: "unknown",
      words,
      reason: `${words} mm, known to ${smallMm(between)}: whether that is within ${limits.outlineSameMm} mm cannot be told. Lay one on the other.`,
    });
  if (!pocket)
    return row(spec, a, b, {
      verdict: "unknown",
      words,
      reason: "The pocket of this lid is not known, so a different outline cannot be judged.",
    });
  if (-worst - between > limits.outlineShimMm + EPS)
    return row(spec, a, b, {
      verdict: "stop",
      words,
      reason: `More than ${limits.outlineShimMm} mm smaller: it cannot be located or held.`,
    });
  return row(spec, a, b, {
    verdict: "change",
    words,
    reason: `Goes into the pocket, ${mm(pocket.widthMm)} × ${mm(pocket.heightMm)} mm. Locate it by a shim on the free edge.`,
    change: CHANGES.shim,
  });
};

export const outline = { fact: "outline", judge } satisfies FitRule;
