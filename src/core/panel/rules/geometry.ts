import type { Build } from "../../build";
import { decides, mm } from "../../quantity";
import type { Panel } from "../schema";
import { CHANGES, equal, type FitLimits, type FitRow, NOT_GIVEN, type Rule, row, type Spec } from "./row";

export function outlineRow(old: Panel, cand: Panel, build: Build | null, limits: FitLimits): FitRow {
  const spec: Spec<{ widthMm: number; heightMm: number }> = {
    field: "outline",
    name: "Outline, mm",
    words: (v) => `${mm(v.widthMm)} × ${mm(v.heightMm)}`,
    look: "Measure the outline: width and height",
  };
  const a = old.outline;
  const b = cand.outline;
  if (b.value === null || !decides(b))
    return row(spec, a, b, {
      verdict: "unknown",
      words: b.value ? "not certain" : "not known",
      reason: "The candidate's outline has no source that decides.",
    });
  const pocket = build?.lid.pocket;
  if (pocket) {
    const overW = b.value.widthMm - pocket.widthMm;
    const overH = b.value.heightMm - pocket.heightMm;
    if (overW > 1e-9 || overH > 1e-9)
      return row(spec, a, b, {
        verdict: "stop",
        words: overW > 0 ? `${mm(overW)} too wide` : `${mm(overH)} too high`,
        reason: `The pocket of the lid is ${mm(pocket.widthMm)} × ${mm(pocket.heightMm)} mm.`,
      });
  }
  if (a.value === null || !decides(a)) {
    return row(spec, a, b, {
      verdict: "unknown",
      words: "old not measured",
      reason: pocket ? "It goes into the pocket, but the old outline is not known." : "The old outline is not known.",
    });
  }
  const dw = b.value.widthMm - a.value.widthMm;
  const dh = b.value.heightMm - a.value.heightMm;
  const worst = Math.abs(dw) > Math.abs(dh) ? dw : dh;
  const along = worst === dw ? (dw > 0 ? "wider" : "narrower") : dh > 0 ? "higher" : "shorter";
  if (Math.abs(worst) <= limits.outlineSameMm + 1e-9)
    return row(spec, a, b, { verdict: "same", words: "same", reason: `Within ${limits.outlineSameMm} mm.` });
  if (!pocket)
    return row(spec, a, b, {
      verdict: "unknown",
      words: `${mm(Math.abs(worst))} ${along}`,
      reason: "The pocket of this lid is not known, so a different outline cannot be judged.",
    });
  if (worst < -limits.outlineShimMm)
    return row(spec, a, b, {
      verdict: "stop",
      words: `${mm(-worst)} ${along}`,
      reason: `More than ${limits.outlineShimMm} mm smaller: it cannot be located or held.`,
    });
  return row(spec, a, b, {
    verdict: "change",
    words: `${mm(Math.abs(worst))} ${along}`,
    reason: "Goes into the pocket. Locate it by a shim on the free edge.",
    change: CHANGES.shim,
  });
}

export function thicknessRow(old: Panel, cand: Panel, build: Build | null, limits: FitLimits): FitRow {
  const spec: Spec<number> = {
    field: "thicknessMm",
    name: "Thickness, mm",
    words: mm,
    look: "Measure the thickness at three places",
  };
  const a = old.thicknessMm;
  const b = cand.thicknessMm;
  if (b.value === null || !decides(b))
    return row(spec, a, b, {
      verdict: "unknown",
      words: b.value ? "not certain" : "not known",
      reason: "The candidate's thickness has no source that decides.",
    });
  const depth = build?.lid.pocketDepthMm;
  if (depth !== undefined && b.value > depth + 1e-9)
    return row(spec, a, b, {
      verdict: "stop",
      words: `${mm(b.value - depth)} too thick`,
      reason: `The pocket is ${mm(depth)} mm deep: the bezel would not latch and the glass is stressed.`,
    });
  if (a.value === null || !decides(a))
    return row(spec, a, b, { verdict: "unknown", words: "old not measured", reason: "The old thickness is not known." });
  const d = b.value - a.value;
  if (Math.abs(d) <= limits.thicknessSameMm + 1e-9)
    return row(spec, a, b, { verdict: "same", words: "same", reason: `Within ${limits.thicknessSameMm} mm.` });
  if (depth === undefined)
    return row(spec, a, b, {
      verdict: "unknown",
      words: `${mm(Math.abs(d))} ${d > 0 ? "thicker" : "thinner"}`,
      reason: "The pocket's depth is not known.",
    });
  return row(spec, a, b, {
    verdict: "change",
    words: `${mm(Math.abs(d))} ${d > 0 ? "thicker" : "thinner"}`,
    reason: `The pocket is ${mm(depth)} mm deep. Take ${d > 0 ? "thinner" : "thicker"} tape.`,
    change: d > 0 ? CHANGES.thinTape : CHANGES.thickTape,
  });
}

