import { supply } from "./supply";

declare module "./row" {
  interface FitFields {
    logicSupplyV: true;
  }
}

export const logicSupplyV = supply(
  "logicSupplyV",
  "Logic supply, V",
  "V",
  (i) => i.build?.rails?.logicV,
  "Find the logic supply in a datasheet, on the label or from the maker",
);
