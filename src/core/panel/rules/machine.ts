import { decides, type Sourced } from "../../quantity";
import { CHANGES, type Rule, row, type Spec } from "./row";

const TOUCH_WORDS: Record<string, string> = { none: "none", onCell: "in the cell", separate: "separate layer" };

export const touchRule: Rule = ({ old, candidate }) => {
  type Touch = "none" | "onCell" | "separate";
  const spec: Spec<Touch> = {
    field: "touch",
    name: "Touch",
    words: (v) => TOUCH_WORDS[v] ?? v,
    look: "Look for a touch layer and its lead",
  };
  const a = old.touch;
  const b = candidate.touch;
  if (a.value === null || b.value === null || !decides(a) || !decides(b))
    return row<Touch>(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Not known on both sides from a source that decides.",
    });
  if (a.value === b.value) return row<Touch>(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  const lost = a.value !== "none";
  return row<Touch>(spec, a, b, {
    verdict: "ask",
    words: lost ? "touch is lost" : "touch stays dead",
    reason: lost
      ? "The picture works; touch does not, unless its own layer is moved over."
      : "This machine has no lead for it: the touch layer does nothing.",
  });
};

/** Whether the machine has to be told of a new panel by its maker's software. */
export const pairingRule: Rule = ({ build }) => {
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
        reason: "Bind the new panel with the maker's software, after power is proven.",
        change: CHANGES.pair,
      })
    : row(spec, value, value, { verdict: "same", words: "same", reason: "This machine takes any panel that fits." });
};

/** What comes with it. Known is enough: what is missing is moved over or fetched with the tape. */
export const boxRule: Rule = ({ old, candidate }) => {
  const spec: Spec<string[]> = {
    field: "inTheBox",
    name: "In the box",
    words: (v) => (v.length ? v.join(", ") : "panel only"),
    look: "See what comes with it: brackets, tape, sensor, films",
  };
  const b = candidate.inTheBox;
  if (b.value === null)
    return row(spec, old.inTheBox, b, {
      verdict: "unknown",
      words: "not known",
      reason: "The seller does not say what comes with it.",
    });
  return row(spec, old.inTheBox, b, {
    verdict: "same",
    words: b.value.length ? "comes with it" : "panel only",
    reason: "Brackets, sensor and tape it lacks are moved over or fetched.",
  });
};
