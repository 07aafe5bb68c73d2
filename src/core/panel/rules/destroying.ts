import { SOURCE_WORDS, type Sourced } from "../../quantity";
import type { FactName } from "../factNames";
import type { Panel } from "../schema";
import { settles, weakWords } from "../settles";
import { equal, type FitRow, type FitRule, type RuleInput, row, type Spec } from "./row";

/** What two values of a field come to, when both are known: null where they agree. */
export interface Clash {
  verdict: "stop" | "unknown" | "change";
  words: string;
  reason: string;
  change?: FitRow["change"];
  notByEye?: true;
}
export interface Judged<T> {
  spec: Spec<T>;
  fact: FactName;
  old: Sourced<T>;
  candidate: Sourced<T>;
  /** Whether the two agree, and what it means where they do not. */
  clash: (a: T, b: T) => Clash | null;
  /** Why two that agree are the same. */
  agree?: string;
}

/**
 * A field that burns a board when it is wrong: known different stops, anything not settled is unknown. What only suggests (a seller,
 * a guess, a default, an EDID of what no EDID knows) neither lets in nor keeps out.
 * @example destroyingRow({ spec, fact: "contacts", old: { value: 40, source: "L" }, candidate: { value: 30, source: "L" }, clash: () => ({ verdict: "stop", words: "30", reason: "Burns." }) }).verdict // "stop"
 */
export function destroyingRow<T>({ spec, fact, old: a, candidate: b, clash, agree }: Judged<T>): FitRow {
  const base = { destroying: true };
  const missing =
    a.value === null ? (b.value === null ? "either panel" : "the old panel") : b.value === null ? "the candidate" : null;
  if (missing)
    return row(spec, a, b, {
      ...base,
      verdict: "unknown",
      words: "not known",
      reason: `Not known for ${missing}. Unknown is never the same.`,
    });
  const found = clash(a.value!, b.value!);
  const weak = !settles(fact, a, "old") ? a : !settles(fact, b) ? b : null;
  if (weak)
    return row(spec, a, b, {
      ...base,
      verdict: "unknown",
      words: weakWords(weak.source),
      reason: `${found ? `${spec.words(b.value!)}, not ${spec.words(a.value!)}, but ` : ""}${found ? "this" : "This"} stands on ${SOURCE_WORDS[weak.source]} alone, and ${weak.source === "S" ? "a seller's word" : weak.source === "G" ? "a guess from the code" : weak.source === "A" ? "a default" : weak.source === "E" ? "an EDID" : "that"} cannot settle a field that can destroy the board. Look before it is connected.`,
    });
  if (found) return row(spec, a, b, { ...base, ...found });
  return row(spec, a, b, { ...base, verdict: "same", words: "same", reason: agree ?? "Both known, and equal." });
}

/**
 * The rule of a fact that can destroy a board or panel at the moment of mating.
 * @param why what a difference does, in words
 * @example destroying("contacts", "Contacts", String, "Count them").fact // "contacts"
 */
export const destroying = <K extends FactName & keyof Panel>(
  fact: K,
  name: string,
  words: (v: NonNullable<NonNullable<Panel[K]> extends { value: infer V } ? V : never>) => string,
  look: string,
  clash?: (a: never, b: never, i: RuleInput) => Clash | null,
) =>
  ({
    fact,
    destroying: true,
    judge: (i) =>
      destroyingRow<unknown>({
        spec: { field: fact, name, words, look } as Spec<unknown>,
        fact,
        old: i.old[fact] as Sourced<unknown>,
        candidate: i.candidate[fact] as Sourced<unknown>,
        clash: (a, b) =>
          clash
            ? clash(a as never, b as never, i)
            : equal(a, b)
              ? null
              : {
                  verdict: "stop",
                  words: `${words(b as never)}, not ${words(a as never)}`,
                  reason: "A difference here can destroy the board or the panel when they are mated.",
                },
      }),
  }) as const satisfies FitRule;
