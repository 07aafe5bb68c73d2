import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    adaptiveRefresh: true;
  }
}

export const adaptiveRefresh = asked(
  "adaptiveRefresh",
  "Adaptive refresh",
  "Find in the EDID or datasheet whether its refresh adapts",
  (was, is) =>
    was === is
      ? null
      : {
          verdict: "ask",
          words: is === "yes" ? "has it" : "without it",
          reason:
            is === "yes"
              ? "May be wanted; the board has to know it."
              : "Moving pictures tear where they did not. Ask the customer.",
        },
);
