import type { Sourced } from "../quantity";

/** Half of the last place a figure was written to; a whole number counts as written to a tenth (adj). @example halfPlace(309.36) // 0.005 */
export function halfPlace(n: number): number {
  const text = String(n);
  const places = text.includes("e") ? 6 : (text.split(".")[1]?.length ?? 1);
  return 0.5 * 10 ** -Math.min(6, places);
}

/** What a source adds, mm (adj): a calliper at the bench half a tenth, an EDID writes whole millimetres. */
const OF_SOURCE = { M: 0.05, E: 0.5 } as const;

/**
 * How near a length is known, plus or minus, mm: what was said of it, else the precision it was written in and its source's.
 * @param figures the numbers of the value @param v value with source
 * @example nearMm([315.8], { value: 315.8, source: "D" }) // 0.05
 */
export const nearMm = (figures: readonly number[], v: Omit<Sourced<unknown>, "value">): number =>
  Math.max(
    v.pm ?? 0,
    v.pm === undefined && v.source in OF_SOURCE ? OF_SOURCE[v.source as "M" | "E"] : 0,
    ...figures.map(halfPlace),
  );

/** A lid's own figures are known to this, mm (adj). */
export const NEAR_LID = 0.05;

export interface Span {
  min: number;
  max: number;
}
/** Rounding of sums of decimals is no difference. */
export const EPS = 1e-6;

/**
 * A difference known to within `near`, held against a limit either way: wholly inside, wholly outside, or neither.
 * @example against(0.02, 0.1, 0) // "between"
 */
export function against(difference: number, near: number, limit: number): "inside" | "outside" | "between" {
  const d = Math.abs(difference);
  return d + near <= limit + EPS ? "inside" : d - near > limit + EPS ? "outside" : "between";
}

/** A supply or current as a range; one figure is taken with a share either way. @example spanOf(10, 0.1) // { min: 9, max: 11 } */
export const spanOf = (v: number | Span, share: number): Span =>
  typeof v === "number" ? { min: v * (1 - share), max: v * (1 + share) } : v;
/** The first lies in the second. @example within({ min: 3, max: 4 }, { min: 3, max: 5 }) // true */
export const within = (a: Span, b: Span): boolean => a.min >= b.min - EPS && a.max <= b.max + EPS;
/** The two have nothing in common. @example apart({ min: 3, max: 4 }, { min: 5, max: 6 }) // true */
export const apart = (a: Span, b: Span): boolean => a.max < b.min - EPS || a.min > b.max + EPS;

/** A small length with its sign and enough places to be no zero. @example smallMm(0.02) // "0.02" */
export const smallMm = (n: number): string => {
  const d = Math.abs(n);
  return d >= 0.095 || d === 0 ? String(Math.round(d * 10) / 10) : String(Math.round(d * 100) / 100 || 0.01);
};
