import { backlight } from "./backlight";
import { backlightSupplyV } from "./backlightSupplyV";
import { colourBits } from "./colourBits";
import { connectorAt } from "./connectorAt";
import { contactSide } from "./contactSide";
import { contacts } from "./contacts";
import { family } from "./family";
import { finish } from "./finish";
import { inTheBox } from "./inTheBox";
import { link } from "./link";
import { logicSupplyV } from "./logicSupplyV";
import { outline } from "./outline";
import { pairing } from "./pairing";
import { pitchMm } from "./pitchMm";
import { pixels } from "./pixels";
import { refreshHz } from "./refreshHz";
import type { FitField, FitRule } from "./row";
import { tabs } from "./tabs";
import { technology } from "./technology";
import { thicknessMm } from "./thicknessMm";
import { touch } from "./touch";
import { windowFit } from "./window";

/** One rule a field, in the order of the table. A file of this folder whose field is missing here does not compile. */
export const FIT_RULES = {
  family,
  contacts,
  pitchMm,
  contactSide,
  logicSupplyV,
  backlight,
  backlightSupplyV,
  outline,
  thicknessMm,
  window: windowFit,
  tabs,
  connectorAt,
  pixels,
  link,
  refreshHz,
  colourBits,
  finish,
  technology,
  touch,
  pairing,
  inTheBox,
} satisfies Record<FitField, FitRule>;

type Rules = typeof FIT_RULES;
/** Fields that can destroy a board or panel at the moment of mating. */
export type DestroyingField = { [K in keyof Rules]: Rules[K] extends { destroying: true } ? K : never }[keyof Rules];

const all = Object.entries(FIT_RULES) as [FitField, FitRule][];
export const DESTROYING = all.filter(([, r]) => r.destroying).map(([field]) => field) as readonly DestroyingField[];
/** Destroying fields that an eye cannot settle: only a datasheet, a label or the maker's own source can. */
export const NOT_BY_EYE: readonly string[] = all.filter(([, r]) => r.notByEye).map(([field]) => field);
/** The rules in the order of the table. */
export const FIT_TABLE: readonly FitRule[] = all.map(([, r]) => r);
