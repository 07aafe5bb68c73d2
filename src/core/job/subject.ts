import type { BuildIndex } from "../build";
import { cutList } from "../tape";
import type { JobState } from "./state";

/** The new one is in its place, fixed or not. @example seated(emptyState()) // false */
export const seated = (s: Pick<JobState, "subject">): boolean => s.subject === "placed" || s.subject === "fixed";

const HOME: ReadonlySet<string> = new Set(["back", "tightened", "staysOut", "replaced", "missing"]);

/**
 * Tells whether what was placed is fixed by now, or again only placed: its tape pressed, every screw of its own home.
 * @example settleSubject(emptyState(), b)
 */
export function settleSubject(s: JobState, b: BuildIndex | null): void {
  if (!b || !seated(s)) return;
  const screws = b.build.screwGroups.filter((g) => g.holds === b.subject.id).flatMap((g) => g.screws);
  const pressed = s.bond.pressed || cutList(b.build).length === 0;
  s.subject = pressed && screws.every((x) => HOME.has(s.screws[x.id] ?? "back")) ? "fixed" : "placed";
}
