import { CHANGES, type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    inTheBox: true;
  }
}

/** What is looked for in the box, who supplies it when it is not there, and what that takes. */
const WANTED = [
  { what: "brackets", says: /bracket|rail/i, from: "from the old panel", change: CHANGES.moveOver },
  { what: "the sensor", says: /sensor/i, from: "from the old panel", change: CHANGES.moveOver },
  { what: "tape", says: /tape/i, from: "from the shelf", change: CHANGES.freshTape },
] as const;

/** What comes with it. Known is enough: what the old one had and this one lacks is moved over or fetched. */
const judge: Rule = ({ old, candidate }) => {
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
  const has = b.value;
  const lacks = WANTED.filter((w) => old.inTheBox.value?.some((x) => w.says.test(x)) && !has.some((x) => w.says.test(x)));
  if (lacks.length) {
    const moved = lacks.filter((w) => w.change === CHANGES.moveOver);
    const bought = lacks.length - moved.length;
    return row(spec, old.inTheBox, b, {
      verdict: "change",
      words: `without ${lacks.map((w) => w.what).join(" and ")}`,
      reason: `${lacks.map((w) => `${w.what[0]!.toUpperCase()}${w.what.slice(1)} ${w.from}`).join("; ")}.`,
      change: {
        ...(moved.length ? CHANGES.moveOver : CHANGES.freshTape),
        minutes: moved.length * CHANGES.moveOver.minutes + bought * CHANGES.freshTape.minutes,
        costMinor: bought * CHANGES.freshTape.costMinor,
        ...(moved.length && bought ? { part: CHANGES.freshTape.part } : {}),
      },
    });
  }
  return row(spec, old.inTheBox, b, {
    verdict: "same",
    words: has.length ? "comes with it" : "panel only",
    reason: "Brackets, sensor and tape it lacks are moved over or fetched.",
  });
};

export const inTheBox = { fact: "inTheBox", judge } satisfies FitRule;
