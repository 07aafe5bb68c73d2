import type { BuildIndex } from "./find";
import type { ScrewType } from "./schema";

/**
 * A screw in words: thread and length in mm, or that nobody has measured it.
 * @example screwWords(build.screwTypes[0]) // "M2 × 3"
 */
export const screwWords = (t: Pick<ScrewType, "thread" | "lengthMm" | "unmeasured">): string =>
  t.unmeasured ? "not measured" : `${t.thread} × ${t.lengthMm}`;

/** Lengths this near are the same screw, mm. */
const SAME_MM = 0.2;

/**
 * Whether a screw in hand belongs into a place: same thread and length as the one that came out of it.
 * @param b an indexed build
 * @param place id of the screw's place
 * @param type id of the type in hand
 * @returns null when it belongs there, else why not, naming the place and what a longer one would meet
 * @example screwMisfit(b, "b1", "no-such") === null // false
 */
export function screwMisfit(b: BuildIndex, place: string, type: string): string | null {
  const at = b.groupOfScrew.get(place)?.screws.find((s) => s.id === place);
  const own = at ? b.screwType.get(at.type) : undefined;
  const hand = b.screwType.get(type);
  if (!at || !own || !hand) return `This build has no screw "${hand ? place : type}".`;
  const name = screwWords(hand);
  const where = at.where[0]!.toLowerCase() + at.where.slice(1);
  // Nothing is known of it, so nothing else is the same: what came out of this place goes back into it.
  if (own.unmeasured || hand.unmeasured)
    return hand.id === own.id
      ? null
      : own.unmeasured
        ? `The screw of ${where} was never measured. Put back the one that came out of it.`
        : `The screw in hand was never measured. ${screwWords(own)} goes into ${where}.`;
  if (hand.thread !== own.thread) return `${name} has another thread than ${where}, which takes ${own.thread} × ${own.lengthMm}.`;
  const more = hand.lengthMm - own.lengthMm;
  if (Math.abs(more) <= SAME_MM)
    return hand.id === own.id || hand.head === own.head
      ? null
      : `${name}, ${hand.head} head, is not the one of ${where}: that has a ${own.head} head.`;
  const mm = Math.round(Math.abs(more) * 100) / 100;
  if (more > 0)
    return `${name} is ${mm} mm too long for ${where}: ${at.behind ? `it pierces ${at.behind}` : "it pierces what is behind"}. There goes ${own.thread} × ${own.lengthMm}.`;
  return `${name} is ${mm} mm too short for ${where}. There goes ${own.thread} × ${own.lengthMm}.`;
}
