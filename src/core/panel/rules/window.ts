import { mm } from "../../quantity";
import { against, EPS, NEAR_LID, nearMm, smallMm } from "../figure";
import { bestPlace } from "../place";
import { sureOf, weakWords } from "../settles";
import { type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    window: true;
  }
}

/** Active area against the bezel opening at the best place there is: picture hidden or dark border shown. */
const judge: Rule = ({ old, candidate, build, limits }) => {
  const spec: Spec<{ widthMm: number; heightMm: number }> = {
    field: "window",
    name: "Picture, mm",
    words: (v) => `${mm(v.widthMm)} × ${mm(v.heightMm)}`,
    look: "Hold the lit or scribed picture area against the bezel opening",
  };
  const [a, b] = [old.active, candidate.active];
  const is = sureOf("active", b);
  const was = sureOf("active", a);
  const at = sureOf("activeAt", candidate.activeAt);
  const wasAt = sureOf("activeAt", old.activeAt);
  const oldSize = sureOf("outline", old.outline);
  const size = sureOf("outline", candidate.outline);
  const alike = (x: number, y: number, near: number) => against(x - y, near, limits.outlineSameMm) === "inside";
  const near = is ? nearMm([is.widthMm, is.heightMm], b) : 0;
  const asBefore =
    is !== null &&
    was !== null &&
    oldSize !== null &&
    size !== null &&
    alike(is.widthMm, was.widthMm, Math.min(near, 0.1)) &&
    alike(is.heightMm, was.heightMm, Math.min(near, 0.1)) &&
    b.pm === undefined &&
    alike(size.widthMm, oldSize.widthMm, 0) &&
    alike(size.heightMm, oldSize.heightMm, 0) &&
    (at === null || wasAt === null || (alike(at.xMm, wasAt.xMm, 0) && alike(at.yMm, wasAt.yMm, 0)));
  const before = () =>
    row(spec, a, b, {
      verdict: "same",
      words: "same",
      reason: "Picture and outline are as before, so it stands in the window as before.",
    });
  // What stood there stands there, whatever the lid is said to measure.
  if (asBefore) return before();
  if (!is)
    return row(spec, a, b, {
      verdict: "unknown",
      words: b.value ? weakWords(b.source) : "not certain",
      reason: "The picture's size is not known from a source that decides.",
    });
  if (!build)
    return row(spec, a, b, {
      verdict: "unknown",
      words: "opening not known",
      reason: "The opening of this lid is not known.",
    });
  const { opening } = build.lid;
  const u = near + NEAR_LID;
  const overs = [
    { over: is.widthMm - opening.widthMm, words: "too wide" },
    { over: is.heightMm - opening.heightMm, words: "too high" },
  ];
  const most = overs.reduce((m, x) => (x.over > m.over ? x : m));
  // Larger than the opening with all that may be hidden: so it is wherever it lies.
  if (most.over - u > 2 * limits.hiddenMm + EPS)
    return row(spec, a, b, {
      verdict: "stop",
      words: `${smallMm(most.over)} ${most.words}`,
      reason: `The opening is ${mm(opening.widthMm)} × ${mm(opening.heightMm)} mm: ${smallMm(most.over - limits.hiddenMm)} mm and more would lie under the frame on one side or the other, wherever it is put. At most ${limits.hiddenMm} a side.`,
    });
  const place = bestPlace(old, candidate, build, limits);
  const side = (words: string) =>
    place.sides
      ? (Object.entries(place.sides) as [string, number][]).map(([s, d]) => `${s} ${smallSigned(d)}`).join(", ")
      : words;
  if (at === null || !place.sides)
    return place.state === "none" && place.by === "window"
      ? row(spec, a, b, {
          verdict: "stop",
          words: `${smallMm(Math.max(0, most.over))} ${most.words}`,
          reason: "Wherever the picture sits in the outline, there is no place at which it stands in the opening.",
        })
      : row(spec, a, b, {
          verdict: "unknown",
          words: "place not known",
          reason: "Where the picture sits in the outline is not known.",
        });
  const entries = Object.entries(place.sides) as [string, number][];
  const [hid, hidden] = entries.reduce((m, x) => (x[1] > m[1] ? x : m));
  const [bare, least] = entries.reduce((m, x) => (x[1] < m[1] ? x : m));
  const set = Math.hypot(place.at.xMm - build.lid.panelAt.xMm, place.at.yMm - build.lid.panelAt.yMm);
  const moved = set > 0.25 ? ` Set ${smallMm(set)} mm from where the old one lay.` : "";
  if (place.state === "none" && place.by === "window")
    return row(spec, a, b, {
      verdict: "stop",
      words: `${smallMm(hidden)} hidden, ${hid}`,
      reason: `At the best place in the pocket, picture under the frame, mm per side: ${side("")}. At most ${limits.hiddenMm}.`,
    });
  if (place.doubt === "window")
    return row(spec, a, b, {
      verdict: "unknown",
      words: "to be tried",
      reason: `Picture under the frame, mm per side: ${side("")}; the figures are known to ${smallMm(u)} mm, and ${limits.hiddenMm} is the limit. Lay it in before anything is stuck.`,
    });
  // A size known to so much lets each side be off by half of it.
  const doubt = u / 2 + nearMm([at.xMm, at.yMm], candidate.activeAt ?? b);
  if (-least - doubt > limits.borderMm + EPS)
    return row(spec, a, b, {
      verdict: "ask",
      words: `${smallMm(-least)} dark border, ${bare}`,
      reason: `Dark border (minus), mm per side: ${side("")}. Works, but it shows.${moved}`,
    });
  if (-least + doubt > limits.borderMm + EPS)
    return row(spec, a, b, {
      verdict: "unknown",
      words: `${smallMm(-least)} dark border, ${bare}`,
      reason: `Dark border (minus), mm per side: ${side("")}, known to ${smallMm(doubt)} mm: about the ${limits.borderMm} mm that are seen. Hold it in the opening.`,
    });
  if (place.doubt)
    return row(spec, a, b, {
      verdict: "unknown",
      words: "if it goes there",
      reason: `Against the opening, mm per side: ${side("")}, at a place that other figures leave in doubt. Lay it in before anything is stuck.`,
    });
  return row(spec, a, b, {
    verdict: "same",
    words: "fills the window",
    reason: `Against the opening, mm per side: ${side("")}.${moved}`,
  });
};

const smallSigned = (d: number): string => `${d < -0.005 ? "-" : ""}${smallMm(Math.abs(d) < 0.005 ? 0 : d)}`;

export const windowFit = { fact: "active", judge } satisfies FitRule;
