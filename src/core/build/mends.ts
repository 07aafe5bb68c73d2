import type { Build } from "./schema";

/** What was mended in the middle of a job, and how. */
export const MENDED = ["boss", "frame", "clip", "other"] as const;
export const MENDED_WORDS: Readonly<Record<(typeof MENDED)[number], string>> = {
  boss: "screw boss",
  frame: "crack in the frame",
  clip: "clip",
  other: "something else",
};

/** A mend as a job keeps it: on which part, which screws go into it, how long it cures before anything loads it. */
export interface Mend {
  /** The event it was told by: its id makes the id of the wait. */
  eventId: string;
  part: string;
  /** Screws that go into what was mended, by their group. */
  group?: string | undefined;
  what: (typeof MENDED)[number];
  how: string;
  cureMin: number;
}

/** The id of the act that ends a mend's wait. @example mendId({ eventId: "01900000-0000-7000-8000-000000000042" }) // "mend-000000000042" */
export const mendId = (m: Pick<Mend, "eventId">): string => `mend-${m.eventId.replace(/[^0-9a-f]/g, "").slice(-12)}`;

/** Whether an act of the way back is the end of a mend's wait. @example isMend("mend-000000000042") // true */
export const isMend = (act: string): boolean => /^mend-[0-9a-f]{1,12}$/.test(act);

/**
 * What waits for a mend: the screws that go into it, the part it is on where that goes back; on a shell that never moves, without
 * screws named, the seating.
 * @example mendHolds(build, { part: "bezel" }) // { parts: ["bezel"], groups: [], seat: false }
 */
export function mendHolds(build: Build, m: Pick<Mend, "part" | "group">): { parts: string[]; groups: string[]; seat: boolean } {
  const p = build.parts.find((x) => x.id === m.part);
  const moves = p?.out !== undefined && p.id !== build.subject.part;
  return {
    parts: moves ? [p.id] : [],
    groups: m.group ? [m.group] : [],
    seat: !moves && !m.group,
  };
}

const cache = new WeakMap<Build, Map<string, Build>>();

/**
 * The build with the ends of its mends' waits among the acts of the way back: each before what would load it, everything else meanwhile.
 * @returns the same object without mends; else one object per set of mends
 * @example withMends(build, []) === build // true
 */
export function withMends(build: Build, mends: readonly Mend[]): Build {
  if (mends.length === 0) return build;
  const made = cache.get(build) ?? new Map<string, Build>();
  cache.set(build, made);
  const key = JSON.stringify(mends);
  const known = made.get(key);
  if (known) return known;
  const acts = mends
    .filter((m) => m.cureMin > 0)
    .map((m) => {
      const part = build.parts.find((p) => p.id === m.part)?.name.toLowerCase() ?? m.part;
      const holds = mendHolds(build, m);
      return {
        id: mendId(m),
        verb: `See that the ${MENDED_WORDS[m.what]} of ${part} holds`,
        how: `${m.how ? `${m.how}. ` : ""}Cures ${m.cureMin} min from when it was clamped; clamp off only then. Meanwhile go on with what does not load it.`,
        minutes: 1,
        why: "Loaded before it has cured it breaks again at the same place.",
        after: [],
        before: [...holds.parts, ...holds.groups, ...(holds.seat ? ["seat"] : [])],
      };
    });
  const next: Build = acts.length ? { ...build, backActs: [...(build.backActs ?? []), ...acts] } : build;
  made.set(key, next);
  return next;
}
