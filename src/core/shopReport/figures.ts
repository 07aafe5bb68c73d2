import { shareInterval } from "../chance";
import { median } from "../numeric";
import type { JobFacts } from "./jobFacts";
import { type Turnaround, turnaround } from "./turnaround";

/** A share with what it may truly be (four in five), and the jobs behind it. */
export interface Share {
  of: number;
  times: number;
  share: number;
  low: number;
  high: number;
  jobs: string[];
}
/** Days of the parts of a job's way, each the median of the jobs that went through it. */
export interface Way {
  part: "decision" | "panel" | "bench" | "handOver";
  days: number;
  jobs: number;
}
export interface MonthFigures {
  month: string;
  closed: number;
  way: Way[];
  rightFirst: Share;
}
export interface Earned {
  id: string;
  number: string;
  /** Price less parts less hands-on time at the shop's rate; null where the price, or what the parts cost, is not known. */
  leftMinor: number | null;
  priceMinor: number | null;
  partsMinor: number | null;
  labourMinor: number;
}
export interface EarnedBy {
  key: string;
  jobs: string[];
  leftMinor: number;
}
export interface ShopFigures {
  turnaround: Turnaround;
  way: Way[];
  months: MonthFigures[];
  rightFirst: Share;
  promises: Share;
  /** Said days against days taken, of jobs that had a promise and are closed. */
  promised: { number: string; id: string; saidDays: number; tookDays: number }[];
  earned: Earned[];
  byFamily: EarnedBy[];
  byCode: EarnedBy[];
  /** Jobs whose price or parts nobody wrote down: they are in no sum. */
  unknownCost: string[];
  hands: { plannedMin: number; tookMin: number; jobs: string[] };
  returned: Share;
}

const DAY = 86_400_000;
/** Days within which a machine that comes back speaks of the repair (adj). */
const BACK_DAYS = 90;
const ms = (iso: string): number => Date.parse(iso);
const between = (a: string | null, b: string | null): number | null => (a && b ? Math.max(0, (ms(b) - ms(a)) / DAY) : null);

function share(list: readonly JobFacts[], is: (j: JobFacts) => boolean): Share {
  const hit = list.filter(is).length;
  return {
    of: list.length,
    times: hit,
    ...shareInterval(hit, list.length),
    jobs: list.filter((j) => !is(j)).map((j) => j.number),
  };
}

function wayOf(jobs: readonly JobFacts[]): Way[] {
  const parts: [Way["part"], (j: JobFacts) => number | null][] = [
    ["decision", (j) => between(j.openedIso, j.orderedIso ?? j.decidedIso)],
    ["panel", (j) => between(j.orderedIso, j.arrivedIso)],
    ["bench", (j) => between(j.arrivedIso ?? j.decidedIso, j.begunIso)],
    ["handOver", (j) => between(j.begunIso, j.closedIso)],
  ];
  return parts.flatMap(([part, of]) => {
    const days = jobs.flatMap((j) => of(j) ?? []);
    return days.length ? [{ part, days: median(days), jobs: days.length }] : [];
  });
}

/**
 * What the shop's jobs say: how long, how often right, what was kept, what it earned. Jobs still open count in the turnaround as "at
 * least so long"; what nobody wrote down is unknown, never nothing.
 * @param rateMinorPerHour of the bench
 * @example shopFigures([], { nowIso: "2026-03-01T00:00:00.000Z", rateMinorPerHour: 4200 }).turnaround.jobs // 0
 */
export function shopFigures(
  jobs: readonly JobFacts[],
  { nowIso, rateMinorPerHour }: { nowIso: string; rateMinorPerHour: number },
): ShopFigures {
  const done = jobs.filter((j) => j.outcome === "handedOver" && j.closedIso);
  const cameBack = new Set(
    jobs.flatMap((j) => {
      const before = j.cameBack === null ? undefined : done.find((d) => d.number === j.cameBack);
      return before && (between(before.closedIso, j.openedIso) ?? BACK_DAYS + 1) <= BACK_DAYS ? [before.number] : [];
    }),
  );
  const right = (j: JobFacts) => j.returns === 0 && j.lifts === 0 && j.reopened === 0 && !cameBack.has(j.number);
  const withPromise = done.filter((j) => j.promisedIso);
  const earned = done.map((j): Earned => {
    const labourMinor = Math.round((j.handsMin / 60) * rateMinorPerHour);
    return {
      id: j.id,
      number: j.number,
      priceMinor: j.priceMinor,
      partsMinor: j.partsMinor,
      labourMinor,
      leftMinor: j.priceMinor === null || j.partsMinor === null ? null : j.priceMinor - j.partsMinor - labourMinor,
    };
  });
  const by = (key: (j: JobFacts) => string | null): EarnedBy[] => {
    const sums = new Map<string, EarnedBy>();
    for (const [k, j] of done.entries()) {
      const at = key(j);
      const left = earned[k]!.leftMinor;
      if (at === null || left === null) continue;
      const s = sums.get(at) ?? { key: at, jobs: [], leftMinor: 0 };
      s.jobs.push(j.number);
      s.leftMinor += left;
      sums.set(at, s);
    }
    return [...sums.values()].sort((a, b) => b.leftMinor - a.leftMinor || (a.key < b.key ? -1 : 1));
  };
  const months = [...new Set(done.map((j) => j.closedIso!.slice(0, 7)))].sort();
  // A job that was cancelled or went elsewhere is no turnaround.
  const counted = jobs.filter((j) => j.outcome === null || j.outcome === "handedOver");
  const planned = done.filter((j) => j.plannedMin !== null && j.handsMin > 0);
  const ordered = jobs.filter((j) => j.orderedIso);
  return {
    turnaround: turnaround(
      counted.map((j) => ({ days: between(j.openedIso, j.closedIso ?? nowIso) ?? 0, done: j.closedIso !== null })),
    ),
    way: wayOf(done),
    months: months.map((month) => {
      const of = done.filter((j) => j.closedIso!.startsWith(month));
      return { month, closed: of.length, way: wayOf(of), rightFirst: share(of, right) };
    }),
    rightFirst: share(done, right),
    promises: share(withPromise, (j) => ms(j.closedIso!) <= ms(j.promisedIso!)),
    promised: withPromise.map((j) => ({
      number: j.number,
      id: j.id,
      saidDays: between(j.openedIso, j.promisedIso) ?? 0,
      tookDays: between(j.openedIso, j.closedIso) ?? 0,
    })),
    earned,
    byFamily: by((j) => j.family),
    byCode: by((j) => j.code),
    unknownCost: earned.filter((e) => e.leftMinor === null).map((e) => e.number),
    hands: {
      plannedMin: planned.reduce((n, j) => n + j.plannedMin!, 0),
      tookMin: planned.reduce((n, j) => n + j.handsMin, 0),
      jobs: planned.map((j) => j.number),
    },
    returned: share(ordered, (j) => j.returns === 0),
  };
}
