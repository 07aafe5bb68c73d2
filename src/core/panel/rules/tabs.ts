import { counted, mm } from "../../quantity";
import { NEAR_LID, nearMm } from "../figure";
import { bestPlace } from "../place";
import type { Panel } from "../schema";
import { sureOf } from "../settles";
import { CHANGES, equal, type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    tabs: true;
  }
}

const judge: Rule = ({ old, candidate, build, limits }) => {
  type Tabs = NonNullable<Panel["tabs"]["value"]>;
  const spec: Spec<Tabs> = {
    field: "tabs",
    name: "Mounting tabs",
    words: (v) => (v.length ? `${v.length}, screwed` : "none"),
    look: "Count the tabs and hold them against the old panel",
  };
  const [a, b] = [old.tabs, candidate.tabs];
  const is = sureOf("tabs", b);
  const was = sureOf("tabs", a);
  if (is === null || was === null)
    return row(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Tabs are not known on both sides from a source that decides.",
    });
  const size = sureOf("outline", candidate.outline);
  const oldSize = sureOf("outline", old.outline);
  // The same tabs stand at the same places only on the same outline.
  const sameOutline =
    size !== null &&
    oldSize !== null &&
    Math.abs(size.widthMm - oldSize.widthMm) <= limits.bossMm &&
    Math.abs(size.heightMm - oldSize.heightMm) <= limits.bossMm;
  if (is.length === 0 && was.length === 0)
    return row(spec, a, b, { verdict: "same", words: "same", reason: "Neither has tabs." });
  if (equal(was, is) && (sameOutline || (a.value !== null && !size)))
    return row(spec, a, b, { verdict: "same", words: "same", reason: "Same tabs at the same places." });
  if (is.length === 0)
    return row(spec, a, b, {
      verdict: "change",
      words: "none: hold with tape",
      reason: "The old one is screwed, this one has no tabs: tape holds it.",
      change: CHANGES.tapeForTabs,
    });
  if (!build || !size)
    return row(spec, a, b, {
      verdict: "unknown",
      words: "other places",
      reason: "Tabs sit elsewhere; whether this lid has bosses there is not known.",
    });
  const place = bestPlace(old, candidate, build, limits);
  const reach = (edge: "left" | "right" | "top" | "bottom") =>
    Math.max(0, ...is.filter((t) => t.edge === edge).map((t) => t.outMm));
  const wide = size.widthMm + reach("left") + reach("right");
  const high = size.heightMm + reach("top") + reach("bottom");
  const { pocket } = build.lid;
  if (place.state === "none" && place.by === "tabs") {
    const over = Math.max(wide - pocket.widthMm, high - pocket.heightMm);
    return row(spec, a, b, {
      verdict: "stop",
      words: over > 0 ? `tabs ${mm(over)} too far out` : "tabs meet the frame",
      reason: `With its tabs it is ${mm(wide)} × ${mm(high)} mm; the pocket is ${mm(pocket.widthMm)} × ${mm(pocket.heightMm)}. There is no place at which tabs and picture are both right.`,
    });
  }
  if (place.doubt === "tabs")
    return row(spec, a, b, {
      verdict: "unknown",
      words: "tabs to be tried",
      reason: `With its tabs it is ${mm(wide)} × ${mm(high)} mm, known to ${mm(nearMm([size.widthMm], candidate.outline) + NEAR_LID)}; the pocket is ${mm(pocket.widthMm)} × ${mm(pocket.heightMm)}.`,
    });
  if (was.length === 0)
    return row(spec, a, b, {
      verdict: "change",
      words: "tabs left unused",
      reason: "The tabs go into the pocket; tape holds the panel as before.",
      change: CHANGES.unusedTabs,
    });
  if (!oldSize)
    return row(spec, a, b, {
      verdict: "unknown",
      words: "other places",
      reason: "Where the old one was screwed is not known without its outline.",
    });
  if (place.met === is.length && place.met === was.length)
    return row(spec, a, b, {
      verdict: "same",
      words: "same",
      reason: `${counted(place.met, "tab")} over the bosses, within ${limits.bossMm} mm.`,
    });
  if (place.met > 0)
    return row(spec, a, b, {
      verdict: "change",
      words: `${place.met} of ${Math.max(was.length, is.length)} meet: tape besides`,
      reason: `${counted(place.met, "tab meets its boss", "tabs meet their bosses")}: screw it there, tape for the rest.`,
      change: CHANGES.screwSome,
    });
  return row(spec, a, b, {
    verdict: "change",
    words: "none meets a boss: tape",
    reason: "Its tabs lie clear in the pocket and over no boss of the old one: tape holds it.",
    change: CHANGES.tapeForTabs,
  });
};

export const tabs = { fact: "tabs", judge } satisfies FitRule;
