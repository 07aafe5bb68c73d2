import type { FamilyLetter } from "./families";

/** What a piece of a section is made of; the drawing hatches by it. */
export type SectionStuff = "metal" | "plastic" | "rubber" | "glass" | "panel" | "film" | "tape" | "screw" | "lamp" | "board";
/** A piece cut through: mm from the lid's outer edge inward (x) and from its front to its back (y). */
export interface SectionPiece {
  stuff: SectionStuff;
  x: number;
  y: number;
  w: number;
  h: number;
  /** What it is called, where the drawing names it. */
  name?: string;
}
export interface FamilySection {
  pieces: SectionPiece[];
  /** Where the tool enters, with the direction it comes from; null where nothing on the lid is pried. */
  pick: { x: number; y: number; from: "left" | "right" | "front" } | null;
  /** Where a screwdriver goes first, from the front or from the back; null where none does. */
  driver: { x: number; y: number; from: "front" | "back" } | null;
  /** What lies at the rim, in words. */
  rim: string;
  /** Where the tool goes and where it must not. */
  way: string;
}

const p = (stuff: SectionStuff, x: number, y: number, w: number, h: number, name?: string): SectionPiece => ({
  stuff,
  x,
  y,
  w,
  h,
  ...(name ? { name } : {}),
});
/** A back cover: its wall at the rim, its floor behind. */
const cover = (stuff: "metal" | "plastic", top: number, floor: number): SectionPiece[] => [
  p(stuff, 0, top, 1.4, floor - top),
  p(stuff, 0, floor, 34, 1.2, "back cover"),
];

