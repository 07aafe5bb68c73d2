import { type Build, heatCeilings } from "../build";
import type { Thing } from "./lid";
import type { CoverKind } from "./properties";

/** A ceiling of a thing, with whose word it is. */
export interface Ceiling {
  thing: Thing;
  maxC: number;
  of: string;
  source: string;
}

/** Defaults (adj): a film or display that stays or is used again, a battery in the zone, the cover's own face. */
const DEFAULTS = { kept: 60, battery: 45, plastic: 85, metal: 100, glass: 80 } as const;

/** What a build's own word for a ceiling is about; what is not plain counts as a film, the tenderest. */
const thingOf = (of: string): Thing => {
  if (/batter|pack/i.test(of)) return "battery";
  if (/cover|paint|print|shell/i.test(of)) return "cover";
  return /glass|lcd|display|touch/i.test(of) ? "lcd" : "film";
};

/**
 * What must not get how hot while these tapes are warmed: the build's own words where they are lower, else the defaults. Not known
 * whether something is used again counts as used again.
 * @param o whether the old panel is thrown away with nothing bare or reused against it; whether the pack is still in the zone
 * @example ceilingsOf(build, [], { thrownAway: true, packInZone: false, cover: "al" }).map((c) => c.maxC) // [100]
 */
export function ceilingsOf(
  b: Pick<Build, "tapes">,
  tapes: readonly string[],
  o: { thrownAway: boolean; packInZone: boolean; cover: CoverKind | "glass" },
): Ceiling[] {
  const metal = o.cover === "al" || o.cover === "mg";
  const rows: Ceiling[] = [
    {
      thing: "cover",
      maxC: o.cover === "glass" ? DEFAULTS.glass : metal ? DEFAULTS.metal : DEFAULTS.plastic,
      of: "the cover",
      source: "default, the maker first",
    },
  ];
  if (!o.thrownAway)
    for (const [thing, of] of [
      ["film", "films that may be used again"],
      ["lcd", "a display that may be used again"],
    ] as const)
      rows.push({ thing, maxC: DEFAULTS.kept, of, source: "default, its datasheet first" });
  if (o.packInZone)
    rows.push({ thing: "battery", maxC: DEFAULTS.battery, of: "the pack in the zone", source: "default, for the model's zone" });
  for (const c of heatCeilings(b, tapes)) rows.push({ thing: thingOf(c.of), ...c });
  const lowest = new Map<Thing, Ceiling>();
  for (const r of rows) if (r.maxC < (lowest.get(r.thing)?.maxC ?? Number.POSITIVE_INFINITY)) lowest.set(r.thing, r);
  return [...lowest.values()];
}
