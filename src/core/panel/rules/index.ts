import { adaptiveRefresh } from "./adaptiveRefresh";
import { backlight } from "./backlight";
import { backlightSupplyV } from "./backlightSupplyV";
import { brightnessNits } from "./brightnessNits";
import { cableExit } from "./cableExit";
import { cell } from "./cell";
import { colour } from "./colour";
import { colourBits } from "./colourBits";
import { connectorAt } from "./connectorAt";
import { contactSide } from "./contactSide";
import { contacts } from "./contacts";
import { dimming } from "./dimming";
import { dithered } from "./dithered";
import { family } from "./family";
import { finish } from "./finish";
import { gamutPercent } from "./gamutPercent";
import { glass } from "./glass";
import { hingeOpensDeg } from "./hingeOpensDeg";
import { hingeSpanMm } from "./hingeSpanMm";
import { inTheBox } from "./inTheBox";
import { ledCurrentMa } from "./ledCurrentMa";
import { lidCamera } from "./lidCamera";
import { lidLeads } from "./lidLeads";
import { lidSensor } from "./lidSensor";
import { link } from "./link";
import { logicSupplyV } from "./logicSupplyV";
import { logoWindow } from "./logoWindow";
import { lowerEdgeMm } from "./lowerEdgeMm";
import { lvdsOrder } from "./lvdsOrder";
import { outline } from "./outline";
import { pairing } from "./pairing";
import { pitchMm } from "./pitchMm";
import { pixels } from "./pixels";
import { privacy } from "./privacy";
import { refreshHz } from "./refreshHz";
import type { FitField, FitRule } from "./row";
import { selfRefresh } from "./selfRefresh";
import { soldAs } from "./soldAs";
import { tabs } from "./tabs";
import { technology } from "./technology";
import { thicknessMm } from "./thicknessMm";
import { touch } from "./touch";
import { touchController } from "./touchController";
import { touchPlug } from "./touchPlug";
import { viewingAngleDeg } from "./viewingAngleDeg";
import { windowFit } from "./window";

/** One rule a field, in the order of the table. A file of this folder whose field is missing here does not compile. */
export const FIT_RULES = {
  soldAs,
  family,
  contacts,
  pitchMm,
  contactSide,
  logicSupplyV,
  backlight,
  backlightSupplyV,
  ledCurrentMa,
  outline,
  thicknessMm,
  lowerEdgeMm,
  window: windowFit,
  tabs,
  connectorAt,
  cableExit,
  hingeSpanMm,
  hingeOpensDeg,
  lidLeads,
  lidSensor,
  lidCamera,
  colour,
  logoWindow,
  glass,
  pixels,
  link,
  refreshHz,
  colourBits,
  dithered,
  lvdsOrder,
  dimming,
  brightnessNits,
  gamutPercent,
  cell,
  viewingAngleDeg,
  finish,
  privacy,
  technology,
  touch,
  touchController,
  touchPlug,
  adaptiveRefresh,
  selfRefresh,
  pairing,
  inTheBox,
} satisfies Record<FitField, FitRule>;

type Rules = typeof FIT_RULES;
/** Fields that can destroy a board or panel at the moment of mating. */
export type DestroyingField = Exclude<
  { [K in keyof Rules]: Rules[K] extends { destroying: true } ? K : never }[keyof Rules],
  "ledCurrentMa"
>;

const all = Object.entries(FIT_RULES) as [FitField, FitRule][];
export const DESTROYING = all
  .filter(([field, r]) => r.destroying && field !== "ledCurrentMa")
  .map(([field]) => field) as readonly DestroyingField[];
/** All of them, those old records do not have as well. */
export const DESTROYING_FACTS: readonly string[] = all.filter(([, r]) => r.destroying).map(([field]) => field);
/** Destroying fields that an eye cannot settle: only a datasheet, a label or the maker's own source can. */
export const NOT_BY_EYE: readonly string[] = all.filter(([, r]) => r.notByEye).map(([field]) => field);
/** The rules in the order of the table. */
export const FIT_TABLE: readonly FitRule[] = all.map(([, r]) => r);
