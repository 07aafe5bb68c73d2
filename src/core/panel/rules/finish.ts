import { decides } from "../../quantity";
import type { Panel } from "../schema";
import { type FitRow, type FitRule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    finish: true;
  }
}

function finishRow(old: Panel, cand: Panel): FitRow {
  const spec: Spec<string> = {
    field: "finish",
    name: "Finish",
    words: (v) => v,
    look: "Hold the front to a lamp: matt or glossy",
  };
  const { finish: a } = old;
  const { finish: b } = cand;
  if (a.value === null || b.value === null || !decides(a) || !decides(b))
    return row<string>(spec, a, b, {
      verdict: "unknown",
      words: b.source === "G" ? "guess from the code" : "not certain",
      reason: "The finish is not known on both sides from a source that decides.",
    });
  if (a.value === b.value) return row<string>(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  return row<string>(spec, a, b, {
    verdict: "ask",
    words: `${b.value}, not ${a.value}`,
    reason: "It fits, but somebody must want it: ask the customer.",
  });
}

export const finish = { fact: "finish", judge: (i) => finishRow(i.old, i.candidate) } satisfies FitRule;
