import { decides, type Sourced } from "../../quantity";
import type { Panel } from "../schema";
import { type DestroyingField, equal, type FitRow, type Rule, row, type Spec } from "./row";

const FAMILY_WORDS: Record<string, string> = { eDP: "eDP", LVDS: "LVDS" };
const BACKLIGHT_WORDS: Record<string, string> = {
  ledOnPanel: "LED, on panel",
  ledFromBoard: "LED, from board",
  ccfl: "lamp and inverter",
  oled: "none, OLED",
};
const SIDE_WORDS: Record<string, string> = { shell: "the shell", glass: "the glass" };
/** A field that burns a board when it is wrong: known different stops, anything not certain is unknown. */
function destroyingRow<T>(spec: Spec<T>, a: Sourced<T>, b: Sourced<T>): FitRow {
  const base = { destroying: true };
  if (a.value !== null && b.value !== null && !equal(a.value, b.value))
    return row(spec, a, b, {
      ...base,
      verdict: "stop",
      words: `${spec.words(b.value)}, not ${spec.words(a.value)}`,
      reason: "A difference here can destroy the board or the panel when they are mated.",
    });
  const missing =
    a.value === null ? (b.value === null ? "either panel" : "the old panel") : b.value === null ? "the candidate" : null;
  if (missing)
    return row(spec, a, b, {
      ...base,
      verdict: "unknown",
      words: "not known",
      reason: `Not known for ${missing}. Unknown is never the same.`,
    });
  const weak = !decides(a) ? a.source : !decides(b) ? b.source : null;
  if (weak)
    return row(spec, a, b, {
      ...base,
      verdict: "unknown",
      words: weak === "S" ? "only the seller says so" : "guess from the code",
      reason: "A seller's word or a guess from the code cannot decide a field that can destroy the board.",
    });
  return row(spec, a, b, { ...base, verdict: "same", words: "same", reason: "Both known, and equal." });
}

const rule =
  <K extends DestroyingField>(field: K, name: string, words: (v: NonNullable<Panel[K]["value"]>) => string, look: string): Rule =>
  ({ old, candidate }) =>
    destroyingRow(
      { field, name, words, look } as Spec<unknown>,
      old[field] as Sourced<unknown>,
      candidate[field] as Sourced<unknown>,
    );

/** Fields that can destroy a board or panel at the moment of mating. */
export const DESTROYING_RULES: readonly Rule[] = [
  rule("family", "Interface", (v) => FAMILY_WORDS[v] ?? v, "Read the interface family off the label or datasheet"),
  rule("contacts", "Contacts", (v) => `${v} pins`, "Count the contacts in the connector"),
  rule("pitchMm", "Pitch, mm", (v) => String(v), "Measure the pitch over ten contacts"),
  rule(
    "contactSide",
    "Contacts face",
    (v) => SIDE_WORDS[v] ?? v,
    "Contacts face the shell or the glass: hold it beside the old one",
  ),
  rule(
    "logicSupplyV",
    "Logic supply, V",
    (v) => String(v),
    "Find the logic supply in a datasheet, on the label or from the maker",
  ),
  rule("backlight", "Backlight", (v) => BACKLIGHT_WORDS[v] ?? v, "See where the backlight plugs in"),
  rule(
    "backlightSupplyV",
    "Backlight supply, V",
    (v) => String(v),
    "Find the backlight supply in a datasheet, on the label or from the maker",
  ),
];
