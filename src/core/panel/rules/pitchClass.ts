import { halfPlace } from "../figure";

/** Pitches that connectors are made in, mm. A class each: never near enough. */
export const PITCHES = [0.25, 0.3, 0.35, 0.4, 0.5, 0.6, 0.8, 1, 1.25, 1.5, 2] as const;
/** A calliper over ten contacts is this near, mm (adj). */
const NEAR = 0.02;

/** The pitch a figure means, or null where it lies between two. @example pitchClass(0.49) // 0.5 */
export function pitchClass(mm: number): number | null {
  const near = PITCHES.filter((p) => Math.abs(p - mm) <= NEAR + Math.min(0.005, halfPlace(mm)) + 1e-9);
  return near.length === 1 ? near[0]! : null;
}
