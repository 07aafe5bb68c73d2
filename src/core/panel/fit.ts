import type { Build } from "../build";
import { decides, mm, type Source, type Sourced } from "../quantity";
import type { Panel } from "./schema";

export type FieldVerdict = "same" | "change" | "ask" | "stop" | "unknown";

/** Fields that can destroy a board or panel at the moment of mating. */
export const DESTROYING = [
  "family",
  "contacts",
  "pitchMm",
  "contactSide",
  "logicSupplyV",
  "backlight",
  "backlightSupplyV",
] as const;
export type DestroyingField = (typeof DESTROYING)[number];

/** Destroying fields that an eye cannot settle: only a datasheet, a label or the maker's own source can. */
export const NOT_BY_EYE: readonly string[] = ["logicSupplyV", "backlightSupplyV"];

export interface Shown {
  text: string;
  source: Source | null;
}

export interface FitRow {
  field: string;
  name: string;
  old: Shown;
  candidate: Shown;
  verdict: FieldVerdict;
  /** The difference in words, with the amount. */
  words: string;
  /** Why, with the limit it was held against. */
  reason: string;
  destroying: boolean;
  change?: { part: string; minutes: number };
  look?: string;
}

/** Adjustable limits of the window geometry (adj). Lengths in mm. */
export interface FitLimits {
  outlineSameMm: number;
  outlineShimMm: number;
  thicknessSameMm: number;
}
export const FIT_LIMITS: FitLimits = { outlineSameMm: 0.3, outlineShimMm: 4, thicknessSameMm: 0.2 };

const shown = <T>(v: Sourced<T>, words: (value: T) => string): Shown =>
  v.value === null ? { text: "unknown", source: null } : { text: words(v.value), source: v.source };

const FAMILY_WORDS: Record<string, string> = { eDP: "eDP", LVDS: "LVDS" };
const BACKLIGHT_WORDS: Record<string, string> = {
  ledOnPanel: "LED, on panel",
  ledFromBoard: "LED, from board",
  ccfl: "lamp and inverter",
  oled: "none, OLED",
};
const SIDE_WORDS: Record<string, string> = { shell: "the shell", glass: "the glass" };
const TOUCH_WORDS: Record<string, string> = { none: "none", onCell: "in the cell", separate: "separate layer" };

interface Spec<T> {
  field: keyof Panel & string;
  name: string;
  words: (v: T) => string;
  look: string;
}

const row = <T>(
  spec: Spec<T>,
  a: Sourced<T>,
  b: Sourced<T>,
  rest: Pick<FitRow, "verdict" | "words" | "reason"> & Partial<FitRow>,
): FitRow => ({
  field: spec.field,
  name: spec.name,
  old: shown(a, spec.words),
  candidate: shown(b, spec.words),
  destroying: false,
  ...(rest.verdict === "unknown" ? { look: spec.look } : {}),
  ...rest,
});

const equal = <T>(a: T, b: T): boolean =>
  typeof a === "number" && typeof b === "number" ? Math.abs(a - b) < 1e-9 : JSON.stringify(a) === JSON.stringify(b);

/** A field that burns a board when it is wrong: known different stops, anything not certain is unknown. */
function destroyingRow<T>(spec: Spec<T>, a: Sourced<T>, b: Sourced<T>): FitRow {
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
  const weak = !decides(a.source) ? a.source : !decides(b.source) ? b.source : null;
  if (weak)
    return row(spec, a, b, {
      ...base,
      verdict: "unknown",
      words: weak === "S" ? "only the seller says so" : "guess from the code",
      reason: "A seller's word or a guess from the code cannot decide a field that can destroy the board.",
    });
  return row(spec, a, b, { ...base, verdict: "same", words: "same", reason: "Both known, and equal." });
}

