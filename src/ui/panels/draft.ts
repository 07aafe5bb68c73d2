import { type Claim, type FactName, type Panel, writePanelRow } from "@/core/panel";

/** Facts of the form beside those typed on the drawing, in the order they are asked. */
export const ROWS: { name: string; facts: FactName[] }[] = [
  {
    name: "Connector and supply",
    facts: [
      "family",
      "contacts",
      "pitchMm",
      "contactSide",
      "logicSupplyV",
      "backlight",
      "backlightSupplyV",
      "ledCurrentMa",
      "dimming",
    ],
  },
  { name: "Mounting and box", facts: ["tabs", "activeAt", "glass", "inTheBox"] },
  {
    name: "Picture",
    facts: ["technology", "diagonalIn", "pixels", "refreshHz", "colourBits", "finish", "touch"],
  },
  { name: "To the eye", facts: ["brightnessNits", "gamutPercent", "cell", "viewingAngleDeg", "dithered", "privacy"] },
  {
    name: "Sold as a whole lid or front unit",
    facts: ["soldAs", "hingeSpanMm", "hingeOpensDeg", "lidLeads", "lidSensor", "lidCamera", "colour", "logoWindow"],
  },
  { name: "Touch layer", facts: ["touchController", "touchPlug"] },
  {
    name: "Link",
    facts: [
      "lvdsOrder",
      "adaptiveRefresh",
      "selfRefresh",
      "lanes",
      "laneRatesGbps",
      "compression",
      "pixelClockKHz",
      "lowerModes",
    ],
  },
];

/** A record as the cells of the form; what is unknown is empty. */
export const cellsOf = (p: Panel): Record<string, string> =>
  Object.fromEntries(Object.entries(writePanelRow(p)).map(([k, v]) => [k, String(v) === "unknown" ? "" : String(v)] as const));

/** What stands in the form, over which version of the record. */
export interface Draft {
  cells: Record<string, string>;
  claims: Claim[];
  version: number;
}
