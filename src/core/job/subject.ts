import { type Build, type BuildIndex, hangs, partsHeld, triedWhole } from "../build";
import { cutList } from "../tape";
import type { JobState } from "./state";

/** The new one is in its place, fixed or not. @example seated(emptyState()) // false */
export const seated = (s: Pick<JobState, "subject">): boolean => s.subject === "placed" || s.subject === "fixed";

/**
 * The new one was tried: whatever comes next is after the loose test. A panel is tried before it is seated; a whole lid on its
 * hinges.
 * @example pastTest(emptyState(), build) // false
 */
export const pastTest = (s: Pick<JobState, "subject" | "looseTest" | "prove">, b: Build): boolean => {
  if (!seated(s)) return false;
  if (!hangs(b) || triedWhole(b) || Object.keys(s.prove.open).length > 0) return true;
  return !!s.looseTest?.picture && !s.looseTest.voidedBy;
};

const HOME: ReadonlySet<string> = new Set(["back", "tightened", "staysOut", "replaced", "missing"]);

/**
 * Tells whether what was placed is fixed by now, or again only placed: its tape pressed, every screw of its own home.
 * @example settleSubject(emptyState(), b)
 */
export function settleSubject(s: JobState, b: BuildIndex | null): void {
  if (!b || !seated(s)) return;
  const screws = b.build.screwGroups.filter((g) => partsHeld(g).includes(b.subject.id)).flatMap((g) => g.screws);
  const pressed = s.bond.pressed || cutList(b.build).length === 0;
  s.subject = pressed && screws.every((x) => HOME.has(s.screws[x.id] ?? "back")) ? "fixed" : "placed";
}
