import { destroying } from "./destroying";

declare module "./row" {
  interface FitFields {
    pitchMm: true;
  }
}

export const pitchMm = destroying("pitchMm", "Pitch, mm", String, "Measure the pitch over ten contacts");
