import { belongs, wordOf } from "./boughtAs";
import { CHANGES } from "./row";

declare module "./row" {
  interface FitFields {
    lidSensor: true;
  }
}

/** What tells the machine that its lid is closed: without it it never sleeps, or never wakes. */
export const lidSensor = belongs(
  "lidSensor",
  ["lidAssembly"],
  "Lid sensor",
  "Find what tells that the lid is closed: a magnet in its edge (a screwdriver's tip is drawn to it), or a sensor on a lead",
  wordOf,
  { verdict: "change", change: CHANGES.moveOver },
  (was, is) =>
    was === is
      ? null
      : was === "none"
        ? { verdict: "same", words: "one more than needed", reason: "The machine had none in its lid: it does not matter." }
        : {
            verdict: "change",
            words: `${wordOf(is)}, not ${wordOf(was)}`,
            reason:
              was === "magnet"
                ? "Without its magnet at the same place the machine does not sleep when it is closed, or stays dark: move it over, the same side up."
                : "Without its sensor the machine does not sleep when it is closed, or stays dark: move it over with its lead.",
            change: CHANGES.moveOver,
          },
);
