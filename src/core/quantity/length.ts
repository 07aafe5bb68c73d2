import { readNumber } from "./number";

const MM_PER_INCH = 25.4;
export const LENGTHS = ["mm", "mmInch"] as const;
/** How a shop reads lengths: in mm, or in mm with inches beside. */
export type Lengths = (typeof LENGTHS)[number];

/**
 * A length as people type it: a plain number is mm; with `in`, `inch` or `"` behind it, inches, also as a fraction (`3/16 in`, `13 15/16"`).
 * @returns mm, rounded to 0.0001, or null where the text is no length
 * @example readLength('0.5 in') // 12.7
 */
export function readLength(text: string): number | null {
  const t = text.trim();
  const unit = /(mm|cm|in|inch|inches|["\u2033])\.?$/i.exec(t);
  if (!unit) return readNumber(t);
  const body = t.slice(0, unit.index).trim();
  const u = unit[1]!.toLowerCase();
  const fraction = /^(?:(\d+)[\s-]+)?(\d+)\/(\d+)$/.exec(body);
  const n =
    fraction && Number(fraction[3]) > 0 ? Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3]) : readNumber(body);
  if (n === null) return null;
  const factor = u === "mm" ? 1 : u === "cm" ? 10 : MM_PER_INCH;
  return Math.round(n * factor * 1e4) / 1e4;
}

/** Inches of so many mm: three places under an inch, two above. */
const inches = (mm: string): string => {
  const n = Number(mm) / MM_PER_INCH;
  return n.toFixed(Math.abs(n) < 1 ? 3 : 2);
};

/**
 * A text with the inches of every length in it, in brackets behind the mm; what is no length in mm stays.
 * @example inchesBeside("Outline 355.6 by 203.2 mm") // "Outline 355.6 by 203.2 mm (14.00 by 8.00 in)"
 */
export const inchesBeside = (text: string): string =>
  text.replace(
    /(\d+(?:\.\d+)?)(?:( ?(?:by|to|x|\u00d7|and|-) ?)(\d+(?:\.\d+)?))?(?:( ?(?:by|x|\u00d7) ?)(\d+(?:\.\d+)?))? mm\b(?! ?\()/g,
    (all, a: string, j1?: string, b?: string, j2?: string, c?: string) =>
      `${all} (${inches(a)}${j1 && b ? j1 + inches(b) : ""}${j2 && c ? j2 + inches(c) : ""} in)`,
  );
