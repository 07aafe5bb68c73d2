import type { LabelReading } from "./label";

/** The number in a line marked as a spare part's. @example spareNumber("P/N 5D10-00412") // "5D10-00412" */
export const spareNumber = (line: string): string => line.replace(/^\s*(P\/?N|FRU|SPS|SPARE)[.:\s]+/i, "").trim();

/** Shorter lines of no known class are not worth a search. */
const SHORTEST = 5;

/**
 * The line of a label to search by: the part code, else a spare-part number, else the first line that might be a code. A serial is
 * never taken for one.
 * @example lineToRead({ lines: [], code: null }) // null
 */
export const lineToRead = (label: LabelReading): string | null =>
  label.code ??
  label.lines.map((l) => (l.class === "sparePart" ? spareNumber(l.text) : "")).find(Boolean) ??
  label.lines.find((l) => l.class === "other" && l.text.length >= SHORTEST)?.text ??
  null;
