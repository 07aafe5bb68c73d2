import type { Build } from "../build";
import { listed } from "../quantity";
import { agreedFacts, claimWords, conflictsOf } from "./claims";
import { factWords } from "./factWords";
import { DESTROYING_RULES } from "./rules/destroying";
import { connectorRule, outlineRule, tabsRule, thicknessRule, windowRule } from "./rules/geometry";
import { boxRule, pairingRule, touchRule } from "./rules/machine";
import { colourRule, finishRule, linkRule, pixelsRule, refreshRule, technologyRule } from "./rules/picture";
import { FIT_LIMITS, type FitLimits, type FitRow, type Rule } from "./rules/row";
import type { Panel } from "./schema";

export {
  CHANGES,
  type Change,
  DESTROYING,
  type DestroyingField,
  FIT_LIMITS,
  type FieldVerdict,
  type FitLimits,
  type FitRow,
  NOT_BY_EYE,
  type Shown,
} from "./rules/row";

/** Rows that are named otherwise than the fact they rest on first. */
const FACT_OF_ROW: Readonly<Record<string, string>> = { window: "active", link: "lanes" };

/** One rule a field, in the order of the table. */
const RULES: readonly Rule[] = [
  ...DESTROYING_RULES,
  outlineRule,
  thicknessRule,
  windowRule,
  tabsRule,
  connectorRule,
  pixelsRule,
  linkRule,
  refreshRule,
  colourRule,
  finishRule,
  technologyRule,
  touchRule,
  pairingRule,
  boxRule,
];

/**
 * Compares a candidate with the old panel in one machine, field by field, in table order.
 * Lengths in mm. A fact on which two sources disagree is unknown. A seller's word or a guess from the code never decides size, tabs, finish, or a destroying field.
 * @param old the panel in the machine, as far as it is known
 * @param candidate the panel that might replace it
 * @param build the machine, or null when it is not known (then sizes that differ are unknown)
 * @param limits adjustable limits in mm
 * @returns one row per field, each with verdict, difference, reason and both sources
 * @example compareFit(old, candidate, build).find((r) => r.field === "contacts")?.verdict // "stop"
 */
export function compareFit(old: Panel, candidate: Panel, build: Build | null, limits: FitLimits = FIT_LIMITS): FitRow[] {
  const input = { old: agreedFacts(old), candidate: agreedFacts(candidate), build, limits };
  const disputed = new Map<string, string>();
  for (const [who, p] of [
    ["the old panel", old],
    ["the candidate", candidate],
  ] as const)
    for (const c of conflictsOf(p))
      disputed.set(
        c.fact,
        `Sources disagree about ${who}: ${listed([factWords(c.fact, c.kept.value), ...c.against.map((a) => factWords(c.fact, a.value))].map((w, i) => claimWords(w, i === 0 ? c.kept : c.against[i - 1]!)))}. Settle it in the panel's record.`,
      );
  return RULES.map((rule) => {
    const row = rule(input);
    const reason = row.verdict === "unknown" ? disputed.get(FACT_OF_ROW[row.field] ?? row.field) : undefined;
    return reason ? { ...row, words: "sources disagree", reason } : row;
  });
}
