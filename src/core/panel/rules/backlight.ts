import { destroying } from "./destroying";
import { soldWithWords } from "./soldWith";

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
type Kind = keyof typeof BACKLIGHT_WORDS;

const WHY: Readonly<Record<Kind, string>> = {
  ledOnPanel: "Its own driver wants a supply on the display plug",
  ledFromBoard: "Its light has a plug of its own, driven from the board: nothing here feeds it",
  ccfl: "A lamp wants an inverter and a lead of its own, over a thousand volts",
  oled: "It has no backlight",
};

export const backlight = destroying(
  "backlight",
  "Backlight",
  (v) => BACKLIGHT_WORDS[v],
  "See where the backlight plugs in",
  (a: Kind, b: Kind, i) => {
    if (a === b) return null;
    const words = `${BACKLIGHT_WORDS[b]}, not ${BACKLIGHT_WORDS[a]}`;
    // OLED for LCD on the panel's own plug: what feeds it is to be found out, not to be feared.
    if ([a, b].every((k) => k === "oled" || k === "ledOnPanel"))
      return {
        verdict: "unknown",
        notByEye: true,
        words,
        reason:
          b === "oled"
            ? `Whether it takes its supply from a rail of its own or from the backlight's contacts is not known here.${soldWithWords(i)}`
            : "The board was made for OLED: whether it feeds a backlight is not known here.",
      };
    return {
      verdict: "stop",
      words,
      reason: `${WHY[b]}${a === "ledFromBoard" || a === "ccfl" ? `; what fed the old one has no place to go` : ""}. A difference here can destroy the board or the panel when they are mated.`,
    };
  },
);
