import type { RollHere } from "../tape";
import type { Plan } from "./plan";
import type { ToolStock } from "./toolStock";

export interface KitRow {
  name: string;
  /** Name with inches where the trade sells by them. */
  words: string;
  /** `used` = taken from a roll: how much is told, whether it is there the shelf tells. */
  state: "have" | "substitute" | "missing" | "used";
  /** What stands in, and what to mind. */
  by: string | null;
  for: string;
  /** Of tape: in which roll and where enough of it lies, or that none is counted here; missing where no shelf was asked. */
  at?: string;
}

/** Rolls that have a tape by its name, the one with least that is still enough first; else all of them together. */
function whereIs(name: string, mm: number, rolls: readonly RollHere[]): string {
  const [w, t] = (/([\d.]+) × ([\d.]+) mm/.exec(name) ?? []).slice(1).map(Number);
  const like = rolls
    .filter((r) => w !== undefined && Math.abs(r.widthMm - w) < 0.05 && Math.abs(r.thicknessMm - t!) < 0.015)
    .sort((a, b) => a.leftMm - b.leftMm);
  const told = (r: RollHere) => `${r.lot}${r.place ? `, ${r.place}` : ""}: ${(r.leftMm / 1000).toFixed(2)} m`;
  const enough = like.find((r) => r.leftMm >= mm);
  if (enough) return told(enough);
  return like.length
    ? `${like.map(told).join("; ")}: no roll has it all in one`
    : "no roll of this width and thickness is counted here";
}

/** A length in mm with its inches. @example withInches("Feeler 0.5 mm") // "Feeler 0.5 mm (0.020 in)" */
export const withInches = (name: string): string =>
  name.replace(/(\d+(?:\.\d+)?) mm/, (all, mm: string) => `${all} (${(Number(mm) / 25.4).toFixed(3)} in)`);

/**
 * What a plan needs, beside what the shop has: nothing more. Parts of a change and tape are to be fetched, so they count as
 * missing until somebody says otherwise; of tape the roll and its place are named.
 * @param rolls the rolls on the shelf; missing = nobody asked it
 * @example kitOf([{ name: "Plastic pick", for: "the bezel" }], null)[0].state // "missing"
 */
export function kitOf(tools: Plan["tools"], stock: ToolStock | null, rolls?: readonly RollHere[]): KitRow[] {
  const have = new Set((stock?.have ?? []).map((h) => h.toLowerCase()));
  return tools.map((t) => {
    if (t.mm !== undefined)
      return {
        name: t.name,
        words: `${t.name}, ${Math.ceil(t.mm)} mm`,
        state: "used",
        by: null,
        for: t.for,
        ...(rolls ? { at: whereIs(t.name, t.mm, rolls) } : {}),
      };
    const sub = stock?.substitutes.find((s) => s.for.toLowerCase() === t.name.toLowerCase());
    const state = have.has(t.name.toLowerCase()) ? "have" : sub?.have ? "substitute" : "missing";
    return {
      name: t.name,
      words: withInches(t.name),
      state,
      by: state === "substitute" ? `${sub!.use}. ${sub!.note}` : null,
      for: t.for,
    };
  });
}
