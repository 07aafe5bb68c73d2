import { type BuildIndex, bareNow } from "../../build";
import { type Answer, no } from "../answer";
import type { JobState } from "../state";

/** What lies bare now and breaks by heat, touch or dust, in words; null where nothing does. @example bareOf(s, b) // null */
export const bareOf = (s: JobState, b: BuildIndex): string | null =>
  bareNow(b, (x) => s.parts[x] === "out" || s.parts[x] === "folded");

/** Something came away: if that bared films, their time runs from here; if none lie bare any more, it is over. @example noteBare(s, b, "000000000000001-000000") // undefined */
export function noteBare(s: JobState, b: BuildIndex | null | undefined, clock: string): void {
  if (!b) return;
  if (!bareOf(s, b)) s.bench.films = null;
  else s.bench.films ??= { clock, covered: false };
}

/** Nothing is laid, blown or seated while the sheet is still over the films. @example sheetAway(s) // null */
export const sheetAway = (s: JobState): Answer =>
  s.bench.films?.covered
    ? no("films", "The sheet still lies over the films: take it off first, and look at them under side light.")
    : null;
