import { destroying } from "./destroying";

declare module "./row" {
  interface FitFields {
    backlightSupplyV: true;
  }
}

export const backlightSupplyV = {
  ...destroying(
    "backlightSupplyV",
    "Backlight supply, V",
    String,
    "Find the backlight supply in a datasheet, on the label or from the maker",
  ),
  // No eye settles a voltage.
  notByEye: true,
} as const;
