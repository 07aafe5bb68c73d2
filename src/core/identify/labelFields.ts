/** A piece of a label with what its mark or field identifier says it is. */
export interface Field {
  text: string;
  value: string;
  mark: "part" | "model" | "serial" | "sparePart" | "date" | "other" | null;
  /** What said so, in words; null where nothing did. */
  by: string | null;
}

/** Data identifiers of two-dimensional codes (ISO/IEC 15418) that stand on panels, and what they mark. */
const IDENTIFIERS: Readonly<Record<string, readonly [Field["mark"], string]>> = {
  P: ["sparePart", "customer's part number"],
  "1P": ["part", "maker's part number"],
  "30P": ["part", "maker's part number"],
  "31P": ["part", "maker's part number"],
  S: ["serial", "serial number"],
  "1S": ["serial", "serial number"],
  "9D": ["date", "date code"],
  "10D": ["date", "date code"],
  "16D": ["date", "date"],
  Q: ["other", "quantity"],
  V: ["other", "supplier"],
  "1V": ["other", "supplier"],
  T: ["other", "lot"],
  "1T": ["other", "lot"],
  "2P": ["other", "revision"],
  "4L": ["other", "country of origin"],
};
/** Group separator; the others of such a message are control characters as well. */
const GS = String.fromCharCode(29);
const SEPARATORS = /\p{Cc}/u;

const byIdentifier = (di: string, value: string, text: string): Field | null => {
  const known = IDENTIFIERS[di];
  return known && value.trim() ? { text, value: value.trim(), mark: known[0], by: `${di} marks the ${known[1]}` } : null;
};

/** Fields of a message in the form of ISO/IEC 15434, or of one whose separators a scanner wrote out; null when it is none. */
function fieldsOfMessage(line: string): Field[] | null {
  let t = line
    .replace(/<GS>|\{GS\}|␝/gi, GS)
    .replace(/<RS>|\{RS\}|␞/gi, GS)
    .replace(/<EOT>|\{EOT\}|␄/gi, GS);
  const starred = /^\[\)>([*|~^])\d\d\1/.exec(t);
  if (starred) t = t.split(starred[1]!).join(GS);
  const head = t.startsWith("[)>");
  if (!head && !SEPARATORS.test(t)) {
    const all = [...t.matchAll(/\((\d{0,2}[A-Z])\)\s*([^()]+)/g)];
    const read = all.flatMap((m) => byIdentifier(m[1]!, m[2]!, m[0].trim()) ?? []);
    return read.length && read.length === all.length && t.trim().startsWith("(") ? read : null;
  }
  return t
    .replace(/^\[\)>/, "")
    .split(/\p{Cc}+/u)
    .map((s) => s.trim())
    .filter((s) => s && !/^\d\d$/.test(s))
    .map((s) => {
      const m = /^(\d{0,2}[A-Z])(.+)$/.exec(s);
      return (m && byIdentifier(m[1]!, m[2]!, s)) ?? { text: s, value: s, mark: null, by: null };
    });
}

const MARKS: readonly (readonly [RegExp, Field["mark"], string])[] = [
  [/^(?:S\/?N|SER(?:IAL)?(?: ?(?:NO|NUMBER))?)(?![A-Z0-9])/, "serial", "a serial number"],
  [/^(?:FRU|SPS|SPARE(?: PART)?)(?![A-Z0-9])/, "sparePart", "the machine brand's spare-part number"],
  [/^(?:P\/?N|PART ?(?:NO|NUMBER|NUM)?)(?![A-Z0-9])/, "sparePart", "a part number"],
  [/^(?:MODEL(?: ?(?:NAME|NO|NUMBER))?|M\/N|TYPE|PANEL|(?:LCD |OLED )?MODULE)(?![A-Z0-9])/, "model", "the model"],
  [/^(?:DATE|MFG|MFD|D\/C)(?![A-Z0-9])/, "date", "a date"],
  [/^(?:MADE IN|ASSEMBLED IN|PRODUCT OF)(?![A-Z0-9])/, "other", "words of origin"],
];

/** A line cut at its marks: "MODEL X S/N Y" is two fields. */
function fieldsOfLine(line: string): Field[] {
  const up = line.toUpperCase();
  const starts: { at: number; end: number; mark: Field["mark"]; by: string }[] = [];
  for (let at = 0; at < up.length; at++) {
    if (at > 0 && !/[\s,;|/(]/.test(up[at - 1]!)) continue;
    for (const [shape, mark, by] of MARKS) {
      const m = shape.exec(up.slice(at));
      if (!m) continue;
      const end = at + m[0].length + (/^[.:#\s]*/.exec(up.slice(at + m[0].length))?.[0].length ?? 0);
      starts.push({ at, end, mark, by: `marked as ${by}` });
      at = end - 1;
      break;
    }
  }
  if (starts.length === 0) return [{ text: line, value: line, mark: null, by: null }];
  const head = line.slice(0, starts[0]!.at).trim();
  return [
    ...(head ? [{ text: head, value: head, mark: null, by: null }] : []),
    ...starts.map((s, i) => {
      const to = starts[i + 1]?.at ?? line.length;
      return { text: line.slice(s.at, to).trim(), value: line.slice(s.end, to).trim(), mark: s.mark, by: s.by };
    }),
  ];
}

/**
 * The fields of one line of a label, by the identifiers of a two-dimensional code or by its marks in words.
 * @example labelFields("MODEL GV140FHB-K31 S/N 7Q2")[1].mark // "serial"
 */
export function labelFields(line: string): Field[] {
  const clean = line.replace(/[\u2010-\u2015\u2212]/g, "-");
  return fieldsOfMessage(clean) ?? fieldsOfLine(clean.trim());
}
