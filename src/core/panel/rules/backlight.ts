import { destroying } from "./destroying";

declare module "./row" {
  interface FitFields {
    backlight: true;
  }
}

const BACKLIGHT_WORDS = {
  ledOnPanel: "LED, on panel",
  ledFromBoard: "LED, from board",
  ccfl: "lamp and inverter",
  oled: "none, OLED",
} as const;

export const backlight = destroying("backlight", "Backlight", (v) => BACKLIGHT_WORDS[v], "See where the backlight plugs in");
