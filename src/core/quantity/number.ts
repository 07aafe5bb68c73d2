/**
 * A number as people write it, with a comma or a point before its decimals, with or without a sign and spaces.
 * @returns the number, or null where the text is none; nothing typed is none
 * @example readNumber("12,5") // 12.5
 */
export function readNumber(text: string): number | null {
  const t = text.replace(/[\s\u00a0]/g, "").replace(/^\u2212/, "-");
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(t)) return null;
  return Number(t.replace(",", "."));
}
