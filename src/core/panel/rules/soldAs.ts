import { SUBJECT_WORDS } from "../../build";
import type { Sourced } from "../../quantity";
import { sureOf } from "../settles";
import { type Bought, boughtAs, wordOf } from "./boughtAs";
import { type FitRow, type FitRule, NOT_GIVEN, type RuleInput, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    soldAs: true;
  }
}

/** Whether what the seller sends is what this repair takes out: the panel alone, the front unit, the whole lid, the bare cell. */
const judge = (i: RuleInput): FitRow | null => {
  const wanted = boughtAs(i);
  const b = (i.candidate.soldAs ?? NOT_GIVEN) as Sourced<Bought>;
  // Nearly everything sold is a panel: only where this repair buys something else does silence ask a question.
  if (wanted === "panel" && (!i.build || b.value === null)) return null;
  const spec: Spec<Bought> = {
    field: "soldAs",
    name: "Sold as",
    words: wordOf,
    look: `Ask the seller whether it is ${wordOf(wanted)}`,
  };
  const a: Sourced<Bought> = { value: wanted, source: "D" };
  const is = sureOf("soldAs", b);
  if (is === null)
    return row(spec, a, b, {
      verdict: "unknown",
      words: "not known",
      round: { verdict: "stop" },
      reason: `This machine's repair replaces ${wordOf(wanted)}. Nobody has said that this is one.`,
    });
  if (is === wanted) return row(spec, a, b, { verdict: "same", words: "same", reason: `Both are ${wordOf(wanted)}.` });
  return row(spec, a, b, {
    verdict: "stop",
    words: `is ${wordOf(is)}, not ${wordOf(wanted)}`,
    reason: `The build of this machine takes ${wordOf(wanted)} out. With ${wordOf(is)} it is another job: choose a build for the ${SUBJECT_WORDS[is]} first, or another candidate.`,
  });
};

export const soldAs = { fact: "soldAs", judge } satisfies FitRule;
