import { sureOf } from "../settles";
import { type FitRule, type Rule, row, type Spec } from "./row";
import { soldWith, soldWithWords } from "./soldWith";

declare module "./row" {
  interface FitFields {
    technology: true;
  }
}

const judge: Rule = ({ old, candidate, build }) => {
  type Kind = "LCD" | "OLED";
  const spec: Spec<Kind> = {
    field: "technology",
    name: "Technology",
    words: (v) => v,
    look: "Supply, dimming and cable of an OLED have to be known to go with this board",
  };
  const a = old.technology;
  const b = candidate.technology;
  if (a.value !== null && b.value !== null && a.value !== b.value) {
    const seen = soldWith({ candidate, build });
    if (seen)
      return row<Kind>(spec, a, b, {
        verdict: "ask",
        words: `${b.value}, not ${a.value}`,
        reason: `This code was seen fitted with this board and cable (${seen.seen}). It looks different and ages in its own way: ask the customer.`,
      });
    return row<Kind>(spec, a, b, {
      verdict: "unknown",
      destroying: true,
      notByEye: true,
      words: `${b.value}, not ${a.value}`,
      reason: `Another technology: its supply, its dimming and often its cable are others. Do not connect before they are known to go with this board.${soldWithWords({ candidate, build })}`,
    });
  }
  if (sureOf("technology", a) === null || sureOf("technology", b) === null)
    return row<Kind>(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Not known on both sides from a source that decides.",
      look: "LCD or OLED: read the label",
    });
  return row<Kind>(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
};

export const technology = { fact: "technology", judge } satisfies FitRule;
