import type { Sourced } from "../../quantity";
import { both, carried } from "./carried";
import { equal, type FitRow, type RuleInput, row, type Spec } from "./row";

/**
 * A field that may differ when the link carries it, but somebody must want it.
 * @example wanted(spec, old.refreshHz, candidate.refreshHz, { old, candidate, build }, () => "other").verdict // "same"
 */
export function wanted<T>(spec: Spec<T>, a: Sourced<T>, b: Sourced<T>, i: RuleInput, say: (a: T, b: T) => string): FitRow {
  if (!both(a, b))
    return row(spec, a, b, {
      verdict: "unknown",
      words: b.source === "G" ? "guess from the code" : "not certain",
      reason: "Not known on both sides from a source that decides.",
    });
  if (equal(a.value, b.value)) return row(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  const k = carried(i);
  const words = say(a.value as T, b.value as T);
  if (k.verdict === "fails")
    return row(spec, a, b, { verdict: "stop", words, reason: `The link does not carry it. ${k.reason}` });
  if (k.verdict === "unknown" && spec.field === "pixels")
    return row(spec, a, b, { verdict: "unknown", words, reason: `Whether the link carries it cannot be told. ${k.reason}` });
  return row(spec, a, b, { verdict: "ask", words, reason: `It works and looks different: ask the customer. ${k.reason}` });
}
