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
    if (pass === "open") s.prove.late = {};
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

/** Whether this lead is gone after because a check failed. */
const chased = (s: JobState, connector: string): boolean => s.after.chase?.leads.includes(connector) ?? false;

/**
 * A connector was touched: the loose test no longer speaks for it, nor do the passes of Prove that looked at what it serves.
 * @param how drawn off; put on; or put on where its part goes home after the open pass, which never looked at it (`onLate`)
 * @example touch(emptyState(), "display-plug", undefined, "off")
 */
export function touch(s: JobState, connector: string, c: Connector | undefined, how: "on" | "onLate" | "off"): void {
  s.touched[connector] = true;
  if (how === "off" || !s.connectors[connector]) s.touches[connector] = (s.touches[connector] ?? 0) + 1;
  if (!c?.powerPoint && (s.bench.mains === "in" || s.bench.running)) s.live[connector] = true;
  const own = c ? [c.serves, `other-${connector}`].filter((id) => s.prove.open[id]) : [];
  // Put on after the open pass was begun: what it serves is looked at closed up, unless the open pass saw it on this lead.
  const past = how !== "off" && c && seated(s) && Object.keys(s.prove.open).length > 0 && !chased(s, connector);
  const late = past && CLOSED_ONLY.has(c.serves) && !(c.powerPoint && own.some((id) => s.prove.open[id]!.result === "pass"));
  if (late) s.prove.late[connector] = true;
  if (c?.powerPoint) return;
  if (s.looseTest && !s.looseTest.voidedBy) s.looseTest.voidedBy = connector;
  // Going home takes nothing from what was seen without it: only what it serves itself is looked at again.
  if (how !== "off" && c && c.serves !== "picture" && c.serves !== "power") {
    if (how === "on" && !late && own.length)
      s.prove.open = Object.fromEntries(Object.entries(s.prove.open).filter(([id]) => !own.includes(id)));
    voidPasses(s, connector, ["closed"]);
    return;
  }
  // A lead nobody knows may serve anything.
  voidPasses(s, connector, c && CLOSED_ONLY.has(c.serves) ? ["closed"] : ["open", "closed"]);
}

/**
 * A lead that is gone after was put home anew: how often it was touched before no longer speaks against it. With the last of
 * them the cause is mended, and its check is asked again.
 * @example reseat(emptyState(), "camera-plug")
 */
export function reseat(s: JobState, connector: string): void {
  const chase = s.after.chase;
  if (!chase || chase.mended || !chase.leads.includes(connector)) return;
  s.touches[connector] = 1;
  chase.reseated[connector] = true;
  if (!chase.leads.every((l) => chase.reseated[l])) return;
  chase.mended = true;
  s.after.tried.push({ cause: chase.cause, pass: chase.pass, check: chase.check, result: null });
}
