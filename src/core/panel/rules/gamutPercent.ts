import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    gamutPercent: true;
  }
}

export const gamutPercent = asked("gamutPercent", "Gamut, % sRGB", "Find the gamut in a datasheet", (was, is, i, pm) =>
  Math.abs(is - was) + pm <= i.limits.gamutSamePercent
    ? null
    : {
        verdict: "ask",
        words: `${is} %, not ${was} %`,
        reason: `Colours are ${is < was ? "paler" : "stronger"} than before. Ask the customer, above all who works with pictures.`,
      },
);
