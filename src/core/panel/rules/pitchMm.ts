import { halfPlace } from "../figure";
import { destroying } from "./destroying";

declare module "./row" {
  interface FitFields {
    pitchMm: true;
  }
}

/** Pitches that connectors are made in, mm. A class each: never near enough. */
export const PITCHES = [0.25, 0.3, 0.35, 0.4, 0.5, 0.6, 0.8, 1, 1.25, 1.5, 2] as const;
/** A calliper over ten contacts is this near, mm (adj). */
const NEAR = 0.02;

/** The pitch a figure means, or null where it lies between two. @example pitchClass(0.49) // 0.5 */
export function pitchClass(mm: number): number | null {
  const near = PITCHES.filter((p) => Math.abs(p - mm) <= NEAR + Math.min(0.005, halfPlace(mm)) + 1e-9);
  return near.length === 1 ? near[0]! : null;
}

export const pitchMm = destroying(
  "pitchMm",
  "Pitch, mm",
  String,
  "Measure the pitch over ten contacts",
  (a: number, b: number) => {
    const [x, y] = [pitchClass(a), pitchClass(b)];
    if (Math.abs(a - b) < 1e-9 || (x !== null && x === y)) return null;
    if (x === null || y === null)
      return {
        verdict: "unknown",
        words: `${y === null ? b : a} is no pitch`,
        reason: `${y === null ? b : a} mm lies between two pitches that connectors are made in. Measure it over ten contacts.`,
      };
    const by = Math.round(Math.abs(a - b) * 1000) / 1000;
    return {
      verdict: "stop",
      words: `${b}, not ${a}`,
      reason: `${by} mm ${b > a ? "wider" : "finer"} a contact: after ${Math.ceil(Math.max(a, b) / by)} contacts it is a whole contact off, and supplies meet signals.`,
    };
  },
);
