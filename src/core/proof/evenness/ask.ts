import type { CloseUp, Tile } from "../closeUp";
import type { Evenness } from "./measure";

/** One look at the lit panel: its photo, the same with the pattern black where there is one, its corners where a person put them. */
export interface EvennessShot {
  lit: Blob;
  black?: Blob | null;
  /** TL, TR, BR, BL of the lit area, px of the photo as it is looked at; none = found by itself. */
  corners?: [number, number][] | null;
}
/** What the worker is asked: where the corners of one photo are, or how even the light is on all. */
export type EvennessAsk =
  | { kind: "suggest"; file: Blob }
  /** Dots on a close-up of one sixth, its crosses put by hand. */
  | { kind: "closeUp"; file: Blob; corners: [number, number][]; tile: Tile }
  | {
      kind: "measure";
      shots: EvennessShot[];
      panel: { widthMm: number; heightMm: number };
      /** The step strip, aimed and exposed as the first photo. */
      strip?: Blob | null;
    };
export type EvennessSaid =
  | { kind: "progress"; words: string }
  | { kind: "suggested"; widthPx: number; heightPx: number; corners: [number, number][] | null; confidence: number }
  | { kind: "closeUp"; said: CloseUp }
  | { kind: "measured"; said: Evenness; response: number | null }
  | { kind: "wrong"; words: string };
