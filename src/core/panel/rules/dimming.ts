import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    dimming: true;
  }
}

const WORDS = { pwm: "PWM contact", link: "over the link", both: "contact or link" } as const;

export const dimming = asked("dimming", "Dimming", "Find in the datasheet how brightness is set", (was, is) =>
  was === is || is === "both"
    ? null
    : was === "both"
      ? {
          verdict: "unknown",
          words: `${WORDS[is]} only`,
          reason: "The old one took either way; which of them this board uses is not known.",
        }
      : {
          verdict: "ask",
          words: `${WORDS[is]}, not ${WORDS[was]}`,
          reason: "This board sets brightness the other way: the picture works, brightness stays where it is. Ask the customer.",
        },
);
