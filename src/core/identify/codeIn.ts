import type { CodeGrammar } from "../panel";

/** What a code is compared by. @example foldCode("GV140FHB-K31") // "GV140FHBK31" */
export const foldCode = (s: string): string => s.toUpperCase().replace(/[^A-Z0-9]/g, "");

/** A panel code found in a piece of text. */
export interface CodeIn {
  code: string;
  /** How sure: in the catalogue (5), at the front of code and serial run together (4), in it but for a misread letter (3), by its shape (2), by its shape but for a misread letter (1). */
  rank: 5 | 4 | 3 | 2 | 1;
  reason: string;
}

/** Letters that a digit at the front of a code may have been. Codes begin with letters. */
const WAS: Readonly<Record<string, string>> = {
  "0": "OQD",
  "1": "IL",
  "2": "Z",
  "4": "A",
  "5": "S",
  "6": "G",
  "7": "T",
  "8": "B",
};
const ROUND: Readonly<Record<string, string>> = { O: "QD", Q: "OD", D: "OQ", "0": "QOD" };
/** What stands behind a code and is no part of it: versions, dates. */
const BEHIND =
  /^(?:V|VER|REV|REVISION|H\/?W|F\/?W|HW|FW)[.:]?[A-Z0-9.]{0,5}$|^(?:\d{2}|\d{4})?W\d{1,2}$|^\d{4}$|^\d{1,4}[-/.]\d{1,2}(?:[-/.]\d{1,4})?$/;

/** The token with its first letters as they may have been printed. */
function letters(flat: string): string[] {
  const first = [...(WAS[flat[0]!] ?? "")].map((l) => l + flat.slice(1));
  const second = [...(ROUND[flat[1] ?? ""] ?? "")].map((l) => flat[0] + l + flat.slice(2));
  return [...first, ...second];
}

/**
 * The panel code in a piece of a label: every token and every run of tokens is tried against the catalogue and the grammar.
 * @param known folded code to code as the catalogue writes it
 * @example codeIn("GV140FHB-K31 V1", new Map([["GV140FHBK31", "GV140FHB-K31"]]), SHIPPED_GRAMMAR).code // "GV140FHB-K31"
 */
export function codeIn(text: string, known: ReadonlyMap<string, string>, grammar: CodeGrammar): CodeIn | null {
  const shape = new RegExp(grammar.codeShape);
  const tokens = text
    .toUpperCase()
    .replace(/[*"'[\]{}<>]/g, " ")
    .replace(/[()]/g, " ")
    .split(/[\s,;|/_]+/)
    .map((t) => t.replace(/^[-.:#]+|[-.:#]+$/g, ""))
    .filter(Boolean);
  const found: CodeIn[] = [];
  for (let i = 0; i < tokens.length; i++)
    for (let n = Math.min(4, tokens.length - i); n >= 1; n--) {
      const flat = foldCode(tokens.slice(i, i + n).join(""));
      const exact = known.get(flat) ?? known.get(flat.replace(/^(?:1P|30P|31P)/, ""));
      if (exact) found.push({ code: exact, rank: 5, reason: `Is in the catalogue as ${exact}.` });
      else if (n === 1 || (i === 0 && n === tokens.length)) {
        let longest = "";
        for (const k of known.keys())
          if (k.length > longest.length && flat.length >= k.length + 6 && flat.startsWith(k)) longest = k;
        const rest = flat.slice(longest.length);
        if (longest && (rest.match(/\d/g)?.length ?? 0) >= 3)
          found.push({
            code: known.get(longest)!,
            rank: 4,
            reason: `Begins with ${known.get(longest)}, which is in the catalogue; what follows is a serial run together with it.`,
          });
        const misread = letters(flat).find((x) => known.has(x));
        if (misread)
          found.push({ code: known.get(misread)!, rank: 3, reason: `Is ${known.get(misread)} with a letter misread.` });
      }
    }
  // Some makers write the suffix in brackets, straight behind the class letters.
  const bracketed = /(?:^|[\s,;|/:])([A-Z]{1,4}\d{3}[A-Z]{2,4}\d{0,2})((?:\s?\([A-Z0-9]{1,4}\)){1,3})/.exec(text.toUpperCase());
  if (bracketed && !/\((?:V|REV|VER)/.test(bracketed[2]!))
    found.push({
      code: `${bracketed[1]}${bracketed[2]!.replace(/\s/g, "")}`,
      rank: 2,
      reason: "Maker's letters, size digits, class letters, suffix in brackets: the shape of a panel code.",
    });
  for (let i = 0; i < tokens.length; i++) {
    const t = tokens[i]!.replace(/^(?:1P|30P|31P)(?=[A-Z]{1,4}\d)/, "");
    if (BEHIND.test(t)) continue;
    const suffix = tokens[i + 1];
    // A suffix set apart by a space: letters and digits, and no version.
    const whole =
      !t.includes("-") && suffix && /^[A-Z]{1,2}\d{1,3}[A-Z]?$/.test(suffix) && !BEHIND.test(suffix) ? `${t} ${suffix}` : t;
    if (shape.test(t))
      found.push({
        code: whole,
        rank: 2,
        reason: "Maker's letters, size digits, class letters, series: the shape of a panel code.",
      });
    else if (/^\d[A-Z]\d{3}[A-Z]{2}/.test(t)) {
      const as = [...(WAS[t[0]!] ?? "")].map((l) => l + t.slice(1)).find((x) => shape.test(x));
      if (as)
        found.push({
          code: as,
          rank: 1,
          reason: `The shape of a panel code, its first letter read as ${t[0]}: ${as}. Look at the label.`,
        });
    }
  }
  return found.reduce<CodeIn | null>((best, x) => (!best || x.rank > best.rank ? x : best), null);
}
