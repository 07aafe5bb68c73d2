import type { Build } from "../../build";
import { decides, mm } from "../../quantity";
import type { Panel } from "../schema";
import { CHANGES, type FitLimits, type FitRow, type FitRule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    outline: true;
  }
}

function outlineRow(old: Panel, cand: Panel, build: Build | null, limits: FitLimits): FitRow {
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

export const outline = {
  fact: "outline",
  judge: (i) => outlineRow(i.old, i.candidate, i.build, i.limits),
} satisfies FitRule;
