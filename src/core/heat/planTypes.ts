import type { Rect } from "../build";
import type { Act } from "./acts";
import type { Tool } from "./jet";
import type { Face, PlacedPiece, Thing } from "./lid";

/** One act that heats, then a rest in which its stretch is picked. */
export interface Pass {
  piece: string;
  fromMm: number;
  toMm: number;
  /** Nozzle or mat, °C. */
  set: number;
  /** Waited before it, so that nothing gets too hot. */
  restS: number;
  heatS: number;
  needS: number;
  /** How long it stays soft at the lower and the upper end of the tool's strength, s. */
  windowS: [number, number];
}

export type Means =
  | { by: "jet"; tool: Tool; nozzleC: number[]; standOffMm: number /** Of what it should give, as measured. */; cal?: number }
  | {
      by: "mat";
      setC: number[];
      widthMm: number;
      heightMm: number;
      contactWm2K?: number;
      powerW?: number;
      capacityJK?: number;
    };

export interface PlanHeatOptions {
  pieces?: string[];
  softC: number;
  ceilingsC: Partial<Record<Thing, number>>;
  face?: Face;
  insetMm?: number;
  pickMmS?: number;
  marginS?: number;
  calRange?: [number, number];
  guardK?: number;
  means: Means;
}

export type HeatPlan =
  | {
      ok: true;
      acts: Act[];
      passes: Pass[];
      /** At both ends of the tool's strength. */
      peaksC: Partial<Record<Thing, [number, number]>>;
      totalS: number;
    }
  | {
      ok: false;
      verdict: "noWindow";
      best: { acts: Act[]; passes: Pass[] };
      misses: { what: Thing | "window"; by: number; unit: "K" | "s" };
    };

/** How far a search is: options looked at of how many, and the best so far, s. */
export interface PlanProgress {
  looked: number;
  of: number;
  bestS: number | null;
  stage: "search" | "verify" | "draws";
}

/** A stretch of a piece that is heated at once, and picked after. */
export interface Segment {
  piece: PlacedPiece;
  fromMm: number;
  toMm: number;
  rect: Rect;
  needS: number;
}

/** One way to do it: how hot, in how many stretches. */
export interface Option {
  set: number;
  segments: Segment[];
}

export interface Miss {
  what: Thing | "window";
  by: number;
  unit: "K" | "s";
}
export interface Tried {
  option: Option;
  acts: Act[];
  passes: Pass[];
  totalS: number;
  miss: Miss | null;
}