/** Fields whose rules come with a later version: equal and known is same, everything else is a look on arrival. */
function equalOrLook<T>(spec: Spec<T>, a: Sourced<T>, b: Sourced<T>): FitRow {
  if (a.value !== null && b.value !== null && decides(a.source) && decides(b.source) && equal(a.value, b.value))
    return row(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  const differs = a.value !== null && b.value !== null && !equal(a.value, b.value);
  return row(spec, a, b, {
    verdict: "unknown",
    words: differs ? "differs, not judged" : "not known",
    reason: differs
      ? "The two differ, and this field has no rule here: look when it arrives."
      : "Not known with a source that decides.",
  });
}

function outlineRow(old: Panel, cand: Panel, build: Build | null, limits: FitLimits): FitRow {
  const spec: Spec<{ widthMm: number; heightMm: number }> = {
    field: "outline",
    name: "Outline, mm",
    words: (v) => `${mm(v.widthMm)} × ${mm(v.heightMm)}`,
    look: "Measure the outline: width and height",
  };
  const a = old.outline;
  const b = cand.outline;
  if (b.value === null || !decides(b.source))
    return row(spec, a, b, {
      verdict: "unknown",
      words: b.value ? "not certain" : "not known",
      reason: "The candidate's outline has no source that decides.",
    });
  const pocket = build?.lid.pocket;
  if (pocket) {
    const overW = b.value.widthMm - pocket.widthMm;
    const overH = b.value.heightMm - pocket.heightMm;
    if (overW > 1e-9 || overH > 1e-9)
      return row(spec, a, b, {
        verdict: "stop",
        words: overW > 0 ? `${mm(overW)} too wide` : `${mm(overH)} too high`,
        reason: `The pocket of the lid is ${mm(pocket.widthMm)} × ${mm(pocket.heightMm)} mm.`,
      });
  }
  if (a.value === null || !decides(a.source)) {
    return row(spec, a, b, {
      verdict: "unknown",
      words: "old not measured",
      reason: pocket ? "It goes into the pocket, but the old outline is not known." : "The old outline is not known.",
    });
  }
  const dw = b.value.widthMm - a.value.widthMm;
  const dh = b.value.heightMm - a.value.heightMm;
  const worst = Math.abs(dw) > Math.abs(dh) ? dw : dh;
  const along = worst === dw ? (dw > 0 ? "wider" : "narrower") : dh > 0 ? "higher" : "shorter";
  if (Math.abs(worst) <= limits.outlineSameMm + 1e-9)
    return row(spec, a, b, { verdict: "same", words: "same", reason: `Within ${limits.outlineSameMm} mm.` });
  if (!pocket)
    return row(spec, a, b, {
      verdict: "unknown",
      words: `${mm(Math.abs(worst))} ${along}`,
      reason: "The pocket of this lid is not known, so a different outline cannot be judged.",
    });
  if (worst < -limits.outlineShimMm)
    return row(spec, a, b, {
      verdict: "stop",
      words: `${mm(-worst)} ${along}`,
      reason: `More than ${limits.outlineShimMm} mm smaller: it cannot be located or held.`,
    });
  return row(spec, a, b, {
    verdict: "change",
    words: `${mm(Math.abs(worst))} ${along}`,
    reason: "Goes into the pocket. Locate it by a shim on the free edge.",
    change: { part: "foam shim", minutes: 4 },
  });
}

function thicknessRow(old: Panel, cand: Panel, build: Build | null, limits: FitLimits): FitRow {
  const spec: Spec<number> = {
    field: "thicknessMm",
    name: "Thickness, mm",
    words: mm,
    look: "Measure the thickness at three places",
  };
  const a = old.thicknessMm;
  const b = cand.thicknessMm;
  if (b.value === null || !decides(b.source))
    return row(spec, a, b, {
      verdict: "unknown",
      words: b.value ? "not certain" : "not known",
      reason: "The candidate's thickness has no source that decides.",
    });
  const depth = build?.lid.pocketDepthMm;
  if (depth !== undefined && b.value > depth + 1e-9)
    return row(spec, a, b, {
      verdict: "stop",
      words: `${mm(b.value - depth)} too thick`,
      reason: `The pocket is ${mm(depth)} mm deep: the bezel would not latch and the glass is stressed.`,
    });
  if (a.value === null || !decides(a.source))
    return row(spec, a, b, { verdict: "unknown", words: "old not measured", reason: "The old thickness is not known." });
  const d = b.value - a.value;
  if (Math.abs(d) <= limits.thicknessSameMm + 1e-9)
    return row(spec, a, b, { verdict: "same", words: "same", reason: `Within ${limits.thicknessSameMm} mm.` });
  if (depth === undefined)
    return row(spec, a, b, {
      verdict: "unknown",
      words: `${mm(Math.abs(d))} ${d > 0 ? "thicker" : "thinner"}`,
      reason: "The pocket's depth is not known.",
    });
  return row(spec, a, b, {
    verdict: "change",
    words: `${mm(Math.abs(d))} ${d > 0 ? "thicker" : "thinner"}`,
    reason: `The pocket is ${mm(depth)} mm deep. Take ${d > 0 ? "thinner" : "thicker"} tape.`,
    change: { part: d > 0 ? "thinner tape" : "thicker tape", minutes: 3 },
  });
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
  if (b.value === null || !decides(b.source) || a.value === null || !decides(a.source))
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
      change: { part: "mounting tape", minutes: 8 },
    });
  const outline = cand.outline.value;
  const pocket = build?.lid.pocket;
  if (pocket && outline && decides(cand.outline.source)) {
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
        change: { part: "none", minutes: 2 },
      });
  }
  return row(spec, a, b, {
    verdict: "unknown",
    words: "other places",
    reason: "Tabs sit elsewhere; whether this lid has bosses there is not known.",
  });
}

