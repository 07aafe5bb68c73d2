import { decides, type Sourced } from "../../quantity";
import type { FactName } from "../factNames";
import type { Panel } from "../schema";
import { equal, type FitRow, type FitRule, row, type Spec } from "./row";

/**
 * A field that burns a board when it is wrong: known different stops, anything not certain is unknown.
 * @example destroyingRow(spec, { value: 40, source: "L" }, { value: 30, source: "L" }).verdict // "stop"
 */
export function destroyingRow<T>(spec: Spec<T>, a: Sourced<T>, b: Sourced<T>): FitRow {
  const base = { destroying: true };
  if (a.value !== null && b.value !== null && !equal(a.value, b.value))
    return row(spec, a, b, {
      ...base,
      verdict: "stop",
      words: `${spec.words(b.value)}, not ${spec.words(a.value)}`,
      reason: "A difference here can destroy the board or the panel when they are mated.",
    });
  const missing =
    a.value === null ? (b.value === null ? "either panel" : "the old panel") : b.value === null ? "the candidate" : null;
  if (missing)
    return row(spec, a, b, {
      ...base,
      verdict: "unknown",
      words: "not known",
      reason: `Not known for ${missing}. Unknown is never the same.`,
    });
  const weak = !decides(a) ? a.source : !decides(b) ? b.source : null;
  if (weak)
    return row(spec, a, b, {
      ...base,
      verdict: "unknown",
      words: weak === "S" ? "only the seller says so" : "guess from the code",
      reason: "A seller's word or a guess from the code cannot decide a field that can destroy the board.",
    });
  return row(spec, a, b, { ...base, verdict: "same", words: "same", reason: "Both known, and equal." });
}

/**
 * The rule of a fact that can destroy a board or panel at the moment of mating.
 * @example destroying("contacts", "Contacts", String, "Count them").fact // "contacts"
 */
export const destroying = <K extends FactName & keyof Panel>(
  fact: K,
  name: string,
  words: (v: NonNullable<NonNullable<Panel[K]> extends { value: infer V } ? V : never>) => string,
  look: string,
) =>
  ({
    fact,
    destroying: true,
    judge: ({ old, candidate }) =>
      destroyingRow(
        { field: fact, name, words, look } as Spec<unknown>,
        old[fact] as Sourced<unknown>,
        candidate[fact] as Sourced<unknown>,
      ),
  }) as const satisfies FitRule;
