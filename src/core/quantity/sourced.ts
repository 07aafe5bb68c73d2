import { z } from "zod";

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

/** A value with its source. `value: null` is *unknown*, which is never the same as anything, itself included. */
export interface Sourced<T> {
  value: T | null;
  source: Source;
}

export const sourced = <T extends z.ZodType>(value: T) => z.strictObject({ value: value.nullable(), source: z.enum(SOURCES) });

/** True when the source is good enough to decide a field on: a seller's word or a guess from the code is not. */
export const decides = (source: Source): boolean => source !== "S" && source !== "G";