export function tabsRow(old: Panel, cand: Panel, build: Build | null): FitRow {
  type Tabs = NonNullable<Panel["tabs"]["value"]>;
  const spec: Spec<Tabs> = {
    field: "tabs",
    name: "Mounting tabs",
    words: (v) => (v.length ? `${v.length}, screwed` : "none"),
    look: "Count the tabs and hold them against the old panel",
  };
  const a = old.tabs;
  const b = cand.tabs;
  if (b.value === null || !decides(b) || a.value === null || !decides(a))
    return row(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Tabs are not known on both sides from a source that decides.",
    });
  if (equal(a.value, b.value))
    return row(spec, a, b, { verdict: "same", words: "same", reason: "Same tabs at the same places." });
  if (b.value.length === 0)
    return row(spec, a, b, {
      verdict: "change",
      words: "none: hold with tape",
      reason: "The old one is screwed, this one has no tabs: tape holds it.",
      change: CHANGES.tapeForTabs,
    });
  const outline = cand.outline.value;
  const pocket = build?.lid.pocket;
  if (pocket && outline && decides(cand.outline)) {
    const reach = (edge: "left" | "right" | "top" | "bottom") =>
      Math.max(0, ...b.value!.filter((t) => t.edge === edge).map((t) => t.outMm));
    const wide = outline.widthMm + reach("left") + reach("right");
    const high = outline.heightMm + reach("top") + reach("bottom");
    const over = Math.max(wide - pocket.widthMm, high - pocket.heightMm);
    if (over > 1e-9)
      return row(spec, a, b, {
        verdict: "stop",
        words: `tabs ${mm(over)} too far out`,
        reason: `With its tabs it is ${mm(wide)} × ${mm(high)} mm; the pocket is ${mm(pocket.widthMm)} × ${mm(pocket.heightMm)}.`,
      });
    if (a.value.length === 0)
      return row(spec, a, b, {
        verdict: "change",
        words: "tabs left unused",
        reason: "The tabs go into the pocket; tape holds the panel as before.",
        change: CHANGES.unusedTabs,
      });
  }
  return row(spec, a, b, {
    verdict: "unknown",
    words: "other places",
    reason: "Tabs sit elsewhere; whether this lid has bosses there is not known.",
  });
}

/** Active area against the bezel opening, per side: picture hidden or dark border shown. */
export const windowRule: Rule = ({ old, candidate, build, limits }) => {
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

/** Where the connector sits, against how far the display cable reaches. */
export const connectorRule: Rule = ({ old, candidate, build, limits }) => {
  const spec: Spec<{ xMm: number; yMm: number }> = {
    field: "connectorAt",
    name: "Connector at, mm",
    words: (v) => `${mm(v.xMm)}, ${mm(v.yMm)}`,
    look: "Hold the connector against the cable's reach",
  };
  const a = old.connectorAt;
  const b = candidate.connectorAt;
  if (a.value === null || b.value === null || !decides(a) || !decides(b))
    return row(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Where the connectors sit is not known on both sides from a source that decides.",
    });
  const away = Math.hypot(b.value.xMm - a.value.xMm, b.value.yMm - a.value.yMm);
  if (away <= limits.connectorSameMm + 1e-9)
    return row(spec, a, b, { verdict: "same", words: "same", reason: `Within ${limits.connectorSameMm} mm.` });
  const slack = build?.connectors.find((c) => c.joins[0] === build.subject.part && c.serves === "picture")?.slackMm;
  const dx = b.value.xMm - a.value.xMm;
  const words = `${mm(away)} ${Math.abs(dx) >= Math.abs(b.value.yMm - a.value.yMm) ? (dx < 0 ? "to the left" : "to the right") : b.value.yMm < a.value.yMm ? "higher" : "lower"}`;
  if (slack === undefined)
    return row(spec, a, b, { verdict: "unknown", words, reason: "How much slack the display cable has is not known." });
  if (away > slack + 1e-9)
    return row(spec, a, b, { verdict: "stop", words, reason: `The cable has ${mm(slack)} mm of slack: it does not reach.` });
  return row(spec, a, b, {
    verdict: "change",
    words,
    reason: `The cable has ${mm(slack)} mm of slack: it reaches, routed anew.`,
    change: CHANGES.reroute,
  });
};

export const outlineRule: Rule = (i) => outlineRow(i.old, i.candidate, i.build, i.limits);
export const thicknessRule: Rule = (i) => thicknessRow(i.old, i.candidate, i.build, i.limits);
export const tabsRule: Rule = (i) => tabsRow(i.old, i.candidate, i.build);
