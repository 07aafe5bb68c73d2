import { sureOf, weakWords } from "../settles";
import { type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    finish: true;
  }
}

const judge: Rule = ({ old, candidate }) => {
  const spec: Spec<string> = {
    field: "finish",
    name: "Finish",
    words: (v) => v,
    look: "Hold the front to a lamp: matt or glossy",
  };
  const { finish: a } = old;
  const { finish: b } = candidate;
  const was = sureOf("finish", a);
  const is = sureOf("finish", b);
  if (was === null || is === null)
    return row<string>(spec, a, b, {
      verdict: "unknown",
      words: b.value !== null && is === null ? weakWords(b.source) : "not certain",
      reason: "The finish is not known on both sides from a source that decides.",
    });
  if (was === is) return row<string>(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  return row<string>(spec, a, b, {
    verdict: "ask",
    words: `${is}, not ${was}`,
    reason: "It fits, but somebody must want it: ask the customer.",
  });
};

export const finish = { fact: "finish", judge } satisfies FitRule;
