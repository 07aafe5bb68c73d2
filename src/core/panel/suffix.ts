import { codeKey } from "./codeKey";

/**
 * Which suffix differs where two codes are of one kind: same maker, diagonal and class.
 * @returns "" where the codes are equal or of different kinds
 * @example suffixWords("GV140FHB-K31", "GV140FHB-K31G") // " The codes part at the suffix: K31G, not K31."
 */
export function suffixWords(old: string, candidate: string): string {
  const parts = (code: string) => {
    const m = /^([A-Z]{1,4}[ -]?\d{2,3}[ -]?[A-Z]{2,4})[ -]?(.*)$/.exec(code.trim().toUpperCase());
    return m ? { stem: codeKey(m[1]!), suffix: m[2]! } : null;
  };
  const a = parts(old);
  const b = parts(candidate);
  if (!a || !b || a.stem !== b.stem || codeKey(a.suffix) === codeKey(b.suffix)) return "";
  return ` The codes part at the suffix: ${b.suffix || "none"}, not ${a.suffix || "none"}.`;
}
