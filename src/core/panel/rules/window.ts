import { decides, mm } from "../../quantity";
import { equal, type FitRule, NOT_GIVEN, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    window: true;
  }
}

/** Active area against the bezel opening, per side: picture hidden or dark border shown. */
const judge: Rule = ({ old, candidate, build, limits }) => {
  const spec: Spec<{ widthMm: number; heightMm: number }> = {
    field: "window",
    name: "Picture, mm",
    words: (v) => `${mm(v.widthMm)} × ${mm(v.heightMm)}`,
    look: "Hold the lit or scribed picture area against the bezel opening",
  };
  const a = old.active;
  const b = candidate.active;
  const known = b.value !== null && decides(b);
  if (
    known &&
    a.value !== null &&
    decides(a) &&
    equal(a.value, b.value) &&
    equal(old.outline.value, candidate.outline.value) &&
    old.outline.value !== null
  )
    return row(spec, a, b, {
      verdict: "same",
      words: "same",
      reason: "Picture and outline are as before, so it stands in the window as before.",
    });
  const at = candidate.activeAt ?? NOT_GIVEN;
  if (!known || at.value === null || !decides(at) || !build)
    return row(spec, a, b, {
      verdict: "unknown",
      words: known ? "place not known" : "not certain",
      reason: known
        ? "Where the picture sits in the outline, or the lid's opening, is not known."
        : "The picture's size is not known from a source that decides.",
    });
  const { opening, panelAt } = build.lid;
  const x0 = panelAt.xMm + at.value.xMm;
  const y0 = panelAt.yMm + at.value.yMm;
  // Over 0: picture under the frame; under 0: dark border shown.
  const sides = {
    left: opening.xMm - x0,
    top: opening.yMm - y0,
    right: x0 + b.value!.widthMm - (opening.xMm + opening.widthMm),
    bottom: y0 + b.value!.heightMm - (opening.yMm + opening.heightMm),
  };
  const all = Object.entries(sides) as [keyof typeof sides, number][];
  const said = all.map(([s, d]) => `${s} ${mm(d)}`).join(", ");
  const [hid, hidden] = all.reduce((m, x) => (x[1] > m[1] ? x : m));
  const [bare, least] = all.reduce((m, x) => (x[1] < m[1] ? x : m));
  if (hidden > limits.hiddenMm + 1e-9)
    return row(spec, a, b, {
      verdict: "stop",
      words: `${mm(hidden)} hidden, ${hid}`,
      reason: `Picture under the frame, mm per side: ${said}. At most ${limits.hiddenMm}.`,
    });
  if (-least > limits.borderMm + 1e-9)
    return row(spec, a, b, {
      verdict: "ask",
      words: `${mm(-least)} dark border, ${bare}`,
      reason: `Dark border (minus), mm per side: ${said}. Works, but it shows.`,
    });
  return row(spec, a, b, { verdict: "same", words: "fills the window", reason: `Against the opening, mm per side: ${said}.` });
};

export const windowFit = { fact: "active", judge } satisfies FitRule;
