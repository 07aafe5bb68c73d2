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
}

/** A length in mm with its inches. @example withInches("Feeler 0.5 mm") // "Feeler 0.5 mm (0.020 in)" */
export const withInches = (name: string): string =>
  name.replace(/(\d+(?:\.\d+)?) mm/, (all, mm: string) => `${all} (${(Number(mm) / 25.4).toFixed(3)} in)`);

/**
 * What a plan needs, beside what the shop has: nothing more. Parts of a change and tape are to be fetched, so they count as
 * missing until somebody says otherwise.
 * @example kitOf([{ name: "Plastic pick", for: "the bezel" }], null)[0].state // "missing"
 */
export function kitOf(tools: Plan["tools"], stock: ToolStock | null): KitRow[] {
  const have = new Set((stock?.have ?? []).map((h) => h.toLowerCase()));
  return tools.map((t) => {
    if (t.mm !== undefined)
      return { name: t.name, words: `${t.name}, ${Math.ceil(t.mm)} mm`, state: "used", by: null, for: t.for };
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
