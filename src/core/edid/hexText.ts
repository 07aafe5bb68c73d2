import { BLOCK } from "./decode";

export interface FoundEdid {
  bytes: Uint8Array;
  /** Line of the text where it begins, from 1. */
  line: number;
}
export type EdidText = { ok: true; found: FoundEdid[] } | { ok: false; problem: string };

const HEADER = [0x00, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0x00];

/** Bytes of one line: hex in any usual spacing, with an offset in front or letters behind left out; null when it is no hex. */
function bytesOfLine(line: string): number[] | null {
  let s = line
    .replace(/\\\s*$/, "")
    .replace(/^\s*"?[\w ()-]*"?\s*[=:]\s*(?:hex(?:\([0-9a-f]+\))?:)?(?=\s*(?:0x)?[0-9a-f]{2}\b)/i, (m) =>
      /^\s*[0-9a-f]{4,8}\s*:/i.test(m) ? "" : /hex|edid/i.test(m) ? "" : m,
    );
  // An offset: four to eight hex digits and a colon or bar, or alone before a run of single bytes.
  s = s.replace(/^\s*(?:0x)?[0-9a-f]{2,8}\s*[:|]\s*/i, "").replace(/^\s*[0-9a-f]{4,8}\s{2,}(?=[0-9a-f]{2}\s)/i, "");
  // What a dump prints beside its bytes.
  s = s
    .replace(/\s{2,}\|.*$/, "")
    .replace(/^((?:\s*[0-9a-f]{2}){16})\s{2,}\S.*$/i, "$1")
    .replace(/^((?:\s*[0-9a-f]{4}){8})\s{2,}\S.*$/i, "$1");
  const tokens = s
    .replace(/0x/gi, " ")
    .split(/[\s,;{}[\]"']+/)
    .filter(Boolean);
  if (tokens.length === 0) return null;
  const out: number[] = [];
  for (const t of tokens) {
    if (!/^[0-9a-f]+$/i.test(t) || t.length % 2) return null;
    for (let i = 0; i < t.length; i += 2) out.push(Number.parseInt(t.slice(i, i + 2), 16));
  }
  return out;
}

/**
 * Finds EDIDs in text: hex in any usual spacing, alone or inside a larger dump. Each is taken as long as its own count of
 * extensions says, or as far as the text goes.
 * @returns every EDID found, in order, or what was looked for in vain
 * @example readEdidText([...edidBytes].map((x) => x.toString(16).padStart(2, "0")).join(" ")).ok // true
 */
export function readEdidText(text: string): EdidText {
  if (text.trim() === "")
    return { ok: false, problem: "The text is empty: expected the hex bytes of an EDID, beginning 00 FF FF FF FF FF FF 00." };
  const bytes: number[] = [];
  const lineOf: number[] = [];
  const starts: number[] = [];
  let inRun = false;
  text
    .slice(0, 2_000_000)
    .split(/\r\n|\r|\n/)
    .forEach((line, i) => {
      const got = bytesOfLine(line);
      if (!got) {
        inRun = false;
        return;
      }
      if (!inRun) starts.push(bytes.length);
      inRun = true;
      for (const x of got) {
        bytes.push(x);
        lineOf.push(i + 1);
      }
    });
  const found: FoundEdid[] = [];
  let at = 0;
  while (at + 8 <= bytes.length) {
    if (!HEADER.every((x, k) => bytes[at + k] === x)) {
      at += 1;
      continue;
    }
    // An EDID ends with its run of hex lines.
    const runEnd = starts.find((s) => s > at) ?? bytes.length;
    const length = Math.min(runEnd - at, BLOCK * (1 + (bytes[at + 126] ?? 0)));
    found.push({ bytes: Uint8Array.from(bytes.slice(at, at + length)), line: lineOf[at]! });
    at += Math.max(length, 8);
  }
  return found.length
    ? { ok: true, found }
    : {
        ok: false,
        problem: bytes.length
          ? `${bytes.length} hex bytes were read, but none begin an EDID: expected 00 FF FF FF FF FF FF 00.`
          : "No line reads as hex bytes. Paste the dump, or drop the .bin file.",
      };
}
