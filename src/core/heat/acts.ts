import type { Rect } from "../build";
import type { Tool } from "./jet";
import type { Edge, Face } from "./lid";

/** A nozzle swept along an edge. */
export interface Jet {
  do: "jet";
  edge: Edge;
  /** On the lid: x of an upper or lower edge, y of a side. `fromMm` may be the greater. */
  fromMm: number;
  toMm: number;
  /** Its axis, inward of the pocket's edge. */
  insetMm: number;
  tool: Tool;
  nozzleC: number;
  standOffMm: number;
  cal?: number;
  speedMmS?: number;
  dwellS?: number;
}

/** A heating mat on a part of a face. */
export interface Mat {
  do: "mat";
  face: Face;
  rect: Rect;
  setC: number;
  contactWm2K?: number;
  powerW?: number;
  capacityJK?: number;
  /** At its set-point when it is laid on. */
  warm?: boolean;
  /** On its contact. */
  cal?: number;
}

/** Foil or a cloth: lies until it is laid anew; no rectangles take it away. */
export type Lay = { do: "shield"; rects: Rect[]; pass?: number } | { do: "cover"; rects: Rect[]; hWm2K?: number };

/** What is done, with how long: up to whole steps. */
export type Act = (Jet & { seconds: number }) | (Mat & { seconds: number }) | Lay | { do: "rest"; seconds: number };

/**
 * The one face a run of acts heats: the first mat's, else the one asked for.
 * @throws RangeError where acts heat both faces
 * @example faceOf([{ do: "rest", seconds: 1 }], "front") // "front"
 */
export function faceOf(acts: readonly (Act | Jet | Mat)[], asked?: Face): Face {
  const mats = acts.filter((a): a is Mat & { seconds: number } => a.do === "mat");
  const first = mats[0]?.face ?? asked ?? "back";
  if (mats.some((m) => m.face !== first)) throw new RangeError("these acts heat both faces: one run heats one");
  if (asked && asked !== first && acts.some((a) => a.do === "jet"))
    throw new RangeError(`a mat on the ${first} and a jet on the ${asked}: one run heats one face`);
  return first;
}
