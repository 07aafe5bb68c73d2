import type { Build } from "../build";
import { listed } from "../quantity";
import type { Refusal } from "./answer";
import type { JobView } from "./derived";

/**
 * Whether a job under way may go over to a changed build: only of its own machine, and only while the machine is still whole.
 * Once something is out or off, places and counts stand on the build it was planned with; what is found counts at once anyway.
 * @param buildHash the changed build, among the snapshots
 * @returns null when it may, else what speaks against it
 * @example mayPlanAnew(view, hashes.build["marrick-holm-15"]).reason // "That is the build of Marrick Holm 15, this machine is Ostrel Kestrel 14."
 */
export function mayPlanAnew(v: JobView, buildHash: string): Refusal | null {
  const no = (reason: string): Refusal => ({ gate: "plan", reason });
  const data = (hash: string | undefined): Build | null => {
    const kept = hash ? v.snapshots[hash] : undefined;
    return kept?.kind === "build" ? kept.data : null;
  };
  const s = v.state;
  const now = data(s.plan?.buildHash);
  const next = data(buildHash);
  if (!now || !next) return no("The build is not here.");
  if (next.id !== now.id) return no(`That is the build of ${next.machineModel}, this machine is ${now.machineModel}.`);
  const names = new Map([
    ...now.parts.map((p) => [p.id, p.name] as const),
    ...now.connectors.map((c) => [c.id, c.name] as const),
    ...now.tapes.map((t) => [t.id, t.name] as const),
    ...now.screwGroups.flatMap((g) => g.screws.map((x) => [x.id, `screw at ${x.where.toLowerCase()}`] as const)),
  ]);
  const begun = [...Object.keys(s.screws), ...Object.keys(s.parts), ...Object.keys(s.touched), ...Object.keys(s.tapesOut)];
  if (s.subject !== "in" || begun.length)
    return no(
      `${listed(begun.slice(0, 3).map((id) => names.get(id) ?? id)) || "The old panel"} ${begun.length === 1 ? "was" : "were"} dealt with already: this job keeps the build it was planned with.`,
    );
  return null;
}
