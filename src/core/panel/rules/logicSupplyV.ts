import { destroying } from "./destroying";

declare module "./row" {
  interface FitFields {
    logicSupplyV: true;
  }
}

export const logicSupplyV = {
  ...destroying(
    "logicSupplyV",
    "Logic supply, V",
    String,
    "Find the logic supply in a datasheet, on the label or from the maker",
  ),
  // No eye settles a voltage.
  notByEye: true,
} as const;
