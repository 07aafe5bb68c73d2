import type { FitRow } from "@/core/panel";

/** Fields that belong together. Those that can destroy a board always stand open, whether they agree or not. */
const GROUPS: readonly { name: string; folds: boolean; fields: readonly string[] }[] = [
  {
    name: "Plug and supply",
    folds: false,
    fields: ["family", "contacts", "pitchMm", "contactSide", "logicSupplyV", "backlight", "backlightSupplyV", "ledCurrentMa"],
  },
  {
    name: "Size and place",
    folds: true,
    fields: ["outline", "thicknessMm", "lowerEdgeMm", "window", "tabs", "connectorAt", "cableExit", "glass"],
  },
  {
    name: "The lid round it",
    folds: false,
    fields: ["soldAs", "hingeSpanMm", "hingeOpensDeg", "lidLeads", "lidSensor", "lidCamera", "colour", "logoWindow"],
  },
  {
    name: "Picture and link",
    folds: true,
    fields: ["pixels", "link", "refreshHz", "colourBits", "dithered", "lvdsOrder", "dimming", "adaptiveRefresh", "selfRefresh"],
  },
  { name: "To the eye", folds: true, fields: ["brightnessNits", "gamutPercent", "cell", "viewingAngleDeg", "finish", "privacy"] },
  {
    name: "Kind, touch, box",
    folds: true,
    fields: ["technology", "touch", "touchController", "touchPlug", "pairing", "inTheBox"],
  },
];

export interface RowGroup {
  name: string;
  folds: boolean;
  fields: string[];
}

/**
 * The fields any of several comparisons speaks of, in groups, in the order of the table.
 * @param lists one comparison a candidate: not all have the same rows
 */
export function grouped(lists: readonly (readonly FitRow[])[]): RowGroup[] {
  const said = new Set(lists.flatMap((rows) => rows.map((r) => r.field)));
  const known = GROUPS.map((g) => ({ name: g.name, folds: g.folds, fields: g.fields.filter((f) => said.has(f)) }));
  const placed = new Set(known.flatMap((g) => g.fields));
  const rest = [...said].filter((f) => !placed.has(f));
  return [...known, { name: "Further", folds: true, fields: rest }].filter((g) => g.fields.length > 0);
}
