import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    privacy: true;
  }
}

export const privacy = asked("privacy", "Privacy layer", "Look from the side: does it go dark", (was, is) =>
  was === is
    ? null
    : {
        verdict: "ask",
        words: is === "yes" ? "has one" : "without it",
        reason:
          is === "yes"
            ? "Dark from the side, and darker altogether. Ask the customer."
            : "What lay on the screen can be read from beside it now. Ask the customer.",
      },
);