const SECTIONS: Record<FamilyLetter, FamilySection> = {
  A: {
    pieces: [
      ...cover("plastic", 2, 11),
      p("plastic", 2, 2, 2.6, 9),
      p("plastic", 0, 0.8, 9.5, 1.2, "bezel"),
      p("screw", 2.8, 0.2, 1, 5),
      p("rubber", 2.2, -0.5, 2.2, 0.7, "cover"),
      p("metal", 5.4, 3.4, 1, 7.6, "rail"),
      p("panel", 6.6, 4, 27.4, 6, "panel"),
    ],
    pick: { x: 0, y: 2, from: "left" },
    driver: { x: 3.3, y: -0.5, from: "front" },
    rim: "Screws under small covers, then clips. Rails at the panel's sides carry it between the hinges.",
    way: "Covers and screws first, then the pick in the seam between bezel and cover. Nothing is pried while a screw is in.",
  },
  B: {
    pieces: [
      ...cover("plastic", 2, 9),
      p("plastic", 0, 0.8, 9, 1.2, "bezel"),
      p("plastic", 2, 2, 0.9, 3, "clip"),
      p("plastic", 3.4, 6.4, 2, 2.6),
      p("metal", 3.4, 5.6, 3, 0.8, "tab"),
      p("screw", 4, 4.8, 0.9, 4),
      p("panel", 6.4, 3.6, 27.6, 4.4, "panel"),
    ],
    pick: { x: 9, y: 2.4, from: "right" },
    driver: null,
    rim: "No screw to be seen: clips all round, most of them near the corners. Four tabs at the panel's corners take the screws.",
    way: "From the bezel's inside edge, between bezel and glass, lifting outward. Not down onto the glass.",
  },
  C: {
    pieces: [
      ...cover("plastic", 2, 7.2),
      p("plastic", 0, 0.8, 8, 1.2, "bezel"),
      p("plastic", 2, 2, 0.9, 2.6, "clip"),
      p("panel", 5, 3.6, 29, 3, "panel"),
      p("tape", 6, 6.6, 5, 0.6, "tape"),
    ],
    pick: { x: 8, y: 2.6, from: "right" },
    driver: null,
    rim: "Clips, the bottom edge often glued. The panel has no tabs: strips of tape behind it hold it to the cover.",
    way: "Warm the back first. Pull tabs flat and slowly where there are any; the pick only along the strips, never across the middle.",
  },
  D: {
    pieces: [
      ...cover("metal", 0, 9),
      p("metal", 1.4, 2.4, 4, 6.6, "ledge"),
      p("plastic", 1.7, 0.2, 0.9, 1.6, "rim"),
      p("glass", 2.6, 0.2, 31.4, 1.6, "cover glass"),
      p("tape", 2.6, 1.8, 2.6, 0.6, "tape"),
      p("panel", 6, 1.8, 28, 3.6, "panel"),
    ],
    pick: { x: 1.55, y: 0.2, from: "front" },
    driver: null,
    rim: "Glass to the edge with a thin rim round it, on tape at the sides and clips below. Panel and glass are one unit.",
    way: "Between metal and rim, never between rim and glass: that splits the unit. The leads are at the bottom, so it opens there last.",
  },
  E: {
    pieces: [
      ...cover("plastic", 2, 12.6),
      p("plastic", 2, 2, 2.6, 10.6),
      p("plastic", 0, 0.8, 9.5, 1.2, "bezel"),
      p("screw", 2.8, 0.2, 1, 5),
      p("rubber", 2.2, -0.5, 2.2, 0.7, "cover"),
      p("metal", 5.4, 3.4, 1, 8.6, "rail"),
      p("panel", 10, 4, 24, 7, "panel"),
      p("lamp", 6.8, 4.6, 2.8, 5.6, "lamp"),
    ],
    pick: { x: 0, y: 2, from: "left" },
    driver: { x: 3.3, y: -0.5, from: "front" },
    rim: "As A, thicker, and older: a lamp tube along the panel's edge, fed with high voltage by an inverter board.",
    way: "As A. Never with power on: the lamp's lead carries a voltage that burns, for a while after switching off too.",
  },
  F: {
    pieces: [
      p("panel", 3, 0, 31, 4.6, "lid, not opened"),
      p("metal", 0, 5.4, 34, 1.2, "base"),
      p("metal", 3, 4.6, 2.4, 0.8),
      p("metal", 3, 6.6, 9, 1.4, "hinge"),
      p("screw", 9, 8, 1.2, 3.2),
      p("metal", 0, 12.4, 34, 1.2, "base cover"),
    ],
    pick: null,
    driver: { x: 20, y: 13.6, from: "back" },
    rim: "The lid is changed whole. It hangs on hinges screwed in the base; its leads come through beside them.",
    way: "Nothing on the lid is pried. Base cover off from below, isolate, leads off, hinge screws last with the lid held.",
  },
  G: {
    pieces: [
      ...cover("metal", 0, 8.4),
      p("rubber", 1.4, 0, 1.4, 1.6, "gasket"),
      p("metal", 1.4, 2.6, 4, 5.8, "ledge"),
      p("glass", 3, 1, 31, 1.1, "cell"),
      p("tape", 3.2, 2.1, 2, 0.5, "glue"),
      p("film", 6, 2.6, 28, 0.8),
      p("film", 6, 3.5, 28, 0.8, "bare films"),
      p("film", 6, 4.4, 28, 2.6),
    ],
    pick: { x: 1.4, y: 0, from: "front" },
    driver: null,
    rim: "A rubber gasket in a groove, then a bare cell glued round its rim over loose films.",
    way: "Gasket out of its groove first; then warm and cut the glue at the rim only. Once the films are bare: no hot air, no touching.",
  },
  H: {
    pieces: [
      p("panel", 3, -1.6, 31, 3.4, "lid"),
      p("plastic", 0, 2.6, 2.8, 1.2),
      p("plastic", 5, 2.6, 29, 1.2, "keyboard, palm rest"),
      p("metal", 3, 1.8, 1.8, 2.8),
      p("metal", 3, 4.6, 9, 1.4, "hinge"),
      p("screw", 8.6, 3.9, 1.2, 0.7),
      p("board", 14, 6, 18, 0.8, "board, drives"),
      p("plastic", 0, 11.4, 34, 1.2, "base"),
    ],
    pick: null,
    driver: { x: 24, y: 12.6, from: "back" },
    rim: "A screwed bezel as A, but the hinge screws lie under the keyboard and the palm rest.",
    way: "Screws from below, some under feet and labels; keyboard, palm rest and drives come out before the lid does.",
  },
};

/**
 * How a family is built at the lid's edge (of F and H: at the hinge), cut through: the pieces, and where the tool goes.
 * Drawn typical, in mm; a machine's own build and the maker's service information say what is true of it.
 * @returns pieces in mm that do not lie over each other, except screws in what they hold
 * @example familySection("D").pick?.from // "front"
 */
export const familySection = (family: FamilyLetter): FamilySection => SECTIONS[family];
