import type { FitRule, Rule } from "./row";
import { wanted } from "./wanted";

declare module "./row" {
  interface FitFields {
    pixels: true;
  }
}

const judge: Rule = (i) =>
  wanted(
    "pixels",
    {
      field: "pixels",
      name: "Pixels",
      words: (v: { h: number; v: number }) => `${v.h} × ${v.v}`,
      look: "Read the resolution off the label or the EDID",
    },
    i.old.pixels,
    i.candidate.pixels,
    i,
    { say: (_, b) => `${b.h} × ${b.v}` },
  );

export const pixels = { fact: "pixels", judge } satisfies FitRule;
