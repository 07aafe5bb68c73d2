import type { Build } from "../../build";
import type { Source, Sourced } from "../../quantity";
import type { FactName } from "../factNames";
import type { Panel } from "../schema";

export type FieldVerdict = "same" | "change" | "ask" | "stop" | "unknown";

export interface Shown {
  text: string;
  source: Source | null;
}

/** What a difference asks for: a part to fetch, hands-on minutes, and its price in the shop's currency, minor units. */
export interface Change {
  part: string;
  minutes: number;
  costMinor: number;
  /** When it is done: with the new panel loose beside the lid, or after power is proven. */
  at: "swap" | "afterProof";
  /** What the hand does. */
  act: string;
}

/** Adjustable parts, minutes and prices of changes (adj). */
export const CHANGES = {
  shim: { part: "foam shim", minutes: 4, costMinor: 60, at: "swap", act: "Cut and place a foam shim on the free edge" },
  thinTape: { part: "thinner tape", minutes: 3, costMinor: 40, at: "swap", act: "Use thinner tape than before" },
  thickTape: { part: "thicker tape", minutes: 3, costMinor: 40, at: "swap", act: "Use thicker tape than before" },
  tapeForTabs: { part: "mounting tape", minutes: 8, costMinor: 90, at: "swap", act: "Plan tape where the old one was screwed" },
  unusedTabs: { part: "none", minutes: 2, costMinor: 0, at: "swap", act: "See that the unused tabs touch nothing" },
  reroute: { part: "none, route the cable anew", minutes: 2, costMinor: 0, at: "swap", act: "Route the display cable anew" },
  lowerMode: {
    part: "none, a lower mode",
    minutes: 0,
    costMinor: 0,
    at: "afterProof",
    act: "See that it runs in the lower mode",
  },
  screwSome: {
    part: "mounting tape",
    minutes: 6,
    costMinor: 70,
    at: "swap",
    act: "Screw it where tabs meet bosses, tape the rest",
  },
  lowerDepth: {
    part: "none, a lower depth",
    minutes: 0,
    costMinor: 0,
    at: "afterProof",
    act: "See that ramps are smooth enough at the lower depth",
  },
  foldCable: {
    part: "none, fold the cable back",
    minutes: 3,
    costMinor: 0,
    at: "swap",
    act: "Fold the cable to the other side, no sharp crease",
  },
  moveOver: { part: "none, from the old panel", minutes: 5, costMinor: 0, at: "swap", act: "Move over what is not in the box" },
  freshTape: { part: "mounting tape", minutes: 3, costMinor: 90, at: "swap", act: "Cut and lay tape: none is in the box" },
  moveLead: {
    part: "none, from the old lid",
    minutes: 12,
    costMinor: 0,
    at: "swap",
    act: "Move the old lid's lead into the new lid, along the same path",
  },
  pair: {
    part: "maker's pairing software",
    minutes: 8,
    costMinor: 0,
    at: "afterProof",
    act: "Pair the panel with the maker's software",
  },
} as const satisfies Record<string, Change>;

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
  change?: Change;
  look?: string;
  /** This difference is settled by a datasheet, a label or the maker's own source, by no eye. */
  notByEye?: true;
  /** Something is known to differ, though not what it comes to. */
  differs?: true;
  /** It is of what stands round the panel, no matter of the panel's own label; and what a difference seen by eye comes to. */
  round?: { verdict: "ask" | "stop" } | { verdict: "change"; change: Change };
  /** Two sources disagree about it. */
  disputed?: true;
}

/** Adjustable limits of the window geometry (adj). Lengths in mm. */
export interface FitLimits {
  /** Picture that may lie under the frame, and dark border that needs no question. */
  hiddenMm: number;
  borderMm: number;
  /** Connectors this near are at the same place. */
  connectorSameMm: number;
  outlineSameMm: number;
  outlineShimMm: number;
  thicknessSameMm: number;
  /** A tab's hole may be this far off its boss: holes are slotted. */
  bossMm: number;
  /** The thinnest tape that still holds. */
  thinnestTapeMm: number;
  /** Hinges this much further apart go on as before; and this much at most, as their holes allow. */
  hingeSameMm: number;
  hingeSlotMm: number;
  /** Shares and figures up to which nobody sees a difference. */
  refreshSame: number;
  brightnessSame: number;
  gamutSamePercent: number;
  angleSameDeg: number;
  /** A supply given as one figure: what a board's rail strays, what a part takes. */
  railShare: number;
  takesShare: number;
  currentShare: number;
}
export const FIT_LIMITS: FitLimits = {
  hiddenMm: 0.5,
  borderMm: 1,
  connectorSameMm: 0.5,
  outlineSameMm: 0.3,
  outlineShimMm: 4,
  thicknessSameMm: 0.2,
  bossMm: 1,
  thinnestTapeMm: 0.05,
  hingeSameMm: 0.5,
  hingeSlotMm: 1.5,
  refreshSame: 0.01,
  brightnessSame: 0.1,
  gamutSamePercent: 5,
  angleSameDeg: 5,
  railShare: 0.05,
  takesShare: 0.1,
  currentShare: 0.1,
};

/**
 * A value as the table shows it, with its source; unknown has none.
 * @example shown({ value: null, source: "S" }, String).text // "unknown"
 */
export const shown = <T>(v: Sourced<T>, words: (value: T) => string): Shown =>
  v.value === null ? { text: "unknown", source: null } : { text: words(v.value), source: v.source };

export interface Spec<T> {
  field: string;
  name: string;
  words: (v: T) => string;
  look: string;
}

/**
 * A row of the comparison; an unknown one says what to look at.
 * @example row(spec, { value: 40, source: "L" }, { value: 40, source: "D" }, { verdict: "same", words: "same", reason: "Equal." }).old.text // "40"
 */
export const row = <T>(
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

/** Two values are the same: numbers to a billionth, all else by content. @example equal(0.1 + 0.2, 0.3) // true */
export const equal = <T>(a: T, b: T): boolean =>
  typeof a === "number" && typeof b === "number" ? Math.abs(a - b) < 1e-9 : JSON.stringify(a) === JSON.stringify(b);

/** A value nobody has given: never the same as anything. */
export const NOT_GIVEN: Sourced<never> = { value: null, source: "A" };

/** What a rule is asked: two panels, the machine, the limits. */
export interface RuleInput {
  old: Panel;
  candidate: Panel;
  build: Build | null;
  limits: FitLimits;
}
/** A row, or nothing where neither panel says anything of a field. */
export type Rule = (i: RuleInput) => FitRow | null;

/** Fields of the comparison; each file of this folder adds its own. */
// biome-ignore lint/suspicious/noEmptyInterface: filled by the files of this folder
export interface FitFields {}
export type FitField = keyof FitFields;

/** All that is known of one field of the comparison. */
export interface FitRule {
  /** The fact it rests on first: where sources dispute that, the field is unknown. */
  fact: FactName | null;
  judge: Rule;
  /** Can destroy a board or panel at the moment of mating. */
  destroying?: true;
  /** An eye cannot settle it: only a datasheet, a label or the maker's own source can. */
  notByEye?: true;
}
