import type { Findings } from "./hypotheses";
import type { TriageTable } from "./schema";

export interface DamageMark {
  kind: "crack" | "blot" | "lines" | "dim" | "deadTouch";
  xMm: number;
  yMm: number;
  sizeMm: number;
  direction: "vertical" | "horizontal" | null;
  movesWithLid: boolean;
}

/** Part of the glass from its lower edge that counts as "along the lower edge" (adj). */
const LOWER_PART = 0.2;

/**
 * What the marks on the drawing say as findings: a crack, lines one way or the other, a dim zone along the lower edge, a
 * pattern that moves with the lid. An answer given by hand comes first.
 * @param t the fault model @param marks marks in mm on the lid @param glass the bezel opening in mm, or null when not known
 * @param given answers recorded by hand
 * @example findingsWithMarks(table, [crack], null, {}).cracks // "yes"
 */
export function findingsWithMarks(
  t: TriageTable,
  marks: readonly DamageMark[],
  glass: { yMm: number; heightMm: number } | null,
  given: Findings,
): Findings {
  const out: Record<string, Findings[string]> = {};
  for (const f of t.findings) {
    const want = f.fromMark;
    if (!want) continue;
    const hit = marks.some(
      (m) =>
        (want.movesWithLid ? m.movesWithLid : m.kind === want.kind) &&
        (!want.direction || m.direction === want.direction) &&
        (!want.lowerEdge || (glass !== null && m.yMm >= glass.yMm + glass.heightMm * (1 - LOWER_PART))),
    );
    if (hit) out[f.id] = "yes";
  }
  return { ...out, ...given };
}
