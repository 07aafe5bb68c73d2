import { type BuildIndex, screwWords } from "../../build";
import { DRIVE_WORDS, type StepText } from "../step";

/** Drive of a group's first screw, in words. @example driveOf(b, "base-screws") // "Cross recess PH00" */
export const driveOf = (b: BuildIndex, group: string): string => {
  const t = b.screwType.get(b.group.get(group)!.screws[0]!.type)!;
  return `${DRIVE_WORDS[t.drive]} ${t.size}`;
};

/**
 * What a step says that takes screws out or loosens them.
 * @example unscrewText(b, "base-screws", "Take out").title // "Take out 6 base screws"
 */
export function unscrewText(b: BuildIndex, group: string, verb: string, rest = ""): StepText {
  const g = b.group.get(group)!;
  const t = b.screwType.get(g.screws[0]!.type)!;
  const sorts = new Set(g.screws.map((s) => s.type)).size;
  const minutes = g.minutesEach * g.screws.length;
  return {
    title: `${verb} ${g.screws.length} ${g.name.toLowerCase()}`,
    how: `${driveOf(b, group)}${sorts > 1 ? `, ${sorts} lengths: keep them apart` : `, ${screwWords(t)}`}.${rest}`,
    minutes,
    backMinutes: minutes,
    view: g.view,
    tool: driveOf(b, group),
    ...(g.caution ? { caution: g.caution } : {}),
  };
}

/**
 * What a step says that puts them back or tightens them.
 * @example screwText(b, "base-screws", "Put back", "Finger-tight first.").title // "Put back 6 base screws"
 */
export function screwText(b: BuildIndex, group: string, verb: string, how: string): StepText {
  const g = b.group.get(group)!;
  return {
    title: `${verb} ${g.screws.length} ${g.name.toLowerCase()}`,
    how,
    minutes: g.minutesEach * g.screws.length,
    tool: driveOf(b, group),
  };
}
