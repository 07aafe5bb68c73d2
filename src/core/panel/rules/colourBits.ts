import type { FitRule, Rule } from "./row";
import { wanted } from "./wanted";

declare module "./row" {
  interface FitFields {
    colourBits: true;
  }
}

const judge: Rule = (i) =>
  wanted(
    "colourBits",
    { field: "colourBits", name: "Colour, bit", words: (v: number) => String(v), look: "Find the colour depth in a datasheet" },
    i.old.colourBits,
    i.candidate.colourBits,
    i,
    { say: (a, b) => `${b}, not ${a}`, runs: "bits" },
  );

export const colourBits = { fact: "colourBits", judge } satisfies FitRule;