function finishRow(old: Panel, cand: Panel): FitRow {
  const spec: Spec<string> = {
    field: "finish",
    name: "Finish",
    words: (v) => v,
    look: "Hold the front to a lamp: matt or glossy",
  };
  const { finish: a } = old;
  const { finish: b } = cand;
  if (a.value === null || b.value === null || !decides(a.source) || !decides(b.source))
    return row<string>(spec, a, b, {
      verdict: "unknown",
      words: b.source === "G" ? "guess from the code" : "not certain",
      reason: "The finish is not known on both sides from a source that decides.",
    });
  if (a.value === b.value) return row<string>(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  return row<string>(spec, a, b, {
    verdict: "ask",
    words: `${b.value}, not ${a.value}`,
    reason: "It fits, but somebody must want it: ask the customer.",
  });
}

function pixelsRow(old: Panel, cand: Panel): FitRow {
  const spec: Spec<{ h: number; v: number }> = {
    field: "pixels",
    name: "Pixels",
    words: (v) => `${v.h} × ${v.v}`,
    look: "Read the resolution off the label or the EDID",
  };
  const { pixels: a } = old;
  const { pixels: b } = cand;
  if (a.value === null || b.value === null || !decides(a.source) || !decides(b.source))
    return row(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "The resolution is not known on both sides from a source that decides.",
    });
  if (equal(a.value, b.value)) return row(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  return row(spec, a, b, {
    verdict: "unknown",
    words: "another resolution",
    reason: "Whether board and cable carry another resolution cannot be told without lanes and link rates of all three.",
  });
}

/**
 * Compares a candidate with the old panel in one machine, field by field, in table order.
 * Lengths in mm. A seller's word or a guess from the code never decides size, tabs, finish, or a destroying field.
 * @param old the panel in the machine, as far as it is known
 * @param candidate the panel that might replace it
 * @param build the machine, or null when it is not known (then sizes that differ are unknown)
 * @param limits adjustable limits in mm
 * @returns one row per field, each with verdict, difference, reason and both sources
 * @example compareFit(old, candidate, build).find((r) => r.field === "contacts")?.verdict // "stop"
 */
export function compareFit(old: Panel, candidate: Panel, build: Build | null, limits: FitLimits = FIT_LIMITS): FitRow[] {
  const one = <T>(field: Spec<T>["field"], name: string, words: (v: T) => string, look: string): Spec<T> => ({
    field,
    name,
    words,
    look,
  });
  return [
    destroyingRow(
      one<string>("family", "Interface", (v) => FAMILY_WORDS[v] ?? v, "Read the interface family off the label or datasheet"),
      old.family,
      candidate.family,
    ),
    destroyingRow(
      one<number>("contacts", "Contacts", (v) => `${v} pins`, "Count the contacts in the connector"),
      old.contacts,
      candidate.contacts,
    ),
    destroyingRow(
      one<number>("pitchMm", "Pitch, mm", (v) => String(v), "Measure the pitch over ten contacts"),
      old.pitchMm,
      candidate.pitchMm,
    ),
    destroyingRow(
      one<string>(
        "contactSide",
        "Contacts face",
        (v) => SIDE_WORDS[v] ?? v,
        "Contacts face the shell or the glass: hold it beside the old one",
      ),
      old.contactSide,
      candidate.contactSide,
    ),
    destroyingRow(
      one<number>(
        "logicSupplyV",
        "Logic supply, V",
        (v) => String(v),
        "Find the logic supply in a datasheet, on the label or from the maker",
      ),
      old.logicSupplyV,
      candidate.logicSupplyV,
    ),
    destroyingRow(
      one<string>("backlight", "Backlight", (v) => BACKLIGHT_WORDS[v] ?? v, "See where the backlight plugs in"),
      old.backlight,
      candidate.backlight,
    ),
    destroyingRow(
      one<number>(
        "backlightSupplyV",
        "Backlight supply, V",
        (v) => String(v),
        "Find the backlight supply in a datasheet, on the label or from the maker",
      ),
      old.backlightSupplyV,
      candidate.backlightSupplyV,
    ),
    outlineRow(old, candidate, build, limits),
    thicknessRow(old, candidate, build, limits),
    tabsRow(old, candidate, build),
    pixelsRow(old, candidate),
    finishRow(old, candidate),
    equalOrLook(
      one<{ xMm: number; yMm: number }>(
        "connectorAt",
        "Connector at, mm",
        (v) => `${mm(v.xMm)}, ${mm(v.yMm)}`,
        "Hold the connector against the cable's reach",
      ),
      old.connectorAt,
      candidate.connectorAt,
    ),
    equalOrLook(
      one<number>("refreshHz", "Refresh, Hz", (v) => String(v), "Read the refresh rate off the EDID"),
      old.refreshHz,
      candidate.refreshHz,
    ),
    equalOrLook(
      one<number>("lanes", "Lanes", (v) => String(v), "Find the lane count in a datasheet"),
      old.lanes,
      candidate.lanes,
    ),
    equalOrLook(
      one<number>("colourBits", "Colour, bit", (v) => String(v), "Find the colour depth in a datasheet"),
      old.colourBits,
      candidate.colourBits,
    ),
    equalOrLook(
      one<string>("touch", "Touch", (v) => TOUCH_WORDS[v] ?? v, "Look for a touch layer and its lead"),
      old.touch,
      candidate.touch,
    ),
    equalOrLook(
      one<string>("technology", "Technology", (v) => v, "LCD or OLED: read the label"),
      old.technology,
      candidate.technology,
    ),
  ];
}
