import { asked } from "./asked";
import { CHANGES } from "./row";

declare module "./row" {
  interface FitFields {
    cableExit: true;
  }
}

export const cableExit = asked("cableExit", "Cable leaves to", "See to which side the cable leaves the plug", (was, is) =>
  was === is
    ? null
    : {
        verdict: "change",
        words: `${is}, not ${was}`,
        reason:
          "The cable leaves the plug to the other side: fold it back once, and see that it still reaches and nothing lies on the fold.",
        change: CHANGES.foldCable,
      },
);
