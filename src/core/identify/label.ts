import { type CodeGrammar, SHIPPED_GRAMMAR } from "../panel";
import { type CodeIn, codeIn, foldCode } from "./codeIn";
import { type Field, labelFields } from "./labelFields";

export type LineClass = "partCode" | "serial" | "date" | "sparePart" | "machineModel" | "other";

export interface LabelLine {
  text: string;
  class: LineClass;
  reason: string;
  /** The panel code that stands in it, as it is searched by. */
  code?: string;
}

export interface LabelReading {
  lines: LabelLine[];
  /** The panel's part code, or null. */
  code: string | null;
}

interface Reader {
  known: ReadonlyMap<string, string>;
  machines: ReadonlyMap<string, string>;
  spares: ReadonlyMap<string, string>;
  grammar: CodeGrammar;
}
type Read = LabelLine & { rank: number };

const CLASS_OF: Readonly<Record<NonNullable<Field["mark"]>, LineClass>> = {
  part: "partCode",
  model: "other",
  serial: "serial",
  sparePart: "sparePart",
  date: "date",
  other: "other",
};

function readField(f: Field, r: Reader): Read {
  const sentence = (words: string) => `${words[0]!.toUpperCase()}${words.slice(1)}`;
  const plain = (cls: LineClass, reason: string): Read => ({ text: f.text, class: cls, reason, rank: 0 });
  const coded = (c: CodeIn, more = 0): Read => ({
    text: f.text,
    class: "partCode",
    reason: c.reason,
    code: c.code,
    rank: c.rank + more,
  });
  const machine = r.machines.get(foldCode(f.text)) ?? r.machines.get(foldCode(f.value));
  if (machine) return plain("machineModel", `Is the machine ${machine}, not a panel.`);
  if (f.mark === "serial") {
    // Only what stands behind the serial itself may be a code.
    const rest = f.value.split(/\s+/).slice(1).join(" ");
    const behind = rest ? codeIn(rest, r.known, r.grammar) : null;
    return behind ? coded(behind) : plain("serial", `${sentence(f.by!)}: it names this one piece, not the part.`);
  }
  if (f.mark === "date" || (f.mark === "other" && f.by)) return plain(CLASS_OF[f.mark], `${sentence(f.by!)}.`);
  const code = codeIn(f.value, r.known, r.grammar);
  // A field that says it is the panel's own, or the model, is surer than a shape by itself.
  if (code && (f.mark === "part" || f.mark === "model")) return coded(code, 0.5);
  if (f.mark === "part")
    return { text: f.text, class: "partCode", reason: `${sentence(f.by!)}.`, code: f.value.toUpperCase(), rank: 1.5 };
  if (f.mark === "sparePart") {
    const own = /FRU|SPS|SPARE/i.test(f.text);
    if (code && (code.rank >= 3 || !own)) return coded(code);
    const of = r.spares.get(foldCode(f.value));
    return plain(
      "sparePart",
      of
        ? `The spare-part number of ${of} in this shop's records.`
        : `${sentence(f.by!)}: the machine brand's, not the panel maker's code.`,
    );
  }
  if (code && code.rank >= 3) return coded(code);
  const of = r.spares.get(foldCode(f.value));
  if (of) return plain("sparePart", `The spare-part number of ${of} in this shop's records.`);
  const up = f.text.toUpperCase();
  const marked = r.grammar.lines.find((l) => new RegExp(l.pattern).test(up));
  if (marked && !code) return plain(marked.class, marked.reason);
  if (code) return coded(code);
  const flat = foldCode(f.text);
  if (/^[A-Z0-9]{12,}$/.test(flat) && /\d{5,}/.test(flat))
    return plain("serial", "Long and mostly digits: a serial, not the part.");
  if (f.mark === "model") return plain("other", `${sentence(f.by!)}, and no panel code.`);
  return plain("other", "Neither a panel code nor anything else known.");
}

/** What a whole line is: its code where one of its fields bears one, else what its first field is. */
function readLine(text: string, r: Reader): Read[] {
  const fields = labelFields(text).map((f) => readField(f, r));
  // A message in a two-dimensional code is shown field by field, a printed line as it stands.
  if (fields.length > 1 && /^\[\)>|\p{Cc}|<GS>|^\(\d{0,2}[A-Z]\)/iu.test(text)) return fields;
  const best = fields.reduce<Read | null>((m, f) => (!m || f.rank > m.rank ? f : m), null);
  return best ? [{ ...best, text: text.trim() }] : [];
}

/**
 * Classifies every line of a panel label, typed, pasted or scanned: every token of every line is tried against the catalogue, the
 * spare-part numbers and the grammar; marks in words and the field identifiers of two-dimensional codes (ISO/IEC 15434, 15418) say
 * what is what. A serial is never taken for a code.
 * @param text the whole label, any line ends; empty lines are dropped; 40 lines at most are read
 * @param codes panel codes of the catalogue
 * @param machines machine models and codes
 * @param grammar which marks tell a serial, a date, a spare-part number
 * @param spares spare-part numbers on record, each with the code it belongs to
 * @returns the lines with reasons, and the best part code: one in the catalogue first, then one its field names, then one of that shape
 * @example readLabel("GV140FHB-K31\nS/N 0041772", ["GV140FHB-K31"], []).code // "GV140FHB-K31"
 */
export function readLabel(
  text: string,
  codes: readonly string[],
  machines: readonly string[],
  grammar: CodeGrammar = SHIPPED_GRAMMAR,
  spares: ReadonlyMap<string, string> = new Map(),
): LabelReading {
  const reader: Reader = {
    known: new Map(codes.map((c) => [foldCode(c), c])),
    machines: new Map(machines.map((m) => [foldCode(m), m])),
    spares: new Map([...spares].map(([number, code]) => [foldCode(number), code])),
    grammar,
  };
  const lines = text
    .split(/\r\n|\r|\n/)
    .map((l) => l.trim())
    .filter(Boolean)
    .slice(0, 40)
    .flatMap((l) => readLine(l.slice(0, 400), reader))
    .slice(0, 40);
  const best = lines.reduce<Read | null>((m, l) => (l.rank > (m?.rank ?? 0) ? l : m), null);
  return {
    lines: lines.map(({ rank: _, ...l }) => l),
    code: best?.code ?? null,
  };
}
