/** What a shop keeps: kinds of things, each counted in its own unit. */
export const ITEM_KINDS = ["panel", "tape", "film", "screw", "tool", "part", "donor"] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

/**
 * The name an item is kept under: its kind, then what it is.
 * @example itemName("panel", "GV140FHB-K31") // "panel/GV140FHB-K31"
 */
export const itemName = (kind: ItemKind, what: string): string => `${kind}/${what.trim()}`;

/**
 * Kind and words of an item; null where the name begins with no kind known here.
 * @example readItem("tape/3x0.5")?.kind // "tape"
 */
export function readItem(item: string): { kind: ItemKind; what: string } | null {
  const at = item.indexOf("/");
  const kind = ITEM_KINDS.find((k) => k === item.slice(0, at));
  const what = item.slice(at + 1).trim();
  return at > 0 && kind && what ? { kind, what } : null;
}

/**
 * Tape by width and thickness, mm.
 * @example tapeItem(3, 0.5) // "tape/3x0.5"
 */
export const tapeItem = (widthMm: number, thicknessMm: number): string => itemName("tape", `${widthMm}x${thicknessMm}`);

/**
 * Width and thickness of a tape's name, mm; null where it is not one.
 * @example readTape("tape/3x0.5")?.widthMm // 3
 */
export function readTape(item: string): { widthMm: number; thicknessMm: number } | null {
  const m = /^tape\/(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)$/.exec(item);
  return m ? { widthMm: Number(m[1]), thicknessMm: Number(m[2]) } : null;
}

/**
 * A type of screw: thread, length (mm), head.
 * @example screwItem({ thread: "M2", lengthMm: 3, head: "wafer" }) // "screw/M2x3 wafer"
 */
export const screwItem = (t: { thread: string; lengthMm: number; head: string }): string =>
  itemName("screw", `${t.thread}x${t.lengthMm} ${t.head}`);

/**
 * Thread, length and head of a screw's name; null where it is not one.
 * @example readScrew("screw/M2x3 wafer")?.lengthMm // 3
 */
export function readScrew(item: string): { thread: string; lengthMm: number; head: string } | null {
  const m = /^screw\/(\S+)x(\d+(?:\.\d+)?) (\S+)$/.exec(item);
  return m ? { thread: m[1]!, lengthMm: Number(m[2]), head: m[3]! } : null;
}
