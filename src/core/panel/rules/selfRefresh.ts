import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    selfRefresh: true;
  }
}

export const selfRefresh = asked("selfRefresh", "Self refresh", "Find in the datasheet whether it refreshes itself", (was, is) =>
  was === is
    ? null
    : {
        verdict: "ask",
        words: is === "yes" ? "has it" : "without it",
        reason:
          is === "yes"
            ? "Saves power where the board knows it; some boards flicker with it."
            : "A still picture draws more from the battery. Ask the customer.",
      },
);
