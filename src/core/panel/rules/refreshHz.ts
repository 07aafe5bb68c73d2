import type { FitRule, Rule } from "./row";
import { wanted } from "./wanted";

declare module "./row" {
  interface FitFields {
    refreshHz: true;
  }
}

const judge: Rule = (i) =>
  wanted(
    { field: "refreshHz", name: "Refresh, Hz", words: (v: number) => String(v), look: "Read the refresh rate off the EDID" },
    i.old.refreshHz,
    i.candidate.refreshHz,
    { ...i },
    (a, b) => `${b}, not ${a}`,
  );

export const refreshHz = { fact: "refreshHz", judge } satisfies FitRule;
