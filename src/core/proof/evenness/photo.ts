/** A photo as decoded: pixel centres at +0.5, corners of the lit area TL, TR, BR, BL as looked at, px. */
export interface Photo {
  width: number;
  height: number;
  rgba: Uint8ClampedArray;
  corners?: [number, number][];
  /** The same place, aim and exposure with the pattern black: room light and mirror images are taken off. */
  black?: Photo;
}
export type Point = [number, number];
