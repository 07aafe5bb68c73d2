import type { Sourced } from "../../quantity";
import type { FactName } from "../factNames";
import { sureOf, weakWords } from "../settles";
import { carried } from "./carried";
import { equal, type FitRow, type RuleInput, row, type Spec } from "./row";

/**
 * A field that may differ when the link carries it, but somebody must want it. One that will run as the old one did asks nobody.
 * @example wanted("refreshHz", spec, old.refreshHz, candidate.refreshHz, { old, candidate, build, limits: FIT_LIMITS }, { say: () => "other" }).verdict // "same"
 */
export function wanted<T>(
  fact: FactName,
  spec: Spec<T>,
  a: Sourced<T>,
  b: Sourced<T>,
  i: RuleInput,
  how: { say: (a: T, b: T) => string; same?: (a: T, b: T) => boolean; runs?: "refreshHz" | "bits" },
): FitRow {
  const was = sureOf(fact, a);
  const is = sureOf(fact, b);
  if (was === null || is === null)
    return row(spec, a, b, {
      verdict: "unknown",
      words: b.value !== null && is === null ? weakWords(b.source) : "not certain",
      reason: "Not known on both sides from a source that decides.",
    });
  const same = how.same ?? equal;
  if (same(was, is))
    return row(spec, a, b, {
      verdict: "same",
      words: "same",
      reason: equal(was, is) ? "Both known, and equal." : "Both known; nobody can tell them apart.",
    });
  const k = carried(i);
  const words = how.say(was, is);
  if (k.verdict === "fails")
    return row(spec, a, b, { verdict: "stop", words, reason: `The link does not carry it. ${k.reason}` });
  if (k.verdict === "unknown" && spec.field === "pixels")
    return row(spec, a, b, { verdict: "unknown", words, reason: `Whether the link carries it cannot be told. ${k.reason}` });
  const runs = how.runs ? k[how.runs] : null;
  if (runs !== null && same(was, runs as T) && (k.verdict === "fitsLower" || k.verdict === "lowerDepth"))
    return row(spec, a, b, {
      verdict: "same",
      words: `runs at ${Math.round(runs)}, as before`,
      reason: `Made for ${spec.words(is)}; it will run as the old one did. ${k.reason}`,
    });
  return row(spec, a, b, { verdict: "ask", words, reason: `It works and looks different: ask the customer. ${k.reason}` });
}
