import { kitFor } from "./cableKit";
import { destroying } from "./destroying";
import { pitchClass } from "./pitchClass";

declare module "./row" {
  interface FitFields {
    pitchMm: true;
  }
}

export const pitchMm = destroying(
  "pitchMm",
  "Pitch, mm",
  String,
  "Measure the pitch over ten contacts",
  (a: number, b: number, i) => {
    const [x, y] = [pitchClass(a), pitchClass(b)];
    if (Math.abs(a - b) < 1e-9 || (x !== null && x === y)) return null;
    if (x === null || y === null)
      return {
        verdict: "unknown",
        words: `${y === null ? b : a} is no pitch`,
        reason: `${y === null ? b : a} mm lies between two pitches that connectors are made in. Measure it over ten contacts.`,
      };
    const kit = kitFor(i, "pitchMm");
    if (kit) return kit;
    const by = Math.round(Math.abs(a - b) * 1000) / 1000;
    return {
      verdict: "stop",
      words: `${b}, not ${a}`,
      reason: `${by} mm ${b > a ? "wider" : "finer"} a contact: after ${Math.ceil(Math.max(a, b) / by)} contacts it is a whole contact off, and supplies meet signals.`,
    };
  },
);
