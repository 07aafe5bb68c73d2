import type { Sourced } from "../../quantity";
import type { FactName } from "../factNames";
import { spanWords, VALUE_WORDS } from "../factWords";
import type { Panel } from "../schema";
import { sureOf, weakWords } from "../settles";
import { equal, type FitRow, type FitRule, NOT_GIVEN, type RuleInput, row, type Spec } from "./row";
import { soldWith } from "./soldWith";
import { isSaid } from "./supply";

type Plain<K extends FactName & keyof Panel> = NonNullable<NonNullable<Panel[K]>["value"]>;
type Differs = Pick<FitRow, "verdict" | "words" | "reason"> & Partial<FitRow>;

/**
 * The rule of a fact that no old record has: left out where neither panel speaks of it, a look where one does, and what its
 * difference means where both do.
 * @param differs null where nobody can tell the two apart
 * @example asked("privacy", "Privacy layer", "Look from the side", () => null).fact // "privacy"
 */
export const asked = <K extends FactName & keyof Panel>(
  fact: K,
  name: string,
  look: string,
  differs: (was: Plain<K>, is: Plain<K>, i: RuleInput, pm: number) => Differs | null,
) =>
  ({
    fact: fact as FactName,
    judge: (i: RuleInput): FitRow | null => {
      if (!isSaid(fact, i.old, i.candidate)) return null;
      type V = Plain<K>;
      const a = (i.old[fact] ?? NOT_GIVEN) as Sourced<V>;
      const b = (i.candidate[fact] ?? NOT_GIVEN) as Sourced<V>;
      const spec: Spec<V> = {
        field: fact,
        name,
        words: (v) => (typeof v === "string" ? (VALUE_WORDS[v] ?? v) : spanWords(v as never)),
        look,
      };
      const was = sureOf(fact, a);
      const is = sureOf(fact, b);
      if (was === null || is === null) {
        const seen = fact === "dimming" ? soldWith(i) : null;
        return seen
          ? row(spec, a, b, {
              verdict: "same",
              words: "sold with it",
              reason: `Seen fitted with this board and cable: ${seen.seen}.`,
            })
          : row(spec, a, b, {
              verdict: "unknown",
              words: b.value !== null && is === null ? weakWords(b.source) : "not known",
              reason: `Not known of ${was === null && is === null ? "either panel" : was === null ? "the old panel" : "the candidate"} from a source that decides.`,
            });
      }
      const found = differs(was, is, i, (a.pm ?? 0) + (b.pm ?? 0));
      return row(
        spec,
        a,
        b,
        found ?? {
          verdict: "same",
          words: "same",
          reason: equal(was, is) ? "Both known, and equal." : "Both known; nobody can tell them apart.",
        },
      );
    },
  }) satisfies FitRule;
