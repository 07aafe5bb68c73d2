import type { Connector } from "../build";
import type { Pass } from "../proof";
import type { JobState } from "./state";
import { seated } from "./subject";

/**
 * What a pass of Prove has seen no longer speaks for this machine; `by` is what was touched.
 * @example voidPasses(emptyState(), "display-plug")
 */
export function voidPasses(s: JobState, by: string, passes: readonly Pass[] = ["open", "closed"]): void {
  if (passes.includes("open")) s.close.begun = false;
  for (const pass of passes) {
    if (Object.keys(s.prove[pass]).length === 0) continue;
    s.prove[pass] = {};
    s.prove.voided[pass] = by;
  }
}

/**
 * Something goes home: once the open pass was looked at, that is the beginning of closing up.
 * @example homeAgain(emptyState())
 */
export function homeAgain(s: JobState): void {
  if (seated(s) && Object.keys(s.prove.open).length > 0) s.close.begun = true;
}

/** What only the closed pass looks at: a lead that serves it leaves the open pass standing. */
const CLOSED_ONLY: ReadonlySet<string> = new Set(["wireless", "battery", "lidSensor", "keyboard", "speaker"]);

/**
 * A connector was touched: the loose test no longer speaks for it, nor do the passes of Prove that looked at what it serves.
 * @param how drawn off; put on; or put on where its part goes home after the open pass, which never looked at it (`onLate`)
 * @example touch(emptyState(), "display-plug", undefined, "off")
 */
export function touch(s: JobState, connector: string, c: Connector | undefined, how: "on" | "onLate" | "off"): void {
  s.touched[connector] = true;
  if (c?.powerPoint) return;
  if (s.looseTest && !s.looseTest.voidedBy) s.looseTest.voidedBy = connector;
  // Going home takes nothing from what was seen without it: only what it serves itself is looked at again.
  if (how !== "off" && c && c.serves !== "picture" && c.serves !== "power") {
    if (how === "on" && s.prove.open[c.serves]) {
      const { [c.serves]: _, ...rest } = s.prove.open;
      s.prove.open = rest;
    }
    voidPasses(s, connector, ["closed"]);
    return;
  }
  // A lead nobody knows may serve anything.
  voidPasses(s, connector, c && CLOSED_ONLY.has(c.serves) ? ["closed"] : ["open", "closed"]);
}
