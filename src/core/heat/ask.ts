import type { Build, Rect } from "../build";
import type { Ceiling } from "./ceilings";
import type { HeatOwn } from "./own";
import type { HeatPlan, Means, PlanProgress } from "./planTypes";
import type { CoverKind } from "./properties";
import type { Robust } from "./robust";

/** What a page asks of the worker that plans warming. */
export interface HeatAsk extends Pick<Build, "lid" | "tapes"> {
  tape: string | null;
  cover: CoverKind;
  coverMm?: number;
  /** Room of this job where it was told, °C; missing = the shop's. */
  roomC?: number;
  own: HeatOwn;
  /** A pack lies under the cover or against it: its zone, mm on the lid. */
  packAt?: Rect;
  softC: number;
  thrownAway: boolean;
  means: Means;
}

export type HeatAnswer =
  | ({ kind: "progress" } & PlanProgress)
  | { kind: "plan"; plan: HeatPlan; ceilings: Ceiling[]; robust: Robust | null }
  | { kind: "wrong"; words: string };
