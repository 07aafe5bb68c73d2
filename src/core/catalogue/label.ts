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

const CODE = /^[A-Z]{1,4}[ -]?\d{2,3}[ -]?[A-Z]{2,4}\d{0,2}(?:[ -][A-Z0-9]{1,5}){0,2}$/;
const fold = (s: string) => s.toUpperCase().replace(/[^A-Z0-9]/g, "");

function classify(text: string, known: ReadonlyMap<string, string>, machines: ReadonlyMap<string, string>): LabelLine {
  const t = text.trim();
  const up = t.toUpperCase();
  const flat = fold(t);
  const code = known.get(flat);
  if (code) return { text: t, class: "partCode", reason: `Is in the catalogue as ${code}.` };
  const machine = machines.get(flat);
  if (machine) return { text: t, class: "machineModel", reason: `Is the machine ${machine}, not a panel.` };
  if (/^(S\/?N|SER(IAL)?( ?NO)?)[.: ]/.test(up))
    return { text: t, class: "serial", reason: "Marked as a serial number: it names this one piece, not the part." };
  if (/^(P\/?N|FRU|SPS|SPARE)[.: ]/.test(up))
    return { text: t, class: "sparePart", reason: "Marked as the machine brand's spare-part number." };
  if (/^(DATE|MFG)\b/.test(up) || /^(19|20)\d\d[-/. ]?(W?\d{1,2}|\d\d[-/. ]\d\d)$/.test(up))
    return { text: t, class: "date", reason: "Reads as a date." };
  if (CODE.test(up))
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
 * @returns the lines with reasons, and the best part code: one in the catalogue first, else the first of that shape
 * @example readLabel("GV140FHB-K31\nS/N 0041772", ["GV140FHB-K31"], []).code // "GV140FHB-K31"
 */
export function readLabel(text: string, codes: readonly string[], machines: readonly string[]): LabelReading {
  const known = new Map(codes.map((c) => [fold(c), c]));
  const models = new Map(machines.map((m) => [fold(m), m]));
  const lines = text
    .split(/\r\n|\r|\n/)
    .map((l) => l.trim())
    .filter(Boolean)
    .slice(0, 40)
    .map((l) => classify(l.slice(0, 200), known, models));
  const parts = lines.filter((l) => l.class === "partCode");
  const best = parts.find((l) => known.has(fold(l.text))) ?? parts[0];
  return { lines, code: best ? (known.get(fold(best.text)) ?? best.text.toUpperCase()) : null };
}
