import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    lvdsOrder: true;
  }
}

export const lvdsOrder = asked("lvdsOrder", "LVDS bit order", "Find the bit order in the datasheet", (was, is, i) =>
  was === is || i.candidate.family.value === "eDP"
    ? null
    : {
        verdict: "ask",
        words: `${is.toUpperCase()}, not ${was.toUpperCase()}`,
        reason:
          "Bits arrive in another order: nothing burns, colours are wrong and ramps jump unless this board can be set. Ask, and test loose.",
      },
);
