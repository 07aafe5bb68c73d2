import { shareInterval } from "../chance";
import type { JobFacts } from "./jobFacts";
import type { Share } from "./share";
import { type Spread, spreadOf } from "./spread";

/** What became of panels that were fitted. */
export interface FittedRow {
  key: string;
  fitted: number;
  /**
   * Machines that came back within `days`, of those that were out so long, or came back sooner: how many held. Younger ones are in no
   * share.
   */
  held: Share;
  /** Out for less than that, and not back. */
  young: number;
  /** Panels sent back before they were fitted. */
  sentBack: number;
  /** Days since hand-over. */
  ageDays: Spread | null;
  jobs: string[];
}

const DAY = 86_400_000;
const daysFrom = (a: string, b: string): number => Math.max(0, (Date.parse(b) - Date.parse(a)) / DAY);

/**
 * What became of what was fitted, by what it has in common, the most first.
 * @param jobs all jobs: one that came back names the one before
 * @param done those handed over
 * @param key what a fitted panel is counted under; null = nothing was fitted
 * @param days within which a machine that comes back speaks of the repair (adj)
 * @example fittedBy([], [], "2026-03-01T00:00:00.000Z", (j) => j.code) // []
 */
export function fittedBy(
  jobs: readonly JobFacts[],
  done: readonly JobFacts[],
  nowIso: string,
  key: (j: JobFacts) => string | null,
  days = 90,
): FittedRow[] {
  const back = new Map<string, number>();
  for (const j of jobs) {
    const first = j.cameBack === null ? undefined : done.find((d) => d.number === j.cameBack);
    if (!first?.closedIso) continue;
    const after = daysFrom(first.closedIso, j.openedIso);
    back.set(first.number, Math.min(after, back.get(first.number) ?? after));
  }
  const rows = new Map<string, JobFacts[]>();
  for (const j of done) {
    const k = key(j);
    if (k !== null && j.closedIso) rows.set(k, [...(rows.get(k) ?? []), j]);
  }
  return [...rows]
    .map(([k, of]): FittedRow => {
      const failed = of.filter((j) => (back.get(j.number) ?? days + 1) <= days);
      const told = of.filter((j) => failed.includes(j) || daysFrom(j.closedIso!, nowIso) >= days);
      return {
        key: k,
        fitted: of.length,
        held: {
          of: told.length,
          times: told.length - failed.length,
          ...shareInterval(told.length - failed.length, told.length),
          jobs: failed.map((j) => j.number),
        },
        young: of.length - told.length,
        sentBack: of.reduce((n, j) => n + j.returns, 0),
        ageDays: spreadOf(of.map((j) => daysFrom(j.closedIso!, nowIso))),
        jobs: of.map((j) => j.number),
      };
    })
    .sort((a, b) => b.fitted - a.fitted || (a.key < b.key ? -1 : 1));
}
