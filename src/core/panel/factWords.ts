import { mm } from "../quantity";
import type { FactName } from "./factNames";
import type { LidLead, Panel } from "./schema";

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
  soldAs: "Sold as",
  hingeSpanMm: "Hinges apart, mm",
  hingeOpensDeg: "Opens to, °",
  lidLeads: "Leads of the lid",
  lidCamera: "Camera in the lid",
  colour: "Colour",
  lidSensor: "Lid sensor",
  logoWindow: "Window in the lid's back",
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
  panel: "the panel alone",
  frontUnit: "the front unit",
  lidAssembly: "the whole lid",
  cell: "the bare cell",
  camera: "a camera",
  withSlide: "a camera with a slide",
  onLead: "sensor on a lead",
};

/** A figure, or the range it is. @example spanWords({ min: 5, max: 21 }) // "5 to 21" */
export const spanWords = (v: number | { min: number; max: number }): string =>
  typeof v === "object" ? `${v.min} to ${v.max}` : String(v);

const SERVES_WORDS: Readonly<Partial<Record<LidLead["serves"], string>>> = { wireless: "antenna", lidSensor: "lid sensor" };
/** A lead by what it serves. @example leadWords({ serves: "wireless", plug: null, lengthMm: null }) // "antenna lead" */
export const leadWords = (l: LidLead): string => `${SERVES_WORDS[l.serves] ?? l.serves} lead`;
/** Leads in few words. @example leadsWords([{ serves: "picture", plug: null, lengthMm: 180 }]) // "picture 180 mm" */
export const leadsWords = (v: readonly LidLead[]): string =>
  v.map((l) => `${SERVES_WORDS[l.serves] ?? l.serves}${l.lengthMm === null ? "" : ` ${mm(l.lengthMm)} mm`}`).join(", ") || "none";

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
  lidLeads: leadsWords,
};

const LISTS: ReadonlySet<FactName> = new Set(["lowerModes", "laneRatesGbps", "tabs", "inTheBox", "lidLeads"]);

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
