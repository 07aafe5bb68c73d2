import type { Build } from "../build";
import type { Ceiling } from "./ceilings";
import type { HeatPlan, Means, PlanProgress } from "./planTypes";
import type { CoverKind } from "./properties";
import type { Robust } from "./robust";

/** What a page asks of the worker that plans warming. */
export interface HeatAsk extends Pick<Build, "lid" | "tapes"> {
  tape: string | null;
  cover: CoverKind;
  coverMm?: number;
  roomC: number;
  softC: number;
  thrownAway: boolean;
  means: Means;
}

export type HeatAnswer =
  | ({ kind: "progress" } & PlanProgress)
  | { kind: "plan"; plan: HeatPlan; ceilings: Ceiling[]; robust: Robust | null }
  | { kind: "wrong"; words: string };
