import type { Motion, Risk } from "../build";

export type StepKind =
  | "shutDown"
  | "mainsOut"
  | "batteryOff"
  | "drain"
  | "screwsOut"
  | "screwsLoosen"
  | "tapeOut"
  | "partFold"
  | "partOut"
  | "cableOff"
  | "tether"
  | "transplant"
  | "change"
  | "cableOn"
  | "mainsIn"
  | "looseTest"
  | "tapeLay"
  | "rehearse"
  | "linerPull"
  | "dust"
  | "backFilmOff"
  | "seat"
  | "press"
  | "proveOpen"
  | "frontFilmOff"
  | "partBack"
  | "screwsBack"
  | "screwsTighten"
  | "proveClosed"
  | "seams"
  | "angle"
  | "handOver";

export type StepStation = "open" | "swap" | "bond" | "prove" | "close";

/** One step of a plan. `id` is made of its kind and target, never of its place in the list. */
export interface Step {
  id: string;
  kind: StepKind;
  /** Part, screw group, connector, tape or piece; empty for acts on the bench. */
  target: string;
  station: StepStation;
  title: string;
  how: string;
  minutes: number;
  tool?: string;
  caution?: string;
  hold?: string;
  /** Side of the machine that faces up for it; missing = either. */
  view?: "lid" | "base";
  /** What undoing it on the way back takes. */
  backMinutes?: number;
  risk?: Risk;
  heat?: boolean;
  glue?: boolean;
  /** Why it stands here rather than where plain reversal would put it. */
  because?: string;
}

export const motionStep = (m: Motion): Pick<Step, "how" | "minutes"> & Partial<Step> => ({
  how: m.how,
  minutes: m.minutes,
  ...(m.tool ? { tool: m.tool } : {}),
  ...(m.caution ? { caution: m.caution } : {}),
  ...(m.hold ? { hold: m.hold } : {}),
  ...(m.risk ? { risk: m.risk } : {}),
  ...(m.heat ? { heat: true } : {}),
  ...(m.glue ? { glue: true } : {}),
});

export const DRIVE_WORDS: Record<string, string> = {
  cross: "Cross recess",
  lobe6: "6-lobe",
  lobe5: "5-lobe",
  tri: "Tri-wing",
  slot: "Slotted",
};
