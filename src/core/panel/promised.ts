import type { Panel } from "./schema";

/** What may come with a panel or on it, or not. */
export type Extra = "tabs" | "films" | "tape" | "brackets" | "sensor";

const WORD: Readonly<Record<Exclude<Extra, "tabs">, RegExp>> = {
  films: /film/i,
  tape: /tape/i,
  brackets: /bracket/i,
  sensor: /sensor/i,
};

/**
 * Whether a panel's record promises an extra.
 * @returns true or false as its record says, null when nobody has said
 * @example promised(candidate, "tape") // true
 */
export function promised(p: Panel, extra: Extra): boolean | null {
  if (extra === "tabs") return p.tabs.value === null ? null : p.tabs.value.length > 0;
  return p.inTheBox.value === null ? null : p.inTheBox.value.some((x) => WORD[extra].test(x));
}
