import type { Evenness } from "./measure";

/** What the worker is asked: photos as files, and the lit area in mm. */
export interface EvennessAsk {
  files: Blob[];
  panel: { widthMm: number; heightMm: number };
}
export type EvennessSaid =
  | { kind: "progress"; words: string }
  | { kind: "measured"; said: Evenness }
  | { kind: "wrong"; words: string };
