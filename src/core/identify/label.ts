import { type CodeGrammar, SHIPPED_GRAMMAR } from "../panel";

export type LineClass = "partCode" | "serial" | "date" | "sparePart" | "machineModel" | "other";

export interface LabelLine {
  text: string;
  class: LineClass;
  reason: string;
}

export interface LabelReading {
  lines: LabelLine[];
  /** The line most likely to be the panel's part code, or null. */
  code: string | null;
}

const fold = (s: string) => s.toUpperCase().replace(/[^A-Z0-9]/g, "");

function classify(
  text: string,
  known: ReadonlyMap<string, string>,
  machines: ReadonlyMap<string, string>,
  grammar: CodeGrammar,
): LabelLine {
  const t = text.trim();
  const up = t.toUpperCase();
  const flat = fold(t);
  const code = known.get(flat);
  if (code) return { text: t, class: "partCode", reason: `Is in the catalogue as ${code}.` };
  const machine = machines.get(flat);
  if (machine) return { text: t, class: "machineModel", reason: `Is the machine ${machine}, not a panel.` };
  const marked = grammar.lines.find((l) => new RegExp(l.pattern).test(up));
  if (marked) return { text: t, class: marked.class, reason: marked.reason };
  if (new RegExp(grammar.codeShape).test(up))
    return {
      text: t,
      class: "partCode",
      reason: "Maker's letters, size digits, class letters, series: the shape of a panel code.",
    };
  if (/^[A-Z0-9]{12,}$/.test(flat) && /\d{5,}/.test(flat))
    return { text: t, class: "serial", reason: "Long and mostly digits: a serial, not the part." };
  return { text: t, class: "other", reason: "Neither a panel code nor anything else known." };
}

/**
 * Classes every line of a panel label, typed, pasted or scanned.
 * @param text the whole label, any line ends; empty lines are dropped; 40 lines at most are read
 * @param codes panel codes of the catalogue
 * @param machines machine models and codes
 * @param grammar which marks tell a serial, a date, a spare-part number
 * @returns the lines with reasons, and the best part code: one in the catalogue first, else the first of that shape
 * @example readLabel("GV140FHB-K31\nS/N 0041772", ["GV140FHB-K31"], []).code // "GV140FHB-K31"
 */
export function readLabel(
  text: string,
  codes: readonly string[],
  machines: readonly string[],
  grammar: CodeGrammar = SHIPPED_GRAMMAR,
): LabelReading {
  const known = new Map(codes.map((c) => [fold(c), c]));
  const models = new Map(machines.map((m) => [fold(m), m]));
  const lines = text
    .split(/\r\n|\r|\n/)
    .map((l) => l.trim())
    .filter(Boolean)
    .slice(0, 40)
    .map((l) => classify(l.slice(0, 200), known, models, grammar));
  const parts = lines.filter((l) => l.class === "partCode");
  const best = parts.find((l) => known.has(fold(l.text))) ?? parts[0];
  return { lines, code: best ? (known.get(fold(best.text)) ?? best.text.toUpperCase()) : null };
}
