import { belongs } from "./boughtAs";

declare module "./row" {
  interface FitFields {
    colour: true;
  }
}

export const colour = belongs(
  "colour",
  ["lidAssembly", "frontUnit"],
  "Colour",
  "Hold the two together in daylight: colour, grain, and any print or badge",
  String,
  { verdict: "ask" },
  (was, is) =>
    was.trim().toLowerCase() === is.trim().toLowerCase()
      ? null
      : { verdict: "ask", words: `${is}, not ${was}`, reason: "It is seen every day: ask the customer before it is ordered." },
);
