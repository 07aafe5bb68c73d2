import type { Build } from "../build";
import type { Machine } from "../catalogue";
import { compareFit, overallVerdict, type Panel } from "../panel";

/** Ordering the usual panel for a variant that only differs is refused in half the cases (adj). */
const REFUSED = 0.5;
/** Chance that a machine's EDID can be read, by whether it starts (adj). */
export const EDID_WORKS = { yes: 0.9, no: 0, unknown: 0.6 } as const;

/**
 * The panels known for a machine model: which is the usual one, and how wrong it would be to order that one for each.
 * @param panels those seen in this model
 * @returns counts, and the chance (0 to 1) that the usual one ordered by model is wrong for a machine with this panel
 * @example variantsOf(null, [panel], build).variants // [{count: 1, wrong: 0}]
 */
export function variantsOf(
  machine: Pick<Machine, "seen"> | null,
  panels: readonly Panel[],
  build: Build | null,
): { usual: Panel | null; variants: { count: number; wrong: number }[] } {
  const count = (p: Panel) => machine?.seen?.[p.id] ?? 1;
  const usual = [...panels].sort((a, b) => count(b) - count(a))[0] ?? null;
  const variants = panels.map((p) => {
    const kind = usual ? overallVerdict(compareFit(p, usual, build)).kind : "stop";
    return { count: count(p), wrong: kind === "stop" || kind === "doNotConnect" ? 1 : kind === "ask" ? REFUSED : 0 };
  });
  return { usual, variants };
}
