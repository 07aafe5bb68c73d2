import { type JobState, panelIsHere, panelReading } from "../job";
import type { Progress } from "./progress";
import type { StepStation } from "./step";

export const STATIONS = ["triage", "identify", "match", "plan", "open", "swap", "bond", "prove", "close"] as const;
export type Station = (typeof STATIONS)[number];

/**
 * The station at which the one thing to do now stands. A panel that came but was not looked at, or is wrong, keeps the
 * job at Match.
 * @param p the plan's progress, or null before there is one
 * @example stationNow(emptyState(), null) // "triage"
 */
export function stationNow(s: JobState, p: Progress | null): Station {
  if (s.triage.concluded?.verdict !== "panel") return "triage";
  // Opened for its label, or closed again: the work is where its step is, whatever was not ordered yet.
  if (p && p.aim !== "swap" && p.now) return p.now.kind === "labelSeen" ? "identify" : p.now.station;
  if (!panelReading(s)) return "identify";
  if (!s.match.order || !panelIsHere(s)) return "match";
  if (!s.plan) return "plan";
  // Taken, but not made yet on this page, or not to be made from this build.
  if (!p) return "plan";
  const now: StepStation | undefined = p.now?.station;
  return now ?? "close";
}
