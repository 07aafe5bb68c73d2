import type { Build } from "../build";
import { listed } from "../quantity";
import { agreedFacts, claimWords, conflictsOf } from "./claims";
import { codeKey } from "./codeKey";
import { FACT_NAMES } from "./factNames";
import { factOf } from "./factOf";
import { factWords } from "./factWords";
import { FIT_TABLE } from "./rules";
import { isOf } from "./rules/boughtAs";
import { FIT_LIMITS, type FitField, type FitLimits, type FitRow } from "./rules/row";
import { soldWith } from "./rules/soldWith";
import type { Panel } from "./schema";

/**
 * The old panel as its part is known today: an older record of the same code says nothing of facts that were not asked then. What it
 * says, and what it calls unknown, stands.
 */
function asToday(old: Panel, candidate: Panel): Panel {
  if (codeKey(old.code) !== codeKey(candidate.code)) return old;
  const later = FACT_NAMES.filter((f) => factOf(old, f) === undefined && factOf(candidate, f) !== undefined);
  return later.length ? { ...old, ...Object.fromEntries(later.map((f) => [f, factOf(candidate, f)])) } : old;
}

/** Fields that a board's own record of what it was sold with answers. */
const SOLD_SETTLES: readonly string[] = ["backlight", "backlightSupplyV", "logicSupplyV", "dimming", "ledCurrentMa"];

/**
 * Compares a candidate with the old panel in one machine, field by field, in table order.
 * Lengths in mm. A fact on which two sources disagree is unknown. A seller's word or a guess from the code never decides size, tabs, finish, or a destroying field.
 * @param old the panel in the machine, as far as it is known
 * @param candidate the panel that might replace it
 * @param build the machine, or null when it is not known (then sizes that differ are unknown)
 * @param limits adjustable limits in mm
 * @returns one row per field, each with verdict, difference, reason and both sources
 * @example compareFit(old, candidate, build).find((r) => r.field === "contacts").verdict // "same"
 */
export function compareFit(old: Panel, candidate: Panel, build: Build | null, limits: FitLimits = FIT_LIMITS): FitRow[] {
  const input = { old: asToday(agreedFacts(old), candidate), candidate: agreedFacts(candidate), build, limits };
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
  const sold = soldWith(input);
  return FIT_TABLE.flatMap(({ fact, judge }) => {
    const row = judge(input);
    if (!row || !isOf(row.field as FitField, input)) return [];
    // Seen fitted with this board and cable: what nobody has stated of its supply is answered by that.
    if (sold && row.verdict === "unknown" && fact && !disputed.has(fact) && SOLD_SETTLES.includes(row.field))
      return [
        {
          ...row,
          verdict: "same" as const,
          words: "sold with it",
          reason: `This code was seen fitted with this board and cable: ${sold.seen}.`,
          look: undefined,
        },
      ];
    const reason = row.verdict === "unknown" && fact ? disputed.get(fact) : undefined;
    return [reason ? { ...row, words: "sources disagree", reason, disputed: true as const } : row];
  });
}
