import { confidenceOf, DECIDES_AT, type Source, type Sourced } from "../quantity";
import type { FactName } from "./factNames";

/**
 * Which sources can settle a fact; all others only suggest. A seller's word and a guess from the code settle nothing. A default
 * settles nothing that can destroy a board. An EDID knows the picture, its timing, its depth and (since 1.4) the interface: nothing
 * of contacts, sides, tabs, plugs or supplies. A rating in volts or milliamperes stands on a label or in a datasheet: no eye and no
 * calliper finds it on a loose panel.
 */
const PICTURE = "MLEDA";
const SHAPE = "MLDA";
const SEEN = "MLD";
const RATED = "LD";
export const SETTLED_BY: Readonly<Record<FactName, string>> = {
  technology: SHAPE,
  diagonalIn: PICTURE,
  outline: SHAPE,
  thicknessMm: SHAPE,
  active: PICTURE,
  pixels: PICTURE,
  refreshHz: PICTURE,
  family: "MLED",
  contacts: SEEN,
  pitchMm: SEEN,
  contactSide: SEEN,
  logicSupplyV: RATED,
  backlight: SEEN,
  backlightSupplyV: RATED,
  connectorAt: SHAPE,
  activeAt: SHAPE,
  pixelClockKHz: PICTURE,
  lowerModes: PICTURE,
  laneRatesGbps: SHAPE,
  compression: SHAPE,
  lanes: SHAPE,
  colourBits: PICTURE,
  touch: SHAPE,
  finish: SHAPE,
  tabs: SHAPE,
  inTheBox: "MLDAS",
  dimming: RATED,
  ledCurrentMa: RATED,
  lowerEdgeMm: SHAPE,
  cell: SHAPE,
  viewingAngleDeg: SHAPE,
  brightnessNits: SHAPE,
  gamutPercent: PICTURE,
  touchController: SEEN,
  touchPlug: SEEN,
  glass: SEEN,
  cableExit: SEEN,
  lvdsOrder: RATED,
  dithered: RATED,
  privacy: SEEN,
  adaptiveRefresh: "LED",
  selfRefresh: RATED,
  soldAs: "MLDAS",
  hingeSpanMm: SEEN,
  hingeOpensDeg: SEEN,
  lidLeads: SEEN,
  lidCamera: SHAPE,
  colour: SHAPE,
  lidSensor: SEEN,
  logoWindow: SHAPE,
};
/** Measured at the machine's own plug with the old panel on it, a supply is what the machine feeds. */
const MEASURED_ON_THE_OLD: readonly FactName[] = ["logicSupplyV", "backlightSupplyV", "ledCurrentMa"];

/**
 * Whether a value is good enough to settle a fact.
 * @param on on the old panel a supply may have been measured, on a loose one it cannot be
 * @example settles("contacts", { source: "E" }) // false
 */
export const settles = (fact: FactName, v: { source: Source; confidence?: number | undefined }, on?: "old"): boolean =>
  confidenceOf(v) >= (v.source === "S" ? 0 : DECIDES_AT) &&
  (SETTLED_BY[fact].includes(v.source) || (v.source === "M" && on === "old" && MEASURED_ON_THE_OLD.includes(fact)));

/** A value that settles its fact, else null. @example sureOf("contacts", { value: 40, source: "S" }) // null */
export const sureOf = <T>(fact: FactName, v: Sourced<T> | undefined, on?: "old"): T | null =>
  v && v.value !== null && settles(fact, v, on) ? v.value : null;

/** Why a value does not settle its fact, in words. @example weakWords("S") // "only the seller says so" */
export const weakWords = (source: Source): string =>
  source === "S"
    ? "only the seller says so"
    : source === "G"
      ? "guess from the code"
      : source === "A"
        ? "only a default"
        : source === "E"
          ? "no EDID knows it"
          : "not certain";
