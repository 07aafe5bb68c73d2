import { refreshOf } from "./timing";
import type { DetailedTiming, EdidProblem } from "./types";

const TYPE_I = 0x03;
const TYPE_VII = 0x22;

/** One 20-byte timing of DisplayID: type I counts its clock in 10 kHz, type VII in 1 kHz; every figure is stored less one. */
function readTiming(b: Uint8Array, o: number, stepKHz: number): DetailedTiming {
  const u16 = (i: number) => b[o + i]! | (b[o + i + 1]! << 8);
  const interlaced = (b[o + 3]! & 0x10) !== 0;
  // DisplayID counts the lines of a frame; here an interlaced timing is told per field.
  const field = (lines: number) => (interlaced ? lines / 2 : lines);
  const t = {
    pixelClockKHz: ((b[o]! | (b[o + 1]! << 8) | (b[o + 2]! << 16)) + 1) * stepKHz,
    hActive: u16(4) + 1,
    hBlank: u16(6) + 1,
    hFront: (u16(8) & 0x7fff) + 1,
    hSync: u16(10) + 1,
    vActive: field(u16(12) + 1),
    vBlank: field(u16(14) + 1),
    vFront: field((u16(16) & 0x7fff) + 1),
    vSync: field(u16(18) + 1),
    widthMm: null,
    heightMm: null,
    interlaced,
  };
  return { ...t, refreshHz: refreshOf(t) };
}

/**
 * Detailed timings of a DisplayID section inside an EDID extension block (DisplayID 1.3 and 2.0).
 * @param b the file @param o where the 128-byte block starts
 * @example readDisplayId(writeDisplayId([timing]), 0, [])[0].hActive // 1920
 */
export function readDisplayId(b: Uint8Array, o: number, problems: EdidProblem[]): DetailedTiming[] {
  const out: DetailedTiming[] = [];
  const size = b[o + 2]!;
  const end = o + 5 + size;
  if (size > 121)
    problems.push({
      offset: o + 2,
      expected: "a DisplayID section of 121 bytes at most",
      found: String(size),
      severity: "error",
    });
  else {
    let sum = 0;
    for (let i = o + 1; i <= end; i++) sum = (sum + b[i]!) & 0xff;
    if (sum !== 0)
      problems.push({
        offset: end,
        expected: `DisplayID checksum 0x${((b[end]! - sum) & 0xff).toString(16).padStart(2, "0")}`,
        found: `0x${b[end]!.toString(16).padStart(2, "0")}`,
        severity: "error",
      });
  }
  const last = Math.min(end, o + 126);
  let at = o + 5;
  while (at + 3 <= last) {
    const tag = b[at]!;
    const rev = b[at + 1]!;
    const length = b[at + 2]!;
    if (tag === 0 && rev === 0 && length === 0) break;
    if (at + 3 + length > last) {
      problems.push({
        offset: at + 2,
        expected: `a data block that ends by byte ${last}`,
        found: `${length} bytes`,
        severity: "error",
      });
      break;
    }
    const step = tag === TYPE_VII ? 20 + ((rev >> 4) & 7) : 20;
    if (tag === TYPE_I || tag === TYPE_VII)
      for (let i = 0; i + step <= length; i += step) out.push(readTiming(b, at + 3 + i, tag === TYPE_I ? 10 : 1));
    at += 3 + length;
  }
  return out;
}

/** Timings one DisplayID block of an EDID holds. */
export const PER_BLOCK = 5;

/**
 * Why DisplayID type VII cannot hold a timing, or null.
 * @example typeViiProblem({ ...timing, hActive: 70_000 }) === null // false
 */
export function typeViiProblem(t: DetailedTiming): string | null {
  if (!Number.isInteger(t.pixelClockKHz) || t.pixelClockKHz < 1 || t.pixelClockKHz > 16_777_216)
    return `a clock of ${t.pixelClockKHz} kHz: DisplayID holds whole kHz from 1 to 16777216`;
  const twice = t.interlaced ? 2 : 1;
  for (const [k, most] of [
    ["hActive", 65_536],
    ["hBlank", 65_536],
    ["hFront", 32_768],
    ["hSync", 65_536],
    ["vActive", 65_536],
    ["vBlank", 65_536],
    ["vFront", 32_768],
    ["vSync", 65_536],
  ] as const) {
    const x = k[0] === "v" ? t[k] * twice : t[k];
    if (!Number.isInteger(x) || x < 1 || x > most) return `${k} of ${t[k]}: DisplayID holds 1 to ${most}`;
  }
  return null;
}

/** A DisplayID 2.0 extension block with up to five type VII timings. @example writeDisplayId([timing]).length // 128 */
export function writeDisplayId(timings: readonly DetailedTiming[]): Uint8Array {
  const b = new Uint8Array(128);
  const payload = 3 + timings.length * 20;
  b.set([0x70, 0x20, payload, 0x00, 0x00, TYPE_VII, 0x00, timings.length * 20]);
  timings.forEach((t, n) => {
    const o = 8 + n * 20;
    const twice = t.interlaced ? 2 : 1;
    const u16 = (i: number, x: number) => {
      b[o + i] = x & 0xff;
      b[o + i + 1] = x >> 8;
    };
    const clock = t.pixelClockKHz - 1;
    b[o] = clock & 0xff;
    b[o + 1] = (clock >> 8) & 0xff;
    b[o + 2] = clock >> 16;
    b[o + 3] = (n === 0 ? 0x80 : 0) | (t.interlaced ? 0x10 : 0) | 0x08;
    u16(4, t.hActive - 1);
    u16(6, t.hBlank - 1);
    u16(8, t.hFront - 1);
    u16(10, t.hSync - 1);
    u16(12, t.vActive * twice - 1);
    u16(14, t.vBlank * twice - 1);
    u16(16, t.vFront * twice - 1);
    u16(18, t.vSync * twice - 1);
  });
  const end = 5 + payload;
  let sum = 0;
  for (let i = 1; i < end; i++) sum += b[i]!;
  b[end] = -sum & 0xff;
  return b;
}
