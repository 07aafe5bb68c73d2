import { against, nearMm, smallMm } from "../figure";
import { belongs } from "./boughtAs";

declare module "./row" {
  interface FitFields {
    hingeSpanMm: true;
  }
}

/** Hinges sit on bosses of the base: a lid whose hinges stand further apart goes on with no screw. */
export const hingeSpanMm = belongs(
  "hingeSpanMm",
  ["lidAssembly"],
  "Hinges apart, mm",
  "Measure from the outermost screw hole of the left hinge to that of the right, on both lids",
  String,
  { verdict: "stop" },
  (was, is, { limits }, v) => {
    const by = is - was;
    const near = nearMm([was], v.old) + nearMm([is], v.candidate);
    const words = `${smallMm(by)} mm ${by < 0 ? "nearer" : "further apart"}`;
    if (against(by, near, limits.hingeSameMm) === "inside") return null;
    if (against(by, near, limits.hingeSlotMm) !== "outside")
      return {
        verdict: "unknown",
        words,
        reason: `Hinge holes take up to about ${limits.hingeSlotMm} mm: hold the lid on its bosses before a screw goes in.`,
        differs: true,
        round: { verdict: "stop" },
        look: "Hold the new lid's hinges on the bosses of the base",
      };
    return {
      verdict: "stop",
      words,
      reason: `The hinges miss their bosses: holes take ${limits.hingeSlotMm} mm at most. Screws forced in strip the bosses or twist the lid.`,
    };
  },
);
