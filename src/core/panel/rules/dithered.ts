import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    dithered: true;
  }
}

export const dithered = asked("dithered", "Depth by dithering", "Find in the datasheet whether its depth is true", (was, is) =>
  was === is
    ? null
    : {
        verdict: "ask",
        words: is === "yes" ? "dithered, not true" : "true, not dithered",
        reason:
          is === "yes"
            ? "Fine ramps shimmer and some eyes tire. Ask the customer."
            : "Smoother than before; nothing is lost. Tell the customer.",
      },
);
