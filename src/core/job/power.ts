import { type BuildIndex, comesBack, LAMP_WAIT_S, lampLit, overPower } from "../build";
import { listed } from "../quantity";
import type { PowerState } from "../triage";
import { type Answer, no } from "./answer";
import { buildOf, type JobView } from "./derived";
import type { JobState } from "./state";

/** How the machine stands for power, as far as it is recorded: the one answer for every gate, list and screen. */
export interface Power {
  state: PowerState;
  isolated: boolean;
  /** Live, or not known to be off: what is not recorded is taken for live. */
  live: boolean;
  /** What isolation still lacks, in the order of work; empty when isolated. */
  missing: string[];
  /** The state in two or three words, and one more line that says why. */
  title: string;
  note: string;
}

/**
 * Whether nothing can come from the pack: every point that carries its voltage is open, or the battery-off mode is on.
 * @example packCut(s, b) // false
 */
export const packCut = (s: JobState, b: BuildIndex | null): boolean =>
  b !== null &&
  (b.build.isolation.by === "batteryOffMode"
    ? s.bench.batteryOff
    : b.powerPoints.length > 0 && b.powerPoints.every((c) => s.connectors[c.id] === "off"));

/**
 * Something that came off or was folded away is not back: a hand could reach in. What in the base only lies over the pack's own
 * plug is looked past: it goes on last of all.
 * @example standsOpen(emptyState(), null) // false
 */
export function standsOpen(s: JobState, b: BuildIndex | null): boolean {
  if (s.subject === "out") return true;
  const over = b && overPower(b);
  return Object.entries(s.parts).some(
    ([id, p]) =>
      (p === "out" || p === "folded") && !(over?.has(id) && b?.part.get(id)?.view !== "lid") && comesBack(b?.part.get(id) ?? {}),
  );
}

/** It runs: whatever was recorded of its shutting down is over. @example wake(emptyState()) */
export function wake(s: JobState): void {
  s.bench.shutDown = false;
  s.bench.running = true;
}

/** Mains in, battery on, or a test: isolation has an end. @example endIsolation(emptyState(), "000000000000001-000000") */
export function endIsolation(s: JobState, clock: string): void {
  s.bench.drained = false;
  if (standsOpen(s, null)) s.bench.openLive = true;
  s.bench.since = clock;
}

/**
 * A machine that was running has stopped once neither mains nor pack feeds it. That it was shut down is still to be said.
 * @example stopWithoutSupply(emptyState(), b)
 */
export function stopWithoutSupply(s: JobState, b: BuildIndex | null): void {
  if (s.bench.running && s.bench.mains === "out" && packCut(s, b)) s.bench.running = false;
}

/** What isolation still lacks, in the order of work. Unknown is never isolated. */
function missingFor(s: JobState, b: BuildIndex | null): string[] {
  const missing: string[] = [];
  if (!s.bench.shutDown) missing.push("shut down");
  if (s.bench.mains !== "out") missing.push(s.bench.mains === "in" ? "take the mains out" : "take the mains out (not recorded)");
  if (!b) missing.push("name the machine's build: its power points are unknown");
  else if (b.build.isolation.by === "batteryOffMode") {
    if (!s.bench.batteryOff) missing.push("enter battery-off mode and prove it");
  } else for (const p of b.powerPoints) if (s.connectors[p.id] !== "off") missing.push(`open ${p.name.toLowerCase()}`);
  if (missing.length === 0 && s.bench.openLive && b && lampLit(b.build))
    missing.push(`leave the inverter alone for ${LAMP_WAIT_S} s`);
  if (missing.length === 0 && !s.bench.drained) missing.push("hold the power key to drain");
  return missing;
}

/**
 * The power state of a job's machine. Live on mains; live on its battery as long as it runs and the pack is not cut off; off
 * once it was shut down with the mains out; isolated when nothing is missing; else not known, and taken for live.
 * @example powerOf(view).title // "Live"
 */
export function powerOf(v: JobView): Power {
  const s = v.state;
  const b = buildOf(v);
  const missing = missingFor(s, b);
  const { mains, running } = s.bench;
  const said = (state: PowerState, title: string, note: string): Power => ({
    state,
    isolated: state === "isolated",
    live: state === "live" || state === "unknown",
    missing,
    title,
    note,
  });
  if (missing.length === 0) return said("isolated", "Isolated", "power points open");
  if (mains === "in") return said("live", "Live", "mains in");
  if (mains === "out" && (running === false || (running === null && packCut(s, b))))
    return said("off", "Off, not isolated", missing[0]!);
  if (running === true) return said("live", "Live", mains === "out" ? "running on battery" : "running");
  return said("unknown", "Live", mains === "out" ? "shutting down not recorded" : "mains not recorded");
}

/** Isolated, or what is still to do for it. @example isolatedFor(view, "mayConnect").gate // "mayConnect" */
export function isolatedFor(v: JobView, gate: string): Answer {
  const power = powerOf(v);
  return power.isolated ? null : no(gate, `Not isolated. Still to do: ${listed(power.missing)}.`);
}

/**
 * No power on an open lamp circuit unless a trained person has insulated the inverter, for this start.
 * @param attaching a pack is put on, nothing is started: that feeds the inverter only where the machine starts by itself
 * @example lampClear(view, false) // null
 */
export function lampClear(v: JobView, attaching: boolean): Answer {
  const b = buildOf(v);
  if (attaching && !b?.build.isolation.startsWhenAttached) return null;
  if (!b || !lampLit(b.build) || !standsOpen(v.state, b) || v.state.bench.lampGuard) return null;
  return no("lamp", b.build.lampTest === "open" ? LAMP_SAYS : `${LAMP_SAYS} Or close it first: it is tried whole.`);
}

/** What an open lamp circuit asks for before power. */
const LAMP_SAYS =
  "Lamp circuit open: over a thousand volts as soon as it is fed. A trained person insulates the inverter, keeps hands off and records it first.";

/**
 * No supply on a machine whose new panel is only half connected, from the mains or from the pack.
 * @example mayFeed(view) // null
 */
export function mayFeed(v: JobView): Answer {
  const s = v.state;
  const half = buildOf(v)?.subjectConnectors.some((c) => s.connectors[c.id] === "off") ?? false;
  return s.subject === "out" && s.looseTest === null && half
    ? no("bench", "The new panel's connectors are not on: no mains yet, and no pack.")
    : null;
}
