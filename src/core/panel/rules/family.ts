import { destroying } from "./destroying";

declare module "./row" {
  interface FitFields {
    family: true;
  }
}

export const family = destroying("family", "Interface", (v) => v, "Read the interface family off the label or datasheet");
