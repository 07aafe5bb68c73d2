import type { BuildIndex, Motion, Risk } from "../build";
import type { Act, ActType, JobState, JobView, Payload, ScrewState } from "../job";
import type { StepKind } from "./steps/kinds";

export type { StepKind } from "./steps/kinds";
export type StepStation = "open" | "swap" | "bond" | "prove" | "close";

/** What a step says of itself, beside what it is about. */
export interface StepText {
  title: string;
  how: string;
  minutes: number;
  /** What it counts in the order, where that is not its minutes. */
  orderMinutes?: number;
  tool?: string;
  /** All tools it takes, where it takes more than one. */
  tools?: string[];
  /** What it uses up, with how much: tape by its width and thickness, mm. */
  uses?: { name: string; mm: number }[];
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

/** One step of a plan. `id` is made of its kind and target, never of its place in the list. */
export interface Step extends StepText {
  id: string;
  kind: StepKind;
  /** Part, screw group, connector, tape or piece; empty for acts on the bench. */
  target: string;
  station: StepStation;
}

/** A change the new panel asks for, as the plan needs it. */
export interface PlanChange {
  field: string;
  part: string;
  minutes: number;
  act: string;
  at: "swap" | "afterProof";
}

/** What a step is made from. */
export interface Planned {
  b: BuildIndex;
  changes: readonly PlanChange[];
}

/** A job at a step: what a rule tells done and next from. */
export interface AtStep extends JobView {
  s: JobState;
  b: BuildIndex;
}

/** The moment before an event: which of several like steps it belongs to can depend on it. */
export interface Moment {
  s: JobState;
  b: BuildIndex;
}

/** How the screws of a group are counted at a step: which are still to go, the word for one done, and its acts. */
export interface ScrewCount {
  toGo: (st: ScrewState | undefined) => boolean;
  done: string;
  one: (screw: string) => Act;
  /** One act for several, where there is such an act. */
  several?: (group: string, screws: string[]) => Act;
}

/** All that is known of one kind of step. */
export interface StepRule {
  station: StepStation | ((p: Planned, target: string) => StepStation);
  /** What it says: title, how, the median minutes, and what applies of tool, caution and risk. */
  make: (p: Planned, target: string) => StepText;
  /** Done, told from the state alone. */
  done: (v: AtStep, target: string) => boolean;
  /** The one act that takes it further; null when nothing is left, or a person has to answer first. */
  next: (v: AtStep, target: string) => Act | null;
  /** The acts that belong to it, each with the target it is about; null where it is another step's. */
  events: { readonly [T in ActType]?: (p: Payload<T>, at: Moment) => string | null };
  /** What the plate says beside the act. */
  press: string | ((s: JobState) => string);
  /** Its screws are counted one by one. */
  screws?: ScrewCount;
  /** There is one of it in a plan: its id is its kind, whatever it is about. */
  once?: true;
  /** Done at the base of a machine that has a base cover, where its target says nothing of a side. */
  atBase?: true;
  /** It asks a person for more than a press, on a form of its own. */
  asks?: true;
}

/** The id of a step. @example stepId("cableOn", "display-plug") // "cableOn:display-plug" */
export const stepId = (kind: StepKind, target = ""): string => (target ? `${kind}:${target}` : kind);

/** A motion of a build as a step says it. @example motionText(b.part.get("bezel").out).minutes > 0 // true */
export const motionText = (m: Motion): Pick<StepText, "how" | "minutes"> & Partial<StepText> => ({
  how: m.how,
  minutes: m.minutes,
  ...(m.orderMinutes ? { orderMinutes: m.orderMinutes } : {}),
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
