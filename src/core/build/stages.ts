import type { Build } from "./schema";

/** Says what is wrong, and where in the build. */
type Say = (where: string, message: string) => void;

/**
 * Stages that contradict the pry map: over an edge nobody may enter, or deeper than that edge allows. The map is the safer word.
 * @example checkStages(build, () => {}) // undefined
 */
export function checkStages(b: Build, say: Say): void {
  b.parts.forEach((p, i) => {
    for (const key of ["out", "fold"] as const)
      p[key]?.stages?.forEach((s, k) => {
        const where = `parts[${i}].${key}.stages[${k}]`;
        const e = b.lid.pry.find((x) => x.edge === s.edge);
        if (e && !e.enter) say(`${where}.edge`, `the pry map says of the ${e.edge} edge: do not enter`);
        else if (e?.depthMm !== undefined && s.depthMm !== undefined && s.depthMm > e.depthMm)
          say(`${where}.depthMm`, `${s.depthMm} mm; the pry map allows ${e.depthMm} mm at the ${e.edge} edge`);
      });
  });
}
