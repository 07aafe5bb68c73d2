import { shareInterval } from "../chance";
import { median } from "../numeric";
import { type Earned, type EarnedBy, earnedBy, earnedOf, type SideCosts } from "./earned";
import { type FittedRow, fittedBy } from "./fitted";
import type { JobFacts } from "./jobFacts";
import type { Share } from "./share";
import { type Spread, spreadOf } from "./spread";
import { type Turnaround, turnaround } from "./turnaround";

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
/** What wears: hands against the plan, being taken up again, lying open. */
export interface Wear {
  plannedMin: number;
  tookMin: number;
  /** Taken over planned, job by job. */
  ratio: Spread | null;
  jobs: string[];
  byFamily: { family: string; plannedMin: number; tookMin: number; of: number }[];
  /** Runs of work on one machine: one, and one more for each break. */
  takenUp: Spread | null;
  /** Hours of the calendar a machine lay open. */
  openHours: Spread | null;
  /** Jobs that were not left open for so long that a night lay in it, and those that were. */
  shutByNight: Share;
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
  /** Jobs in the sums of which tape or postage is not known: they left this much at most. */
  atMost: string[];
  wear: Wear;
  returned: Share;
  /** Panels fitted, by their code, and machines by their model: how many came back. */
  panels: FittedRow[];
  machines: FittedRow[];
}

const DAY = 86_400_000;
/** Days within which a machine that comes back speaks of the repair (adj). */
export const BACK_DAYS = 90;
/** Open for so long at a stretch, a night lay in it (adj), minutes. */
const NIGHT_MIN = 8 * 60;
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

function wearOf(done: readonly JobFacts[]): Wear {
  const planned = done.filter((j) => j.plannedMin !== null && j.plannedMin > 0 && j.handsMin > 0);
  const sums = new Map<string, Wear["byFamily"][number]>();
  for (const j of planned) {
    if (j.family === null) continue;
    const f = sums.get(j.family) ?? { family: j.family, plannedMin: 0, tookMin: 0, of: 0 };
    sums.set(j.family, { ...f, plannedMin: f.plannedMin + j.plannedMin!, tookMin: f.tookMin + j.handsMin, of: f.of + 1 });
  }
  const opened = done.filter((j) => j.opened.openMin > 0);
  return {
    plannedMin: planned.reduce((n, j) => n + j.plannedMin!, 0),
    tookMin: planned.reduce((n, j) => n + j.handsMin, 0),
    ratio: spreadOf(planned.map((j) => j.handsMin / j.plannedMin!)),
    jobs: planned.map((j) => j.number),
    byFamily: [...sums.values()].sort((a, b) => (a.family < b.family ? -1 : 1)),
    takenUp: spreadOf(done.flatMap((j) => (j.opened.takenUp > 0 ? [j.opened.takenUp] : []))),
    openHours: spreadOf(opened.map((j) => j.opened.openMin / 60)),
    shutByNight: share(opened, (j) => j.opened.longestMin < NIGHT_MIN),
  };
}

/**
 * What the shop's jobs say: how long, how often right, what was kept, what it earned. Jobs still open count in the turnaround as "at
 * least so long"; what nobody wrote down is unknown, never nothing.
 * @param rateMinorPerHour of the bench
 * @param costs tape and postage of a job; missing = nobody said
 * @example shopFigures([], { nowIso: "2026-03-01T00:00:00.000Z", rateMinorPerHour: 4200 }).turnaround.jobs // 0
 */
export function shopFigures(
  jobs: readonly JobFacts[],
  {
    nowIso,
    rateMinorPerHour,
    costs = () => ({ tapeMinor: null, postageMinor: null }),
  }: { nowIso: string; rateMinorPerHour: number; costs?: (j: JobFacts) => SideCosts },
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
  const earned = earnedOf(done, rateMinorPerHour, costs);
  const months = [...new Set(done.map((j) => j.closedIso!.slice(0, 7)))].sort();
  // A job that was cancelled or went elsewhere is no turnaround.
  const counted = jobs.filter((j) => j.outcome === null || j.outcome === "handedOver");
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
    byFamily: earnedBy(earned, done, (j) => j.family),
    byCode: earnedBy(earned, done, (j) => j.code),
    unknownCost: earned.filter((e) => e.leftMinor === null).map((e) => e.number),
    atMost: earned.filter((e) => e.leftMinor !== null && e.lacks.length > 0).map((e) => e.number),
    wear: wearOf(done),
    returned: share(ordered, (j) => j.returns === 0),
    panels: fittedBy(jobs, done, nowIso, (j) => (j.arrivedIso ? j.code : null)),
    machines: fittedBy(jobs, done, nowIso, (j) => (j.arrivedIso ? j.machine : null)),
  };
}
