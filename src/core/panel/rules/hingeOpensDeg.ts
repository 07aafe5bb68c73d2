import { belongs } from "./boughtAs";

declare module "./row" {
  interface FitFields {
    hingeOpensDeg: true;
  }
}

/** A few degrees nobody notices (adj). */
const SAME_DEG = 5;

export const hingeOpensDeg = belongs(
  "hingeOpensDeg",
  ["lidAssembly"],
  "Opens to, °",
  "Open both lids as far as they go, and compare",
  String,
  { verdict: "ask" },
  (was, is) =>
    Math.abs(is - was) <= SAME_DEG
      ? null
      : {
          verdict: "ask",
          words: `${is}°, not ${was}°`,
          reason:
            is < was
              ? "It does not open as far as before. Never press it further: hinge or bezel breaks. Ask the customer."
              : "It opens further than the base was made for: see that leads reach and the lid's edge stays clear of it. Ask the customer.",
        },
);
