import type { BuildIndex } from "../../build";
import type { Act, ScrewState } from "../../job";
import type { AtStep, Planned, ScrewCount, StepStation } from "../step";

/** What the four kinds of screw steps share. */

/** The act for the next screw of a group that is still to go, or null. */
export function nextOfGroup(v: AtStep, group: string, count: ScrewCount): Act | null {
  const screw = v.b.group.get(group)?.screws.find((x) => count.toGo(v.s.screws[x.id]));
  return screw ? count.one(screw.id) : null;
}

/** Every screw of a group is in one of these states. */
export const allIn = (v: AtStep, group: string, is: (st: ScrewState | undefined) => boolean): boolean =>
  v.b.group.get(group)!.screws.every((x) => is(v.s.screws[x.id]));

/** The group a screw belongs to, by id; the screw itself where the build does not know it. */
export const groupOf = (screw: string, { b }: { b: BuildIndex }): string => b.groupOfScrew.get(screw)?.id ?? screw;

/** Screws of the subject go back at Bond, all others at Close. */
export const backStation = ({ b }: Planned, group: string): StepStation =>
  b.group.get(group)!.holds === b.subject.id ? "bond" : "close";
