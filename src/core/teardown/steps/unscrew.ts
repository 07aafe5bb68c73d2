import { type BuildIndex, screwWords } from "../../build";
import { DRIVE_WORDS, type StepText } from "../step";

/** Drive of a group's first screw, in words. @example driveOf(b, "base-screws") // "Cross recess PH00" */
export const driveOf = (b: BuildIndex, group: string): string => {
  const t = b.screwType.get(b.group.get(group)!.screws[0]!.type)!;
  return `${DRIVE_WORDS[t.drive]} ${t.size}`;
};

/**
 * Drives of a group in words, the first screw's first: one bit, or each with how many screws it turns.
 * @example drivesOf(b, "base-screws").words // "Cross recess PH00"
 */
export function drivesOf(b: BuildIndex, group: string): { words: string; tools: string[] } {
  const counts = new Map<string, number>();
  for (const s of b.group.get(group)!.screws) {
    const t = b.screwType.get(s.type)!;
    const name = `${DRIVE_WORDS[t.drive]} ${t.size}`;
    counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  const tools = [...counts.keys()];
  const words =
    tools.length === 1
      ? tools[0]!
      : `${tools.map((t) => `${t} for ${counts.get(t)}`).join(", ")}: ${tools.length === 2 ? "two" : tools.length} bits`;
  return { words, tools };
}

/** How many screws of which group, as a title says it. @example groupWords(b, "base-screws") // "6 base screws" */
export function groupWords(b: BuildIndex, group: string): string {
  const g = b.group.get(group)!;
  const name = g.name.toLowerCase();
  return `${g.screws.length} ${g.screws.length === 1 ? name.replace(/screws\b/, "screw") : name}`;
}

/**
 * What a step says that takes screws out or loosens them.
 * @example unscrewText(b, "base-screws", "Take out").title // "Take out 6 base screws"
 */
export function unscrewText(b: BuildIndex, group: string, verb: string, rest = ""): StepText {
  const g = b.group.get(group)!;
  const t = b.screwType.get(g.screws[0]!.type)!;
  const sorts = new Set(g.screws.map((s) => s.type)).size;
  const minutes = g.minutesEach * g.screws.length;
  const { words, tools } = drivesOf(b, group);
  return {
    title: `${verb} ${groupWords(b, group)}`,
    how: `${words}${sorts > 1 ? `, ${sorts} lengths: keep them apart` : `, ${screwWords(t)}`}.${rest}`,
    minutes,
    backMinutes: minutes,
    view: g.view,
    tool: driveOf(b, group),
    ...(tools.length > 1 ? { tools } : {}),
    ...(g.caution ? { caution: g.caution } : {}),
  };
}

/**
 * What a step says that puts them back or tightens them.
 * @example screwText(b, "base-screws", "Put back", "Finger-tight first.").title // "Put back 6 base screws"
 */
export function screwText(b: BuildIndex, group: string, verb: string, how: string): StepText {
  const g = b.group.get(group)!;
  const { words, tools } = drivesOf(b, group);
  return {
    title: `${verb} ${groupWords(b, group)}`,
    how: tools.length > 1 ? `${words}. ${how}` : how,
    minutes: g.minutesEach * g.screws.length,
    tool: driveOf(b, group),
    ...(tools.length > 1 ? { tools } : {}),
    ...(g.caution ? { caution: g.caution } : {}),
  };
}
