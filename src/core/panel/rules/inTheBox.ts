import { type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    inTheBox: true;
  }
}

/** What comes with it. Known is enough: what is missing is moved over or fetched with the tape. */
const judge: Rule = ({ old, candidate }) => {
  const spec: Spec<string[]> = {
    field: "inTheBox",
    name: "In the box",
    words: (v) => (v.length ? v.join(", ") : "panel only"),
    look: "See what comes with it: brackets, tape, sensor, films",
  };
  const b = candidate.inTheBox;
  if (b.value === null)
    return row(spec, old.inTheBox, b, {
      verdict: "unknown",
      words: "not known",
      reason: "The seller does not say what comes with it.",
    });
  return row(spec, old.inTheBox, b, {
    verdict: "same",
    words: b.value.length ? "comes with it" : "panel only",
    reason: "Brackets, sensor and tape it lacks are moved over or fetched.",
  });
};

export const inTheBox = { fact: "inTheBox", judge } satisfies FitRule;
