import type { Hit } from "../catalogue";
import type { Edid } from "../edid";

/**
 * Texts of an EDID that may name its panel: its text descriptors, and readable runs in maker-defined ones (tags 0x00 to 0x0F), where
 * some panels keep their part code.
 * @example edidTexts(decodeEdid(edidBytes)).includes(panel.code) // true
 */
export const edidTexts = (e: Edid): string[] => [
  ...e.texts.map((t) => t.text),
  ...e.descriptors
    .filter((d) => d.tag <= 0x0f)
    .flatMap((d) => String.fromCharCode(...d.bytes.slice(5)).match(/[\x21-\x7e][\x20-\x7e]{4,}/g) ?? [])
    .map((text) => text.trim()),
];

/** The nearest of what several texts were found to be like, each code once. @example nearestHits([[], []], 5) // [] */
export function nearestHits(found: readonly (readonly Hit[])[], most: number): Hit[] {
  const hits: Hit[] = [];
  for (const h of found.flat()) if (!hits.some((x) => x.code === h.code)) hits.push(h);
  return hits.sort((a, b) => a.cost - b.cost).slice(0, most);
}
