import { sureOf } from "../settles";
import { type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    touch: true;
  }
}

type Touch = "none" | "onCell" | "separate";
const TOUCH_WORDS: Readonly<Record<Touch, string>> = { none: "none", onCell: "in the cell", separate: "separate layer" };

const judge: Rule = ({ old, candidate }) => {
  const spec: Spec<Touch> = {
    field: "touch",
    name: "Touch",
    words: (v) => TOUCH_WORDS[v] ?? v,
    look: "Look for a touch layer and its lead",
  };
  const a = old.touch;
  const b = candidate.touch;
  const was = sureOf("touch", a);
  const is = sureOf("touch", b);
  if (was === null || is === null)
    return row<Touch>(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Not known on both sides from a source that decides.",
    });
  if (was === is) return row<Touch>(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  const [words, reason] =
    was === "none"
      ? ["touch stays dead", "This machine has no lead for it: the touch layer does nothing."]
      : is === "none"
        ? ["touch is lost", "The picture works; touch does not, unless its own layer is moved over."]
        : [
            `${TOUCH_WORDS[is]}, not ${TOUCH_WORDS[was]}`,
            is === "separate"
              ? "Its touch layer has a lead of its own; the old one's went over the display cable: touch stays dead without that lead."
              : "Its touch goes over the display cable; the old one's had a lead of its own: touch stays dead unless this cable carries it.",
          ];
  return row<Touch>(spec, a, b, { verdict: "ask", words: words!, reason: reason! });
};

export const touch = { fact: "touch", judge } satisfies FitRule;
