import { readPartCode } from "./partCode";
import type { Panel } from "./schema";

/**
 * A panel record for a code that is not in the catalogue: everything unknown but what the code lets one guess,
 * marked G. Guesses never decide a verdict; see `compareFit`.
 * @example unknownPanel("GV140FHB-K99").contacts.value // null
 */
export function unknownPanel(code: string): Panel {
  const read = readPartCode(code);
  const none = { value: null, source: "G" as const };
  return {
    format: "helvane.panel",
    version: 1,
    id: `unlisted-${
      code
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, "-")
        .replace(/^-+|-+$/g, "")
        .slice(0, 50) || "panel"
    }`,
    code: code.trim(),
    technology: none,
    outline: none,
    thicknessMm: none,
    active: none,
    refreshHz: none,
    family: none,
    contacts: none,
    pitchMm: none,
    contactSide: none,
    logicSupplyV: none,
    backlight: none,
    backlightSupplyV: none,
    connectorAt: none,
    lanes: none,
    colourBits: none,
    touch: none,
    finish: none,
    tabs: none,
    inTheBox: none,
    diagonalIn: { value: read.diagonalIn, source: "G" },
    pixels: { value: read.pixels.length === 1 ? read.pixels[0]! : null, source: "G" },
  };
}
