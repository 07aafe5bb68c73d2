import type { Build } from "../../build";
import { decides, mm } from "../../quantity";
import type { Panel } from "../schema";
import { CHANGES, type FitLimits, type FitRow, type FitRule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    thicknessMm: true;
  }
}

function thicknessRow(old: Panel, cand: Panel, build: Build | null, limits: FitLimits): FitRow {
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

export const thicknessMm = {
  fact: "thicknessMm",
  judge: (i) => thicknessRow(i.old, i.candidate, i.build, i.limits),
} satisfies FitRule;
