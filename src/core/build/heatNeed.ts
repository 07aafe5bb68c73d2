import type { BuildIndex } from "./find";
import type { Build } from "./schema";

/** A ceiling of warming: of what, how hot at most, by whose word. */
export interface HeatCeiling {
  of: string;
  maxC: number;
  source: string;
}

/**
 * What must not get hotter while these tapes are warmed, the lowest first.
 * @param tapes their ids; all of the build's where none are named
 * @example heatCeilings(build, []).length // 0
 */
export function heatCeilings(b: Pick<Build, "tapes">, tapes: readonly string[]): HeatCeiling[] {
  const rows = new Map<string, HeatCeiling>();
  for (const t of b.tapes)
    if (tapes.includes(t.id))
      for (const c of t.heat?.ceilings ?? []) {
        const known = rows.get(c.of);
        if (!known || c.maxC < known.maxC) rows.set(c.of, c);
      }
  return [...rows.values()].sort((a, b) => a.maxC - b.maxC);
}

/**
 * What lies bare now that heat harms: a part whose cover is away while it is still there itself.
 * @param away whether a part is out or folded over
 * @example bareNow(b, () => false) // null
 */
export const bareNow = (b: BuildIndex, away: (part: string) => boolean): string | null =>
  b.build.parts.find((p) => p.fragile && away(p.fragile.exposedBy) && !away(p.id))?.fragile?.breaks ?? null;

/**
 * A pack that lies in the lid and is still there: what is warmed over it warms it.
 * @param away whether a part is out
 * @example packInLid(build, () => false) // false
 */
export const packInLid = (b: Pick<Build, "parts">, away: (part: string) => boolean): boolean =>
  b.parts.some((p) => p.role === "battery" && p.view === "lid" && !away(p.id));
