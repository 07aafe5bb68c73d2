import { decides } from "../../quantity";
import { type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    touch: true;
  }
}

const TOUCH_WORDS: Record<string, string> = { none: "none", onCell: "in the cell", separate: "separate layer" };

const judge: Rule = ({ old, candidate }) => {
  type Touch = "none" | "onCell" | "separate";
  const spec: Spec<Touch> = {
    field: "touch",
    name: "Touch",
    words: (v) => TOUCH_WORDS[v] ?? v,
    look: "Look for a touch layer and its lead",
  };
  const a = old.touch;
  const b = candidate.touch;
  if (a.value === null || b.value === null || !decides(a) || !decides(b))
    return row<Touch>(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Not known on both sides from a source that decides.",
    });
  if (a.value === b.value) return row<Touch>(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  const lost = a.value !== "none";
  return row<Touch>(spec, a, b, {
    verdict: "ask",
    words: lost ? "touch is lost" : "touch stays dead",
    reason: lost
      ? "The picture works; touch does not, unless its own layer is moved over."
      : "This machine has no lead for it: the touch layer does nothing.",
  });
};

export const touch = { fact: "touch", judge } satisfies FitRule;
