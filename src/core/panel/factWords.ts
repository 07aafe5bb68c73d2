import { mm } from "../quantity";
import type { FactName } from "./factNames";
import type { Panel } from "./schema";

type Value<F extends FactName> = NonNullable<NonNullable<Panel[F]>["value"]>;

/** What each fact is called, with its unit. */
export const FACT_LABEL: Readonly<Record<FactName, string>> = {
  technology: "Technology",
  diagonalIn: "Diagonal, inch",
  outline: "Outline, mm",
  thicknessMm: "Thickness, mm",
  active: "Picture, mm",
  pixels: "Pixels",
  refreshHz: "Refresh, Hz",
  family: "Interface",
  contacts: "Contacts",
  pitchMm: "Pitch, mm",
  contactSide: "Contacts face",
  logicSupplyV: "Logic supply, V",
  backlight: "Backlight",
  backlightSupplyV: "Backlight supply, V",
  connectorAt: "Connector at, mm",
  activeAt: "Picture at, mm",
  pixelClockKHz: "Pixel clock, kHz",
  lowerModes: "Lower modes",
  laneRatesGbps: "Lane rates, Gbit/s",
  compression: "Compression",
  lanes: "Lanes",
  colourBits: "Colour, bit",
  touch: "Touch",
  finish: "Finish",
  tabs: "Mounting tabs",
  inTheBox: "In the box",
  dimming: "Dimming",
  ledCurrentMa: "String current, mA",
  lowerEdgeMm: "Lower edge, mm",
  cell: "Cell",
  viewingAngleDeg: "Viewing angle, °",
  brightnessNits: "Brightness, cd/m²",
  gamutPercent: "Gamut, % sRGB",
  touchController: "Touch controller",
  touchPlug: "Touch plug",
  glass: "Front glass",
  cableExit: "Cable leaves to",
  lvdsOrder: "LVDS bit order",
  dithered: "Depth by dithering",
  privacy: "Privacy layer",
  adaptiveRefresh: "Adaptive refresh",
  selfRefresh: "Self refresh",
};

/** Values that stand for words, in words. @example VALUE_WORDS.ledOnPanel // "LED, on panel" */
export const VALUE_WORDS: Readonly<Record<string, string>> = {
  shell: "the shell",
  glass: "the glass",
  ledOnPanel: "LED, on panel",
  ledFromBoard: "LED, from board",
  ccfl: "lamp and inverter",
  oled: "none, OLED",
  onCell: "in the cell",
  separate: "separate layer",
  pwm: "PWM contact",
  link: "over the link",
  both: "contact or link",
  plain: "plain",
  roundedCorners: "rounded corners",
  notch: "notch",
  bondedCover: "bonded cover",
  vesa: "VESA",
  jeida: "JEIDA",
};

/** A figure, or the range it is. @example spanWords({ min: 5, max: 21 }) // "5 to 21" */
export const spanWords = (v: number | { min: number; max: number }): string =>
  typeof v === "object" ? `${v.min} to ${v.max}` : String(v);

const OF: { [F in FactName]?: (v: Value<F>) => string } = {
  outline: (v) => `${mm(v.widthMm)} × ${mm(v.heightMm)}`,
  active: (v) => `${mm(v.widthMm)} × ${mm(v.heightMm)}`,
  pixels: (v) => `${v.h} × ${v.v}`,
  connectorAt: (v) => `${mm(v.xMm)}, ${mm(v.yMm)}`,
  activeAt: (v) => `${mm(v.xMm)}, ${mm(v.yMm)}`,
  lowerModes: (v) => v.map((m) => `${m.refreshHz} Hz at ${m.pixelClockKHz} kHz`).join(", ") || "none",
  laneRatesGbps: (v) => v.join(", "),
  logicSupplyV: spanWords,
  backlightSupplyV: spanWords,
  ledCurrentMa: spanWords,
  tabs: (v) => (v.length ? `${v.length}, screwed` : "none"),
  inTheBox: (v) => v.join(", ") || "panel only",
};

const LISTS: ReadonlySet<FactName> = new Set(["lowerModes", "laneRatesGbps", "tabs", "inTheBox"]);

/**
 * A fact's value in words, without its unit (the label carries it). A value of the wrong shape is shown as text.
 * @example factWords("outline", { widthMm: 315.8, heightMm: 195.8 }) // "315.8 × 195.8"
 */
export function factWords(fact: FactName, value: unknown): string {
  if (value === null || value === undefined) return "unknown";
  const say = OF[fact] as ((v: unknown) => string) | undefined;
  if (say && typeof value === "object" && LISTS.has(fact) === Array.isArray(value)) {
    // Another source's value may have any shape: one that does not give words is shown as it is.
    try {
      const words = say(value);
      if (!/undefined|NaN|\[object/.test(words)) return words;
    } catch {}
  }
  return typeof value === "string"
    ? (VALUE_WORDS[value] ?? value)
    : typeof value === "number"
      ? String(value)
      : JSON.stringify(value);
}
