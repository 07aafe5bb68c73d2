import type { Build } from "../../build";
import { decides, mm } from "../../quantity";
import type { Panel } from "../schema";
import { CHANGES, equal, type FitRow, type FitRule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    tabs: true;
  }
}

function tabsRow(old: Panel, cand: Panel, build: Build | null): FitRow {
  type Tabs = NonNullable<Panel["tabs"]["value"]>;
  const spec: Spec<Tabs> = {
    field: "tabs",
    name: "Mounting tabs",
    words: (v) => (v.length ? `${v.length}, screwed` : "none"),
    look: "Count the tabs and hold them against the old panel",
  };
  const a = old.tabs;
  const b = cand.tabs;
  if (b.value === null || !decides(b) || a.value === null || !decides(a))
    return row(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Tabs are not known on both sides from a source that decides.",
    });
  if (equal(a.value, b.value))
    return row(spec, a, b, { verdict: "same", words: "same", reason: "Same tabs at the same places." });
  if (b.value.length === 0)
    return row(spec, a, b, {
      verdict: "change",
      words: "none: hold with tape",
      reason: "The old one is screwed, this one has no tabs: tape holds it.",
      change: CHANGES.tapeForTabs,
    });
  const outline = cand.outline.value;
  const pocket = build?.lid.pocket;
  if (pocket && outline && decides(cand.outline)) {
    const reach = (edge: "left" | "right" | "top" | "bottom") =>
      Math.max(0, ...b.value!.filter((t) => t.edge === edge).map((t) => t.outMm));
    const wide = outline.widthMm + reach("left") + reach("right");
    const high = outline.heightMm + reach("top") + reach("bottom");
    const over = Math.max(wide - pocket.widthMm, high - pocket.heightMm);
    if (over > 1e-9)
      return row(spec, a, b, {
        verdict: "stop",
        words: `tabs ${mm(over)} too far out`,
        reason: `With its tabs it is ${mm(wide)} × ${mm(high)} mm; the pocket is ${mm(pocket.widthMm)} × ${mm(pocket.heightMm)}.`,
      });
    if (a.value.length === 0)
      return row(spec, a, b, {
        verdict: "change",
        words: "tabs left unused",
        reason: "The tabs go into the pocket; tape holds the panel as before.",
        change: CHANGES.unusedTabs,
      });
  }
  return row(spec, a, b, {
    verdict: "unknown",
    words: "other places",
    reason: "Tabs sit elsewhere; whether this lid has bosses there is not known.",
  });
}

export const tabs = { fact: "tabs", judge: (i) => tabsRow(i.old, i.candidate, i.build) } satisfies FitRule;
