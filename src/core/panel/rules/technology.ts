import { both } from "./carried";
import { type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    technology: true;
  }
}

const judge: Rule = ({ old, candidate }) => {
  const spec: Spec<"LCD" | "OLED"> = {
    field: "technology",
    name: "Technology",
    words: (v) => v,
    look: "LCD or OLED: read the label",
  };
  const a = old.technology;
  const b = candidate.technology;
  if (a.value !== null && b.value !== null && a.value !== b.value)
    return row<"LCD" | "OLED">(spec, a, b, {
      verdict: "stop",
      words: `${b.value}, not ${a.value}`,
      reason: "Another technology needs other supplies: this board does not give them.",
    });
  if (!both(a, b))
    return row<"LCD" | "OLED">(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Not known on both sides from a source that decides.",
    });
  return row<"LCD" | "OLED">(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
};

export const technology = { fact: "technology", judge } satisfies FitRule;
