import type { FactName } from "../factNames";
import { factOf } from "../factOf";
import { spanWords } from "../factWords";
import { apart, type Span, spanOf, within } from "../figure";
import type { Panel } from "../schema";
import { destroyingRow } from "./destroying";
import { type FitRule, NOT_GIVEN, type RuleInput, shown } from "./row";

type Rating = number | Span;

/**
 * The rule of a supply or current: the same only when what the machine feeds lies wholly inside what the candidate takes. Without a
 * recorded rail, what the machine feeds is known only as what the old panel takes.
 * @param rail the machine's own rail, when recorded @param unit "V" or "mA"
 * @example supply("logicSupplyV", "Logic supply, V", "V", () => undefined, "Read the label").fact // "logicSupplyV"
 */
export const supply = <K extends "logicSupplyV" | "backlightSupplyV" | "ledCurrentMa">(
  fact: K,
  name: string,
  unit: string,
  rail: (i: RuleInput) => Span | undefined,
  look: string,
  share?: (i: RuleInput) => { fed: number; takes: number },
) =>
  ({
    fact: fact as FactName,
    destroying: true,
    notByEye: true,
    judge: (i: RuleInput) => {
      const a = (i.old[fact] ?? NOT_GIVEN) as { value: Rating | null; source: "D" };
      const b = (i.candidate[fact] ?? NOT_GIVEN) as { value: Rating | null; source: "D" };
      const fed = rail(i);
      const { fed: stray, takes } = share?.(i) ?? { fed: i.limits.railShare, takes: i.limits.takesShare };
      const judged = destroyingRow<Rating>({
        spec: { field: fact, name, words: spanWords, look },
        fact,
        // What the board feeds is known by itself: then the old panel's rating adds nothing.
        old: fed ? { value: fed, source: "D" } : a,
        candidate: b,
        agree: fed
          ? `This board feeds ${spanWords(fed)} ${unit}, inside what it takes.`
          : "All that the old one takes lies inside what it takes.",
        clash: (x, y) => {
          const given = fed ?? spanOf(x, stray);
          const takesIt = spanOf(y, takes);
          const feeds = fed ? `This board feeds ${spanWords(fed)} ${unit}` : `The old one takes ${spanWords(x)} ${unit}`;
          if (within(given, takesIt)) return null;
          const over = given.max > takesIt.max;
          if (apart(given, takesIt))
            return {
              verdict: "stop",
              words: `${spanWords(y)}, not ${spanWords(fed ?? x)}`,
              reason: `${feeds}, this one ${spanWords(y)}: ${over ? "it burns when it is connected" : "it does not start, and the board may be overloaded"}.`,
            };
          return {
            verdict: "unknown",
            words: fed ? `${spanWords(y)} for ${spanWords(fed)}` : `${spanWords(y)}: rail not known`,
            reason: `${feeds}, this one ${spanWords(y)}: they overlap, and at ${over ? "the upper end it burns" : "the lower end it does not start"}. ${fed ? "Only the maker's word on this pair settles it." : "Find out what this board feeds."}`,
          };
        },
      });
      return { ...judged, old: shown(a, spanWords) };
    },
  }) as const satisfies FitRule;

/** Whether either panel says anything of a fact. @example isSaid("cell", old, candidate) // false */
export const isSaid = (fact: FactName, old: Panel, candidate: Panel): boolean =>
  factOf(old, fact) !== undefined || factOf(candidate, fact) !== undefined;
