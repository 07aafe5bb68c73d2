import { counted } from "@/core/quantity";
import { readItem, readScrew, readTape } from "@/core/stock";

/** Metres to a tenth. @example metres(8400) // "8.4 m" */
export const metres = (mm: number): string => `${(mm / 1000).toFixed(mm < 1000 ? 2 : 1)} m`;

/** How much of an item, in its own unit. @example amount("tape/3x0.5", 1200) // "1.2 m" */
export const amount = (item: string, count: number): string =>
  readItem(item)?.kind === "tape" ? metres(count) : counted(count, "piece");

/** An item as a person says it. @example itemWords("tape/3x0.5") // "Tape 3 × 0.50 mm" */
export function itemWords(item: string): string {
  const tape = readTape(item);
  if (tape) return `Tape ${tape.widthMm} × ${tape.thicknessMm.toFixed(2)} mm`;
  const screw = readScrew(item);
  if (screw) return `${screw.thread} × ${screw.lengthMm} ${screw.head}`;
  const what = readItem(item)?.what ?? item;
  return item.startsWith("donor/panel ") ? `Old ${what}` : what;
}

export const STATE_WORDS: Readonly<Record<string, string>> = {
  new: "new",
  opened: "opened, film off",
  pulled: "pulled, worked",
  used: "used",
  cracked: "cracked",
  unknown: "state not known",
};
export const TEST_WORDS: Readonly<Record<string, string>> = {
  notTested: "not tested",
  lookedAt: "looked at",
  lit: "lit: picture and evenness by eye",
  proven: "proven: the whole open pass",
};
