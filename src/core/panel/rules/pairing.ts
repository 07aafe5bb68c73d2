import type { Sourced } from "../../quantity";
import { CHANGES, type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    pairing: true;
  }
}

/** What a panel nobody bound to its board may lack. */
export const UNPAIRED =
  "Left unpaired it may lose its colour tone, its brightness control or sleep on closing, and the machine may warn at every start.";

/** Whether the machine has to be told of a new panel by its maker's software. */
const judge: Rule = ({ build }) => {
  const spec: Spec<boolean> = {
    field: "pairing",
    name: "Pairing",
    words: (v) => (v ? "needed" : "none"),
    look: "Find out whether this machine pairs its panel to the board",
  };
  const value: Sourced<boolean> = { value: build?.pairing ?? null, source: "D" };
  if (value.value === null)
    return row(spec, value, value, {
      verdict: "unknown",
      words: "not known",
      reason: "Nobody has recorded whether this machine pairs its panel.",
    });
  return value.value
    ? row(spec, value, value, {
        verdict: "change",
        words: "pair it",
        reason: `Bind the new panel with the maker's software, after power is proven. ${UNPAIRED}`,
        change: CHANGES.pair,
      })
    : row(spec, value, value, { verdict: "same", words: "same", reason: "This machine takes any panel that fits." });
};

export const pairing = { fact: null, judge } satisfies FitRule;
