import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    glass: true;
  }
}

const WORDS = { plain: "plain", roundedCorners: "rounded corners", notch: "notch", bondedCover: "bonded cover" } as const;

export const glass = asked("glass", "Front glass", "Look at the glass: corners, notch, cover bonded on", (was, is) => {
  if (was === is) return null;
  const words = `${WORDS[is]}, not ${WORDS[was]}`;
  if (is === "bondedCover")
    return {
      verdict: "stop",
      words,
      reason: "With its cover glass it stands proud of a frame made for a bare panel: the bezel has no place.",
    };
  if (was === "bondedCover")
    return {
      verdict: "stop",
      words,
      reason: "The cover glass is the front of this lid: a bare panel leaves it open and lies too deep.",
    };
  if (is === "notch" || was === "notch")
    return {
      verdict: "stop",
      words,
      reason:
        is === "notch"
          ? "Picture is missing where this frame shows some."
          : "The camera sits in the old one's notch: this glass covers it and does not go past it.",
    };
  return {
    verdict: "ask",
    words,
    reason: "Corners of the picture look other than the frame's: it works, and it shows. Ask the customer.",
  };
});
