import { decides, type Sourced } from "../quantity";
import { panelId } from "./codeKey";
import { FACT_NAMES, type FactName } from "./factNames";
import { factOf } from "./factOf";
import type { PanelPatch } from "./patch";
import { equal } from "./rules/row";
import { type Claim, Panel } from "./schema";
import { unknownPanel } from "./unknownPanel";

export interface Merged {
  /** `new`: not known before; `same`: says nothing new; `fills`: fills in what was unknown; `conflict`: speaks against the record. */
  outcome: "new" | "same" | "fills" | "conflict";
  panel: Panel;
  /** Facts that became known. */
  filled: FactName[];
  /** Facts on which it speaks against what was known: kept as claims, nothing overwritten. */
  against: FactName[];
}

const MOST_CLAIMS = 60;

/**
 * Adds what a source says to a panel's record. What was unknown is filled in; what is known otherwise is never
 * overwritten: the other word stands beside it as a claim until a person settles it.
 * @param known the record so far, or null
 * @param from who says so: a file's name, a seller
 * @example mergePanel(panel, { code: panel.code, facts: { contacts: { value: 40, source: "S" } } }, "list.csv").outcome // "conflict"
 */
export function mergePanel(known: Panel | null, patch: PanelPatch, from: string): Merged {
  const base: Panel = known ?? nothingKnown(patch.code);
  const claims: Claim[] = [...(base.claims ?? [])];
  const filled: FactName[] = [];
  const against: FactName[] = [];
  const next: Record<string, unknown> = { ...base };
  const claim = (fact: FactName, v: Sourced<unknown>, by: string) => {
    if (claims.some((c) => c.fact === fact && equal(c.value, v.value) && c.source === v.source)) return;
    if (claims.length >= MOST_CLAIMS) return;
    against.push(fact);
    claims.push({
      fact,
      value: v.value,
      source: v.source,
      ...(v.confidence === undefined ? {} : { confidence: v.confidence }),
      from: by,
    });
  };
  for (const fact of FACT_NAMES) {
    const said = patch.facts[fact];
    if (!said || said.value === null) continue;
    const had = factOf(base, fact);
    // A guess from the code is nobody's word, and a better source for the same value only strengthens it.
    const better = had && equal(had.value, said.value) && decides(said) && !decides(had);
    if (!had || had.value === null || had.source === "G" || better) {
      if (had?.source === "G" && said.source === "G" && equal(had.value, said.value)) continue;
      // A seller against what the code lets one guess: neither proves anything, so both are kept.
      if (had?.source === "G" && had.value !== null && said.source === "S" && !equal(had.value, said.value))
        claim(fact, had, "the part code");
      next[fact] = said;
      filled.push(fact);
    } else if (!equal(had.value, said.value)) claim(fact, said, from);
  }
  for (const c of patch.claims ?? []) {
    const had = base[c.fact] as Sourced<unknown> | undefined;
    if (!equal(had?.value ?? null, c.value)) claim(c.fact, c as Sourced<unknown>, c.from);
  }
  const names = [...(base.otherNames ?? [])];
  let named = false;
  for (const n of patch.otherNames ?? [])
    if (names.length < 20 && !names.some((x) => x.text.toUpperCase() === n.text.toUpperCase())) {
      names.push(n);
      named = true;
    }
  if (names.length) next.otherNames = names;
  if (claims.length) next.claims = claims;
  const panel = Panel.parse(next);
  return {
    outcome: known ? (against.length ? "conflict" : filled.length || named ? "fills" : "same") : "new",
    panel,
    filled,
    against,
  };
}

function nothingKnown(code: string): Panel {
  return { ...unknownPanel(code), id: panelId(code) || "panel" };
}
