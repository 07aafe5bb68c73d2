import { readDisplayId } from "./displayId";
import { readDetailed } from "./timing";
import type { DetailedTiming, Edid, EdidProblem } from "./types";

export const BLOCK = 128;
const HEADER = [0x00, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0x00];
export const SLOTS = [54, 72, 90, 108] as const;
/** Bits per primary colour by code (E-EDID 1.4, table 3.11). */
export const COLOUR_BITS: readonly (number | null)[] = [null, 6, 8, 10, 12, 14, 16, null];
const TEXT_TAGS = [0xfc, 0xfe, 0xff];

/** Established timings by byte and bit, from bit 7 down (E-EDID 1.4, table 3.18). */
const ESTABLISHED: readonly (readonly [number, number, number, boolean?])[] = [
  [720, 400, 70],
  [720, 400, 88],
  [640, 480, 60],
  [640, 480, 67],
  [640, 480, 72],
  [640, 480, 75],
  [800, 600, 56],
  [800, 600, 60],
  [800, 600, 72],
  [800, 600, 75],
  [832, 624, 75],
  [1024, 768, 87, true],
  [1024, 768, 60],
  [1024, 768, 70],
  [1024, 768, 75],
  [1280, 1024, 75],
  [1152, 870, 75],
];

const hex = (x: number): string => `0x${x.toString(16).padStart(2, "0")}`;

/** Sum of a block's bytes, 0 when its checksum is right. @example blockSum(new Uint8Array(128), 0) // 0 */
export function blockSum(b: Uint8Array, o: number): number {
  let sum = 0;
  for (let i = 0; i < BLOCK; i++) sum = (sum + b[o + i]!) & 0xff;
  return sum;
}

/** Text of a display descriptor: 13 bytes, ended by 0x0A, padded with spaces. */
function textOf(b: Uint8Array, o: number): string {
  let text = "";
  for (let i = 5; i < 18; i++) {
    if (b[o + i] === 0x0a) break;
    text += String.fromCharCode(b[o + i]!);
  }
  return text.replace(/ +$/, "");
}

function manufacturer(b: Uint8Array, problems: EdidProblem[]): string | null {
  const word = (b[8]! << 8) | b[9]!;
  if (word === 0) return null;
  const letters = [(word >> 10) & 31, (word >> 5) & 31, word & 31];
  if (word & 0x8000 || letters.some((l) => l < 1 || l > 26)) {
    problems.push({
      offset: 8,
      expected: "three letters of 5 bits, 1 to 26",
      found: `${hex(b[8]!)} ${hex(b[9]!)}`,
      severity: "warning",
    });
    return null;
  }
  return letters.map((l) => String.fromCharCode(64 + l)).join("");
}

function standardTimings(b: Uint8Array): Edid["standardTimings"] {
  const out: Edid["standardTimings"] = [];
  for (let i = 38; i < 54; i += 2) {
    const x = b[i]!;
    const y = b[i + 1]!;
    if ((x === 1 && y === 1) || x === 0) continue;
    const h = (x + 31) * 8;
    const early = b[18] === 1 && b[19]! < 3;
    const [a, c] = [early ? [1, 1] : [16, 10], [4, 3], [5, 4], [16, 9]][y >> 6]!;
    out.push({ h, v: Math.round((h * c!) / a!), hz: (y & 63) + 60 });
  }
  return out;
}

function chromaticity(b: Uint8Array): NonNullable<Edid["chromaticity"]> {
  const at = (high: number, low: number, shift: number) => ((b[high]! << 2) | ((b[low]! >> shift) & 3)) / 1024;
  return {
    rx: at(27, 25, 6),
    ry: at(28, 25, 4),
    gx: at(29, 25, 2),
    gy: at(30, 25, 0),
    bx: at(31, 26, 6),
    by: at(32, 26, 4),
    wx: at(33, 26, 2),
    wy: at(34, 26, 0),
  };
}

function rangeLimits(b: Uint8Array, o: number, revision: number): Edid["rangeLimits"] {
  const flags = revision >= 4 ? b[o + 4]! : 0;
  const v = flags & 3;
  const h = (flags >> 2) & 3;
  return {
    minVHz: b[o + 5]! + (v === 3 ? 255 : 0),
    maxVHz: b[o + 6]! + (v >= 2 ? 255 : 0),
    minHKHz: b[o + 7]! + (h === 3 ? 255 : 0),
    maxHKHz: b[o + 8]! + (h >= 2 ? 255 : 0),
    maxClockMHz: b[o + 9] ? b[o + 9]! * 10 : null,
  };
}

/** Detailed timings at the end of a CTA-861 block. */
function ctaTimings(b: Uint8Array, o: number, problems: EdidProblem[]): DetailedTiming[] {
  const from = b[o + 2]!;
  if (from === 0) return [];
  if (from < 4 || from > 127) {
    problems.push({ offset: o + 2, expected: "0, or where the timings begin, 4 to 127", found: String(from), severity: "error" });
    return [];
  }
  const out: DetailedTiming[] = [];
  for (let at = o + from; at + 18 <= o + 127; at += 18) {
    if (b[at] === 0 && b[at + 1] === 0) break;
    out.push(readDetailed(b, at));
  }
  return out;
}

/**
 * Reads an EDID (VESA E-EDID 1.3 and 1.4, with CTA-861 and DisplayID extensions). Never throws: what is sound is decoded,
 * what is not is named with its byte, what was expected and what was found. Undefined is null; serial 0 and week 0 too.
 * Sizes in cm and mm, clocks in kHz; an interlaced timing is told per field.
 * @param bytes a whole EDID, any bytes at all
 * @example decodeEdid(edidBytes).detailedTimings[0].hActive // 1920
 */
