import { explanations, orCombine } from "../chance";
import type { CauseTable } from "./schema";

/** One or two causes together, or none of these; with its weight, or its chance once findings are in. */
export interface Cause {
  set: readonly number[];
  p: number;
}

/** What touching something so often adds to a cause: more is more, twice the rate at most. */
const fedBy = (rate: number, times: number): number => rate * 2 * (1 - 0.5 ** times);

/**
 * Weight of every cause before anything was seen: its background, and what the log says was touched.
 * @param feeds how often each was touched; looseGood the new one was seen good, loose, and nothing voided it since
 * @example causeWeights(causeTable, {}, false)[0] // 0.3
 */
export const causeWeights = (t: CauseTable, feeds: Readonly<Record<string, number>>, looseGood: boolean): number[] =>
  t.causes.map((c) =>
    Object.entries(c.feeds).reduce(
      (w, [k, rate]) => w + fedBy(rate, Math.max(0, feeds[k] ?? 0)) * (looseGood ? (t.passed[k] ?? 1) : 1),
      c.background,
    ),
  );

/** All that may be: none of these first, each cause alone, each two together. @example hypothesesOf(causeTable, [1, 1]).length // 4 */
export function hypothesesOf(t: CauseTable, weights: readonly number[]): Cause[] {
  return [{ set: [], p: t.noneWeight }, ...explanations(weights, t.pairRate).map(({ set, weight }) => ({ set, p: weight }))];
}

/** No and yes of one answer. */
const answer = (yes: number): Float64Array => Float64Array.of(1 - yes, yes);

/**
 * How likely a finding is *yes* under a hypothesis: any of its causes may bring it, or it comes by itself; what says that something
 * works needs all of them to leave it working.
 * @example yesUnder(causeTable, { set: [], p: 1 }, 0) // 0.15
 */
export function yesUnder(t: CauseTable, h: Cause, finding: number): number {
  const f = t.findings[finding]!;
  if (h.set.length === 0) return f.none;
  if (f.works) return Math.min(...h.set.map((c) => t.causes[c]!.strength[f.id] ?? f.leak));
  return h.set.reduce((all, c) => orCombine(all, answer(t.causes[c]!.strength[f.id] ?? 0)), answer(f.leak))[1]!;
}
