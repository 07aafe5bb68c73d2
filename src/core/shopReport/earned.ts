import type { JobFacts } from "./jobFacts";

/** What a job cost that no act of it says: null where it is not on record. */
export interface SideCosts {
  tapeMinor: number | null;
  /** Its share of every parcel, those that went back too. */
  postageMinor: number | null;
}
export interface Earned extends SideCosts {
  id: string;
  number: string;
  /**
   * Price less parts, tape, postage, and hands-on time at the shop's rate; null where the price, or what the parts cost, is not known.
   * Where `lacks` names something it is this much at most.
   */
  leftMinor: number | null;
  priceMinor: number | null;
  partsMinor: number | null;
  labourMinor: number;
  lacks: ("tape" | "postage")[];
}
export interface EarnedBy {
  key: string;
  jobs: string[];
  leftMinor: number;
}

/**
 * Tape and postage of a job.
 * @param metreMinor what a metre of that tape cost, minor units; null where nobody said
 * @param postageOf what a parcel cost of which these goods are a part, its share of it; null where the seller's postage is not known
 * @example sideCosts({ tape: { "tape/3x0.5": 500 }, placed: [] }, () => 90, () => null) // { tapeMinor: 45, postageMinor: 0 }
 */
export function sideCosts(
  j: Pick<JobFacts, "tape" | "placed">,
  metreMinor: (item: string) => number | null,
  postageOf: (o: JobFacts["placed"][number]) => number | null,
): SideCosts {
  const sum = (all: readonly (number | null)[]) =>
    all.reduce<number | null>((n, x) => (n === null || x === null ? null : n + x), 0);
  const tape = sum(
    Object.entries(j.tape).map(([item, mm]) => {
      const metre = metreMinor(item);
      return metre === null ? null : (metre * mm) / 1000;
    }),
  );
  return {
    tapeMinor: tape === null ? null : Math.round(tape),
    // A parcel that never came was not paid.
    postageMinor: sum(j.placed.filter((o) => o.back !== "neverCame").map(postageOf)),
  };
}

/**
 * What a job left. A machine that came back after a job and for which nothing was asked was done for nothing.
 * @param rateMinorPerHour of the bench
 * @example earnedBy(earnedOf([], 4200, () => ({ tapeMinor: 0, postageMinor: 0 })), [], () => "C").length // 0
 */
export function earnedOf(done: readonly JobFacts[], rateMinorPerHour: number, costs: (j: JobFacts) => SideCosts): Earned[] {
  return done.map((j) => {
    const labourMinor = Math.round((j.handsMin / 60) * rateMinorPerHour);
    const priceMinor = j.priceMinor ?? (j.cameBack === null ? null : 0);
    const side = costs(j);
    const known = priceMinor !== null && j.partsMinor !== null;
    return {
      id: j.id,
      number: j.number,
      priceMinor,
      partsMinor: j.partsMinor,
      labourMinor,
      ...side,
      lacks: [
        ...(side.tapeMinor === null ? (["tape"] as const) : []),
        ...(side.postageMinor === null ? (["postage"] as const) : []),
      ],
      leftMinor: known ? priceMinor - j.partsMinor! - (side.tapeMinor ?? 0) - (side.postageMinor ?? 0) - labourMinor : null,
    };
  });
}

/**
 * What jobs left, summed by what they have in common, the best first. What it cost that a machine came back is counted where it was
 * repaired first.
 * @param key what a job is counted under; null = nowhere
 * @example earnedBy([], [], () => "C") // []
 */
export function earnedBy(earned: readonly Earned[], done: readonly JobFacts[], key: (j: JobFacts) => string | null): EarnedBy[] {
  const byNumber = new Map(done.map((j) => [j.number, j]));
  const sums = new Map<string, EarnedBy>();
  for (const [k, j] of done.entries()) {
    const first = j.cameBack === null ? undefined : byNumber.get(j.cameBack);
    const at = key(first ?? j);
    const left = earned[k]!.leftMinor;
    if (at === null || left === null) continue;
    const s = sums.get(at) ?? { key: at, jobs: [], leftMinor: 0 };
    s.jobs.push(j.number);
    s.leftMinor += left;
    sums.set(at, s);
  }
  return [...sums.values()].sort((a, b) => b.leftMinor - a.leftMinor || (a.key < b.key ? -1 : 1));
}