export function decodeEdid(bytes: Uint8Array): Edid {
  const problems: EdidProblem[] = [];
  const e: Edid = {
    manufacturerId: null,
    productCode: null,
    serialNumber: null,
    week: null,
    year: null,
    modelYear: false,
    version: null,
    revision: null,
    digital: null,
    bitsPerColor: null,
    widthCm: null,
    heightCm: null,
    gamma: null,
    features: null,
    chromaticity: null,
    establishedTimings: [],
    standardTimings: [],
    texts: [],
    descriptors: [],
    rangeLimits: null,
    detailedTimings: [],
    extensions: [],
    problems,
    raw: Uint8Array.from(bytes),
  };
  const b = e.raw;
  const wrong = HEADER.findIndex((x, i) => b[i] !== x);
  if (b.length > 0 && wrong >= 0 && wrong < b.length)
    problems.push({
      offset: wrong,
      expected: `${hex(HEADER[wrong]!)}, the header 00 FF FF FF FF FF FF 00`,
      found: hex(b[wrong]!),
      severity: "error",
    });
  if (b.length < BLOCK) {
    problems.push({ offset: b.length, expected: `${BLOCK} bytes`, found: `${b.length} bytes, cut off`, severity: "error" });
    // A stub: only what stands whole is read.
    if (b.length >= 20) identity(e, b, problems);
    return e;
  }
  const sum = blockSum(b, 0);
  if (sum !== 0)
    problems.push({ offset: 127, expected: `checksum ${hex((b[127]! - sum) & 0xff)}`, found: hex(b[127]!), severity: "error" });
  identity(e, b, problems);
  const input = b[20]!;
  e.digital = (input & 0x80) !== 0;
  const v14 = e.version === 1 && e.revision! >= 4;
  e.bitsPerColor = e.digital && v14 ? COLOUR_BITS[(input >> 4) & 7]! : null;
  // One of the two at 0 is an aspect ratio (1.4), both at 0 is not known.
  if (b[21] !== 0 && b[22] !== 0) {
    e.widthCm = b[21]!;
    e.heightCm = b[22]!;
  }
  e.gamma = b[23] === 0xff ? null : (b[23]! + 100) / 100;
  e.features = b[24]!;
  e.chromaticity = chromaticity(b);
  ESTABLISHED.forEach(([h, v, hz, interlaced = false], i) => {
    if (b[35 + (i >> 3)]! & (0x80 >> (i & 7))) e.establishedTimings.push({ h, v, hz, interlaced });
  });
  e.standardTimings = standardTimings(b);
  for (const o of SLOTS) {
    if (b[o] !== 0 || b[o + 1] !== 0) {
      e.detailedTimings.push(readDetailed(b, o));
      continue;
    }
    const tag = b[o + 3]!;
    e.descriptors.push({ offset: o, tag, bytes: b.slice(o, o + 18) });
    if (TEXT_TAGS.includes(tag)) e.texts.push({ tag, text: textOf(b, o) });
    if (tag === 0xfd) e.rangeLimits ??= rangeLimits(b, o, e.revision!);
  }
  extensions(e, b, problems);
  return e;
}

function identity(e: Edid, b: Uint8Array, problems: EdidProblem[]): void {
  e.manufacturerId = manufacturer(b, problems);
  e.productCode = b[10]! | (b[11]! << 8);
  const serial = (b[12]! | (b[13]! << 8) | (b[14]! << 16) | (b[15]! << 24)) >>> 0;
  e.serialNumber = serial === 0 ? null : serial;
  const week = b[16]!;
  e.modelYear = week === 0xff;
  if (week >= 1 && week <= 54) e.week = week;
  else if (week !== 0 && week !== 0xff)
    problems.push({
      offset: 16,
      expected: "a week of 1 to 54, 0, or 0xff for a model year",
      found: String(week),
      severity: "warning",
    });
  e.year = 1990 + b[17]!;
  e.version = b[18]!;
  e.revision = b[19]!;
  if (e.version !== 1) problems.push({ offset: 18, expected: "version 1", found: String(e.version), severity: "warning" });
}

function extensions(e: Edid, b: Uint8Array, problems: EdidProblem[]): void {
  const said = b[126]!;
  const there = Math.floor((b.length - BLOCK) / BLOCK);
  const rest = (b.length - BLOCK) % BLOCK;
  if (said > there)
    problems.push({
      offset: 126,
      expected: `${said} extension blocks`,
      found: `${there} in the file${rest ? `, and ${rest} bytes of the next` : ""}`,
      severity: "error",
    });
  else if (b.length > BLOCK * (1 + said))
    problems.push({
      offset: BLOCK * (1 + said),
      expected: `the end, after ${said} extension blocks`,
      found: `${b.length - BLOCK * (1 + said)} bytes more`,
      severity: "warning",
    });
  for (let i = 0; i < Math.min(said, there); i++) {
    const o = BLOCK * (1 + i);
    const tag = b[o]!;
    const sum = blockSum(b, o);
    if (sum !== 0)
      problems.push({
        offset: o + 127,
        expected: `checksum ${hex((b[o + 127]! - sum) & 0xff)}`,
        found: hex(b[o + 127]!),
        severity: "error",
      });
    // A block map (0xF0) has tags where others have a revision.
    e.extensions.push({ tag, revision: tag === 0xf0 ? null : b[o + 1]!, checksumOk: sum === 0 });
    if (tag === 0x02) e.detailedTimings.push(...ctaTimings(b, o, problems));
    else if (tag === 0x70) e.detailedTimings.push(...readDisplayId(b, o, problems));
  }
}
