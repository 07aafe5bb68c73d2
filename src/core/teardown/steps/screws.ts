import { type BuildIndex, partsHeld } from "../../build";
import type { Act, ScrewState } from "../../job";
import type { AtStep, Planned, ScrewCount, StepStation } from "../step";

/** What the four kinds of screw steps share. */

/**
 * The act for the next screw of a group that is still to go, or null.
 * @example nextOfGroup(atStep, "base-screws", stepRule("screwsOut").screws).payload.screw // "b1"
 */
export function nextOfGroup(v: AtStep, group: string, count: ScrewCount): Act | null {
  const screw = v.b.group.get(group)?.screws.find((x) => count.toGo(v.s.screws[x.id]));
  return screw ? count.one(screw.id) : null;
}

/**
 * Every screw of a group is in one of these states.
 * @example allIn(atStep, "base-screws", (st) => st === undefined) // true
 */
export const allIn = (v: AtStep, group: string, is: (st: ScrewState | undefined) => boolean): boolean =>
  v.b.group.get(group)!.screws.every((x) => is(v.s.screws[x.id]));

/**
 * The group a screw belongs to, by id; the screw itself where the build does not know it.
 * @example groupOf("b1", { b }) // "base-screws"
 */
export const groupOf = (screw: string, { b }: { b: BuildIndex }): string => b.groupOfScrew.get(screw)?.id ?? screw;

/**
 * Screws of the subject go back at Bond, all others at Close.
 * @example backStation({ b, changes: [] }, "base-screws") // "close"
 */
export const backStation = ({ b }: Planned, group: string): StepStation =>
  partsHeld(b.group.get(group)!).includes(b.subject.id) ? "bond" : "close";
