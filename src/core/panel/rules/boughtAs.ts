import { type Build, SUBJECT_WORDS } from "../../build";
import type { Sourced } from "../../quantity";
import type { FactName } from "../factNames";
import { VALUE_WORDS } from "../factWords";
import type { Panel } from "../schema";
import { sureOf, weakWords } from "../settles";
import { equal, type FitField, type FitRow, type FitRule, NOT_GIVEN, type RuleInput, row, type Spec } from "./row";

/** What a repair buys: the panel, or the panel with something round it or without something. */
export type Bought = Build["subject"]["kind"];

/**
 * What this machine's repair replaces, as its build says; a panel where no build is known.
 * @example boughtAs({ build: null }) // "panel"
 */
export const boughtAs = ({ build }: Pick<RuleInput, "build">): Bought => build?.subject.kind ?? "panel";

/**
 * Fields that say nothing of what is bought: inside a whole lid the panel's place, size and tabs were the lid maker's matter; a bare
 * cell sits in the old frame with the old light behind it.
 */
const NOT_OF: Readonly<Partial<Record<Bought, readonly FitField[]>>> = {
  lidAssembly: ["outline", "thicknessMm", "lowerEdgeMm", "window", "tabs", "connectorAt", "cableExit", "inTheBox"],
  frontUnit: ["tabs"],
  cell: ["tabs", "brightnessNits", "gamutPercent"],
};

/** Whether a field is compared for what this machine's repair buys. @example isOf("tabs", { build: null }) // true */
export const isOf = (field: FitField, i: Pick<RuleInput, "build">): boolean => !NOT_OF[boughtAs(i)]?.includes(field);

type Plain<K extends FactName & keyof Panel> = NonNullable<NonNullable<Panel[K]>["value"]>;

/**
 * The rule of a fact that belongs to what is bought: no row for anything else, and for it always one. A whole lid whose record is silent about it has
 * to be looked at; silence is not *same*.
 * @param kinds what must be bought for it to be asked
 * @param round what it comes to when a look at the part in hand finds a difference
 * @param differs null where nobody can tell the two apart
 * @param was what the machine's own build says of the old one, where its record is silent
 * @example belongs("colour", ["lidAssembly"], "Colour", "Hold the two together", String, { verdict: "ask" }, () => null).fact // "colour"
 */
export const belongs = <K extends FactName & keyof Panel>(
  fact: K,
  kinds: readonly Bought[],
  name: string,
  look: string,
  words: (v: Plain<K>) => string,
  round: NonNullable<FitRow["round"]>,
  differs: (
    was: Plain<K>,
    is: Plain<K>,
    i: RuleInput,
    v: { old: Sourced<Plain<K>>; candidate: Sourced<Plain<K>> },
  ) => (Pick<FitRow, "verdict" | "words" | "reason"> & Partial<FitRow>) | null,
  fromBuild: (b: Build) => Plain<K> | null = () => null,
) =>
  ({
    fact: fact as FactName,
    judge: (i: RuleInput): FitRow | null => {
      if (!kinds.includes(boughtAs(i))) return null;
      type V = Plain<K>;
      const said = (i.old[fact] ?? NOT_GIVEN) as Sourced<V>;
      const seen = said.value === null && i.build ? fromBuild(i.build) : null;
      const a: Sourced<V> = seen === null ? said : { value: seen, source: "D" };
      const b = (i.candidate[fact] ?? NOT_GIVEN) as Sourced<V>;
      const spec: Spec<V> = { field: fact, name, words, look };
      const was = sureOf(fact, a);
      const is = sureOf(fact, b);
      if (was === null || is === null)
        return row(spec, a, b, {
          verdict: "unknown",
          words: b.value !== null && is === null ? weakWords(b.source) : "not known",
          round,
          reason: `Not known of ${was === null && is === null ? "either one" : was === null ? `the old ${SUBJECT_WORDS[boughtAs(i)]}` : "the candidate"} from a source that decides.`,
        });
      return row(
        spec,
        a,
        b,
        differs(was, is, i, { old: a, candidate: b }) ?? {
          verdict: "same",
          words: "same",
          reason: equal(was, is) ? "Both known, and equal." : "Both known; nobody can tell them apart.",
        },
      );
    },
  }) satisfies FitRule;

/** A value that stands for words. @example wordOf("lidAssembly") // "the whole lid" */
export const wordOf = (v: string): string => VALUE_WORDS[v] ?? v;
