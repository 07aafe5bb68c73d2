import { supply } from "./supply";

declare module "./row" {
  interface FitFields {
    backlightSupplyV: true;
  }
}

export const backlightSupplyV = supply(
  "backlightSupplyV",
  "Backlight supply, V",
  "V",
  (i) => i.build?.rails?.backlightV,
  "Find the backlight supply in a datasheet, on the label or from the maker",
);
