import { decides, SOURCE_WORDS, type Sourced } from "../quantity";
import { FACT_NAMES, type FactName } from "./factNames";
import { factOf } from "./factOf";
import { DESTROYING_FACTS } from "./rules";
import { equal } from "./rules/row";
import type { Claim, Panel } from "./schema";

/** A fact on which sources disagree: what the record holds, and who says otherwise. */
export interface Conflict {
  fact: FactName;
  kept: Sourced<unknown>;
  against: Claim[];
}

/**
 * Facts of a panel on which a claim speaks against the record. A seller's word against a better source counts only where
 * a wrong value can destroy a board.
 * @returns in the order of the facts; empty when all sources agree
 * @example conflictsOf(disputed).map((c) => c.fact) // ["contacts"]
 */
export function conflictsOf(p: Panel): Conflict[] {
  const claims = p.claims ?? [];
  if (claims.length === 0) return [];
  return FACT_NAMES.flatMap((fact) => {
    const kept = factOf(p, fact);
    if (!kept || kept.value === null) return [];
    const against = claims.filter(
      (c) => c.fact === fact && !equal(c.value, kept.value) && (decides(c) || !decides(kept) || DESTROYING_FACTS.includes(fact)),
    );
    return against.length ? [{ fact, kept, against }] : [];
  });
}

const settledOf = new WeakMap<Panel, Panel>();

/**
 * The panel as far as its sources agree: a fact in conflict is *unknown* until a person has settled it, because two
 * sources that disagree prove nothing.
 * @returns the same object when there is no conflict
 * @example agreedFacts(disputed).contacts.value // null
 */
export function agreedFacts(p: Panel): Panel {
  const known = settledOf.get(p);
  if (known) return known;
  const conflicts = conflictsOf(p);
  const agreed = conflicts.length
    ? { ...p, ...Object.fromEntries(conflicts.map((c) => [c.fact, { value: null, source: c.kept.source }])) }
    : p;
  settledOf.set(p, agreed);
  return agreed;
}

/**
 * A person settles a conflict: the value taken becomes the record's, claims on that fact are dropped.
 * @param take "kept" for the record's own value, else the place of the claim in `panel.claims`
 * @example settleConflict(disputed, "contacts", "kept").claims // []
 */
export function settleConflict(p: Panel, fact: FactName, take: "kept" | number): Panel {
  const claim = take === "kept" ? null : p.claims?.[take];
  const claims = (p.claims ?? []).filter((c) => c.fact !== fact);
  return {
    ...p,
    ...(claim
      ? {
          [fact]: {
            value: claim.value,
            source: claim.source,
            ...(claim.confidence === undefined ? {} : { confidence: claim.confidence }),
          },
        }
      : {}),
    claims,
  };
}

/**
 * Who says what, for the screen.
 * @example claimWords("40", { source: "D", from: "list.csv" }) // "40 (datasheet, list.csv)"
 */
export const claimWords = (shown: string, c: { source: Claim["source"]; from?: string }): string =>
  `${shown} (${SOURCE_WORDS[c.source]}${c.from ? `, ${c.from}` : ""})`;
