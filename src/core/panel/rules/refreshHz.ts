import { sameRefresh } from "./carried";
import type { FitRule, Rule } from "./row";
import { wanted } from "./wanted";

declare module "./row" {
  interface FitFields {
    refreshHz: true;
  }
}

const judge: Rule = (i) =>
  wanted(
    "refreshHz",
    { field: "refreshHz", name: "Refresh, Hz", words: (v: number) => String(v), look: "Read the refresh rate off the EDID" },
    i.old.refreshHz,
    i.candidate.refreshHz,
    i,
    { say: (a, b) => `${b}, not ${a}`, same: (a, b) => sameRefresh(a, b) && pmInside(i, a), runs: "refreshHz" },
  );

/** A rate known only to within more than nobody sees is not the same. */
const pmInside = (i: Parameters<Rule>[0], a: number): boolean =>
  (i.old.refreshHz.pm ?? 0) + (i.candidate.refreshHz.pm ?? 0) <= i.limits.refreshSame * a;

export const refreshHz = { fact: "refreshHz", judge } satisfies FitRule;
