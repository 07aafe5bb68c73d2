import { type ItemKind, itemName } from "./items";

/** Something a donor still gives. */
export interface SalvagePart {
  item: string;
  name: string;
  count: number;
  /** To take it off and put it away, minutes (adj; a build's own where it has them). */
  minutes: number;
  /** What a new one costs where the shop never bought one, minor units (adj). */
  newMinor: number;
  /** What has to be true of it, or how it is used; said before it is taken. */
  only?: string;
}
/** As much of a build as its dead lid or machine is looked at for. */
export interface DonorBuild {
  machineModel: string;
  parts: readonly { id: string; name: string; view: "lid" | "base"; role: string; minutes?: number | undefined }[];
  /** Screws by item, each with how many hold it together. */
  screws: readonly { item: string; count: number; view: "lid" | "base" }[];
  /** Cables that come off at both ends. */
  cables: readonly { name: string; view: "lid" | "base"; minutes: number }[];
}
export type Donor = { kind: "panel"; code: string } | { kind: "lid" | "machine"; build: DonorBuild };

/** What is never taken off: it is not safe, or not known to be good. */
export const NEVER_SALVAGED: Readonly<Record<Donor["kind"], string>> = {
  panel: "Never its glass or its cell, and nothing at all of one that was wet.",
  lid: "Never the glass of its panel, and nothing at all of one that was wet.",
  machine: "Never its battery pack: it goes where packs are taken back. Nothing at all of one that was wet.",
};

const PART_MINOR = 800;
const part = (
  what: string,
  more: Omit<SalvagePart, "item" | "name" | "count"> & { count?: number; kind?: ItemKind },
): SalvagePart => {
  const { count = 1, kind = "part", ...rest } = more;
  return { item: itemName(kind, what), name: what, count, ...rest };
};

/**
 * What a donor still gives: of a cracked panel its tabs, brackets, timing board, film stack and the code on its label; of a dead lid or
 * machine the parts, cables and screws its build names, without what goes with it. Nothing of one that was wet: ask first.
 * @source SHOP A; minutes and prices of new ones (adj)
 * @example salvageOf({ kind: "panel", code: "GV140FHB-K31" })[0].item // "part/tab set, GV140FHB-K31"
 */
export function salvageOf(d: Donor): SalvagePart[] {
  if (d.kind === "panel")
    return [
      part(`tab set, ${d.code}`, { minutes: 10, newMinor: 300, only: "Tabs that did not stretch." }),
      part(`side brackets, ${d.code}`, { minutes: 6, newMinor: 400, count: 2, only: "Straight ones." }),
      part(`timing board, ${d.code}`, {
        minutes: 15,
        newMinor: 1200,
        only: "As a spare of the same code and the same revision only: write the revision on it.",
      }),
      part(`film stack, ${d.code}`, {
        minutes: 12,
        newMinor: 600,
        only: "Only dry and uncut: gloves, and never where there are shards.",
      }),
    ];
  const here = (x: { view: "lid" | "base" }) => d.kind === "machine" || x.view === "lid";
  const b = d.build;
  const of = b.machineModel;
  return [
    ...b.parts
      .filter((p) => here(p) && p.role !== "panel" && p.role !== "battery")
      .map((p) => part(`${p.name.toLowerCase()}, ${of}`, { minutes: p.minutes ?? 5, newMinor: PART_MINOR })),
    ...b.cables
      .filter(here)
      .map((c) =>
        part(`${c.name.toLowerCase()}, ${of}`, { minutes: c.minutes, newMinor: 1200, only: "Neither kinked nor chafed." }),
      ),
    ...b.screws.filter(here).map((s) => ({
      item: s.item,
      name: s.item.slice(s.item.indexOf("/") + 1),
      count: s.count,
      // Out they come with the rest: what costs is sorting them.
      minutes: 1,
      newMinor: 5,
      only: "Heads and threads whole.",
    })),
  ];
}

/** A part is asked for once in so many days where nothing is known (adj), which weighs as many days (adj). */
const [ONCE_IN_DAYS, PRIOR_DAYS] = [400, 120];
const YEAR = 365;

export interface Worth {
  /** That one is used within a year. */
  chance: number;
  /** What it saves, on average, and what taking it costs; minor units. */
  savesMinor: number;
  costsMinor: number;
  pays: boolean;
}

/**
 * Whether a part is worth taking off: chance that one is used within a year, times what a new one costs, against the minutes at the
 * bench's rate. One of no known use is asked for once in 400 days, little sure (Gamma).
 * @param used pieces in `days` days; lying = how many lie here already, which go first
 * @source SHOP A
 * @example worthTaking({ used: 0, days: 0, lying: 0, newMinor: 300, minutes: 10, rateMinorPerHour: 4200 }).pays // false
 */
export function worthTaking(i: {
  used: number;
  days: number;
  lying: number;
  newMinor: number;
  minutes: number;
  rateMinorPerHour: number;
}): Worth {
  const a = PRIOR_DAYS / ONCE_IN_DAYS + i.used;
  const b = PRIOR_DAYS + i.days;
  // Negative binomial: more than what lies here already are asked for within a year.
  const p = b / (b + YEAR);
  let term = p ** a;
  let below = term;
  for (let k = 1; k <= i.lying; k++) {
    term *= ((a + k - 1) / k) * (1 - p);
    below += term;
  }
  const chance = Math.max(0, 1 - below);
  const savesMinor = Math.round(chance * i.newMinor);
  const costsMinor = Math.round((i.minutes / 60) * i.rateMinorPerHour);
  return { chance, savesMinor, costsMinor, pays: savesMinor > costsMinor };
}
