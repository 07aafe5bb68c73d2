import type { FitRow } from "./row";
import { isSaid, supply } from "./supply";

declare module "./row" {
  interface FitFields {
    ledCurrentMa: true;
  }
}

const rule = supply(
  "ledCurrentMa",
  "String current, mA",
  "mA",
  () => undefined,
  "Find the current of one string in the datasheet",
  // The driver holds its current: what one figure means, the other has to mean too.
  (i) => ({ fed: 0, takes: i.limits.currentShare }),
);

/** The current of a string, where the board drives the light and somebody has stated it. */
export const ledCurrentMa = {
  ...rule,
  judge: (i: Parameters<typeof rule.judge>[0]): FitRow | null =>
    isSaid("ledCurrentMa", i.old, i.candidate) &&
    (i.old.backlight.value === "ledFromBoard" || i.candidate.backlight.value === "ledFromBoard")
      ? rule.judge(i)
      : null,
} as const;
