import { type Carried, carried } from "./carried";
import { CHANGES, type FitRow, type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    link: true;
  }
}

const LINK: Record<Carried["verdict"], FitRow["verdict"]> = {
  asBefore: "same",
  fits: "same",
  fitsLower: "change",
  lowerDepth: "change",
  choice: "ask",
  fails: "stop",
  unknown: "unknown",
};

const judge: Rule = (i) => {
  const spec: Spec<number> = {
    field: "link",
    name: "Link, lanes",
    words: (v) => `${v}`,
    look: "Find lanes and link rates in a datasheet, or read the EDID",
  };
  const k = carried(i);
  return row(spec, i.old.lanes, i.candidate.lanes, {
    verdict: LINK[k.verdict],
    words: k.verdict === "asBefore" ? "same" : k.words,
    reason: k.reason,
    ...(k.verdict === "fitsLower"
      ? { change: CHANGES.lowerMode }
      : k.verdict === "lowerDepth"
        ? { change: CHANGES.lowerDepth }
        : {}),
  });
};

export const link = { fact: "lanes", judge } satisfies FitRule;
