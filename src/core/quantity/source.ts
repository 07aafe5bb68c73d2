/**
 * Where a value came from. One letter each, as printed beside every value:
 * M measured by hand, L label, E EDID, D datasheet, S seller, G guessed from the code, A adjustable default.
 */
export const SOURCES = ["M", "L", "E", "D", "S", "G", "A"] as const;
export type Source = (typeof SOURCES)[number];

export const SOURCE_WORDS: Record<Source, string> = {
  M: "measured",
  L: "label",
  E: "EDID",
  D: "datasheet",
  S: "seller",
  G: "inferred from the code",
  A: "adjustable default",
};

/** How far a source is trusted when nobody says otherwise, 0 to 1 (adj). */
export const SOURCE_CONFIDENCE: Record<Source, number> = { M: 0.98, L: 0.97, E: 0.95, D: 0.95, S: 0.6, G: 0.3, A: 0.9 };

/** Below this a stated confidence no longer decides a field (adj). */
export const DECIDES_AT = 0.8;

/** A value with its source. `value: null` is *unknown*, which is never the same as anything, itself included. */
export interface Sourced<T> {
  value: T | null;
  source: Source;
  /** 0 to 1, when whoever wrote it down was surer or less sure than the source usually is. */
  confidence?: number | undefined;
  /** Plus or minus, in the value's own unit, when whoever wrote it down said how near it is. */
  pm?: number | undefined;
}

/** Confidence of a value, 0 to 1: as stated, else what its source is usually worth. @example confidenceOf({ value: 3, source: "D" }) // 0.95 */
export const confidenceOf = (v: { source: Source; confidence?: number | undefined }): number =>
  v.confidence ?? SOURCE_CONFIDENCE[v.source];

/**
 * True when a value is good enough to decide a field on: a seller's word or a guess from the code never is, whatever
 * confidence is claimed for it, and a value somebody doubted is not either.
 * @example decides({ source: "M", confidence: 0.5 }) // false
 */
export const decides = (v: { source: Source; confidence?: number | undefined }): boolean =>
  v.source !== "S" && v.source !== "G" && confidenceOf(v) >= DECIDES_AT;
