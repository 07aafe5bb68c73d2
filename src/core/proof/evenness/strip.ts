import { homography, mapped } from "../../numeric";
import { STRIP_SHARES } from "../patterns";
import { LINEAR } from "./light";
import type { Photo, Point } from "./photo";

/** What of a patch is read: its middle, as a share of its width and of the panel's height. */
const [MIDDLE_W, MIDDLE_H] = [0.5, 0.5];
/** Samples across and down a patch. */
const [ACROSS, DOWN] = [24, 48];
/** Patches off a power by more, in ln: the tone curve is none (PROVE A3). */
const OFF = 0.02;
/** Within this of 1 it is 1. */
const NEAR = 0.03;
/** Rows that are still seen apart: the spread within a patch against its mean. */
const SHARP = 0.25;

/** Mean light of a patch, as the camera has it before its tone curve is put right; and how much it varies within. */
function patch(p: Photo, at: (u: number, v: number) => Point, from: number, to: number): { light: number; spread: number } {
  const mid = (from + to) / 2;
  const half = ((to - from) / 2) * MIDDLE_W;
  const all: number[] = [];
  for (let j = 0; j < DOWN; j++)
    for (let i = 0; i < ACROSS; i++) {
      const u = mid - half + (2 * half * (i + 0.5)) / ACROSS;
      const v = 0.5 - MIDDLE_H / 2 + (MIDDLE_H * (j + 0.5)) / DOWN;
      const [x, y] = at(u, v);
      const [px, py] = [Math.floor(x), Math.floor(y)];
      if (px < 0 || py < 0 || px >= p.width || py >= p.height) continue;
      const o = (py * p.width + px) * 4;
      all.push(0.2126 * LINEAR[p.rgba[o]!]! + 0.7152 * LINEAR[p.rgba[o + 1]!]! + 0.0722 * LINEAR[p.rgba[o + 2]!]!);
    }
  if (all.length < (ACROSS * DOWN) / 2) throw new RangeError("strip: a patch lies outside of the photo. The same aim as photo 1");
  const light = all.reduce((a, b) => a + b, 0) / all.length;
  return { light, spread: Math.sqrt(all.reduce((a, b) => a + (b - light) ** 2, 0) / all.length) / Math.max(1e-6, light) };
}

/**
 * The camera's tone curve from the step strip: patch by patch against the white photo of the same aim and exposure, so that lens and panel
 * fall out. Light in a patch is its share of white, whatever the panel's own gamma.
 * @param corners TL, TR, BR, BL of the lit area in the white photo, px
 * @returns the exponent for `measureEvenness` (`response`); 1 where the curve is as good as none
 * @throws RangeError where another pattern was photographed, where rows are still seen apart, or where the curve is no power (local tone mapping)
 * @example responseFromStrip({ width: 5, height: 1, rgba: Uint8ClampedArray.from([99, 137, 188, 225, 255].flatMap((v) => [v, v, v, 255])) }, { width: 5, height: 1, rgba: new Uint8ClampedArray(20).fill(255) }, [[0, 0], [5, 0], [5, 1], [0, 1]]) // 1
 */
export function responseFromStrip(strip: Photo, white: Photo, corners: readonly Point[]): number {
  if (strip.width !== white.width || strip.height !== white.height)
    throw new RangeError("strip: photo and photo 1 are of different size. The same phone, held the same way");
  const h = homography(
    [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ],
    corners as [number, number][],
  );
  if (!h) throw new RangeError("strip: the corners lie on a line");
  const at = (u: number, v: number): Point => mapped(h, u, v);
  const n = STRIP_SHARES.length;
  const rows = STRIP_SHARES.map((share, i) => {
    const [dark, full] = [patch(strip, at, i / n, (i + 1) / n), patch(white, at, i / n, (i + 1) / n)];
    if (dark.spread > SHARP + full.spread)
      throw new RangeError("strip: its rows are seen apart. A little out of focus, or further away");
    return { share, x: Math.log(Math.max(1e-6, dark.light) / Math.max(1e-6, full.light)) };
  });
  for (const [i, r] of rows.entries())
    if (i && r.x <= rows[i - 1]!.x)
      throw new RangeError(
        "strip: its steps do not get lighter from left to right. The pattern Step strip, the same aim as photo 1",
      );
  // The whole patch is white in both: it says how far the exposures differ, and is taken off.
  const whole = rows.at(-1)!.x;
  const steps = rows.slice(0, -1).map((r) => ({ x: r.x - whole, y: Math.log(r.share) }));
  const response = steps.reduce((a, s) => a + s.x * s.y, 0) / steps.reduce((a, s) => a + s.x * s.x, 0);
  const off = Math.max(...steps.map((s) => Math.abs(s.y - response * s.x)));
  if (off > OFF * (1 + steps.length / 2))
    throw new RangeError(
      `strip: the tone curve is no power (off by ${off.toFixed(2)} in ln): the phone works on the picture. Take it with processing off`,
    );
  return Math.abs(1 / response - 1) <= NEAR ? 1 : response;
}
