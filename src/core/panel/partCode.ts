import grammarFile from "../../../data/reference/codeGrammar.json" with { type: "json" };
import type { CodeGrammar } from "./codeGrammar";

/** What a panel code lets one guess. Inferred, weaker than any label, EDID, datasheet or measurement. */
export interface CodeReading {
  diagonalIn: number | null;
  /** Possible resolutions, most usual first; empty when the letters say nothing. */
  pixels: readonly { h: number; v: number }[];
  /** Why, in words. */
  reason: string;
  source: "G";
}

/** The grammar that ships, from its file. */
export const SHIPPED_GRAMMAR = grammarFile as unknown as CodeGrammar;

/**
 * Reads a panel code's digits and letters: three digits = diagonal in tenths of an inch, then a letter pair for the
 * resolution class. "No inference" is a normal answer.
 * @param code as printed, any case, hyphens and spaces allowed
 * @param grammar which digits and pairs mean what
 * @returns always a reading; both parts may be empty
 * @example readPartCode("GV140FHB-K31").diagonalIn // 14
 */
export function readPartCode(code: string, grammar: CodeGrammar = SHIPPED_GRAMMAR): CodeReading {
  const none = (reason: string): CodeReading => ({ diagonalIn: null, pixels: [], reason, source: "G" });
  const m = /^[A-Z]{1,3}[ -]?(\d{3})[ -]?([A-Z]{2})/.exec(code.trim().toUpperCase());
  if (!m) return none("No inference: the code has no three digits followed by two letters.");
  const tenths = Number(m[1]);
  const { leastTenths, mostTenths } = grammar.diagonal;
  if (tenths < leastTenths || tenths > mostTenths)
    return none(
      `No inference: ${m[1]} is not a diagonal of ${(leastTenths / 10).toFixed(1)} to ${(mostTenths / 10).toFixed(1)} inch.`,
    );
  const pair = grammar.pairs[m[2]!] ?? [];
  const pixels = pair.map(([h, v]) => ({ h, v }));
  const said = pixels.length
    ? `${m[2]} is used for ${pixels.map((p) => `${p.h} × ${p.v}`).join(" or ")}`
    : `${m[2]} has no steady meaning`;
  return { diagonalIn: tenths / 10, pixels, reason: `Digits ${m[1]}: ${tenths / 10} inch, rounded. ${said}.`, source: "G" };
}
