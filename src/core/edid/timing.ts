import type { DetailedTiming } from "./types";

/**
 * Rate from clock and totals. An interlaced field is half a line longer than its whole lines say.
 * @example Math.round(refreshOf(timing)) // 60
 */
export function refreshOf(t: Omit<DetailedTiming, "refreshHz">): number | null {
  const total = (t.hActive + t.hBlank) * (t.vActive + t.vBlank + (t.interlaced ? 0.5 : 0));
  return total > 0 && t.pixelClockKHz > 0 ? (t.pixelClockKHz * 1000) / total : null;
}

const orNull = (x: number): number | null => (x === 0 ? null : x);

/**
 * An 18-byte detailed timing descriptor (E-EDID 1.4, 3.10.2). Call only when its clock is not 0.
 * @example readDetailed(edidBytes, 54).vActive // 1080
 */
export function readDetailed(b: Uint8Array, o: number): DetailedTiming {
  const at = (i: number) => b[o + i]!;
  const t = {
    pixelClockKHz: (at(0) | (at(1) << 8)) * 10,
    hActive: at(2) | ((at(4) & 0xf0) << 4),
    hBlank: at(3) | ((at(4) & 0x0f) << 8),
    hFront: at(8) | ((at(11) & 0xc0) << 2),
    hSync: at(9) | ((at(11) & 0x30) << 4),
    vActive: at(5) | ((at(7) & 0xf0) << 4),
    vBlank: at(6) | ((at(7) & 0x0f) << 8),
    vFront: (at(10) >> 4) | ((at(11) & 0x0c) << 2),
    vSync: (at(10) & 0x0f) | ((at(11) & 0x03) << 4),
    widthMm: orNull(at(12) | ((at(14) & 0xf0) << 4)),
    heightMm: orNull(at(13) | ((at(14) & 0x0f) << 8)),
    interlaced: (at(17) & 0x80) !== 0,
  };
  return { ...t, refreshHz: refreshOf(t) };
}

/**
 * Why the base block cannot hold a timing, or null.
 * @example detailedProblem({ ...timing, hActive: 5000 }) === null // false
 */
export function detailedProblem(t: DetailedTiming): string | null {
  if (t.pixelClockKHz % 10 !== 0) return `a clock of ${t.pixelClockKHz} kHz: the base block counts in steps of 10 kHz`;
  if (t.pixelClockKHz > 655_350) return `a clock of ${t.pixelClockKHz} kHz: the base block ends at 655350 kHz`;
  if (t.pixelClockKHz < 10) return `a clock of ${t.pixelClockKHz} kHz: at least 10 kHz`;
  const limits: [keyof DetailedTiming, number][] = [
    ["hActive", 4095],
    ["hBlank", 4095],
    ["vActive", 4095],
    ["vBlank", 4095],
    ["hFront", 1023],
    ["hSync", 1023],
    ["vFront", 63],
    ["vSync", 63],
    ["widthMm", 4095],
    ["heightMm", 4095],
  ];
  for (const [k, most] of limits) {
    const x = t[k] as number | null;
    if (x !== null && (!Number.isInteger(x) || x < 0 || x > most)) return `${k} of ${x}: the base block holds 0 to ${most}`;
  }
  return null;
}

/**
 * Writes a detailed timing over 18 bytes; what it does not know (borders, sync flags) is kept.
 * @example writeDetailed(timing, new Uint8Array(128), 54)
 */
export function writeDetailed(t: DetailedTiming, b: Uint8Array, o: number): void {
  const clock = t.pixelClockKHz / 10;
  const w = t.widthMm ?? 0;
  const h = t.heightMm ?? 0;
  b[o] = clock & 0xff;
  b[o + 1] = clock >> 8;
  b[o + 2] = t.hActive & 0xff;
  b[o + 3] = t.hBlank & 0xff;
  b[o + 4] = ((t.hActive >> 8) << 4) | (t.hBlank >> 8);
  b[o + 5] = t.vActive & 0xff;
  b[o + 6] = t.vBlank & 0xff;
  b[o + 7] = ((t.vActive >> 8) << 4) | (t.vBlank >> 8);
  b[o + 8] = t.hFront & 0xff;
  b[o + 9] = t.hSync & 0xff;
  b[o + 10] = ((t.vFront & 0x0f) << 4) | (t.vSync & 0x0f);
  b[o + 11] = ((t.hFront >> 8) << 6) | ((t.hSync >> 8) << 4) | ((t.vFront >> 4) << 2) | (t.vSync >> 4);
  b[o + 12] = w & 0xff;
  b[o + 13] = h & 0xff;
  b[o + 14] = ((w >> 8) << 4) | (h >> 8);
  b[o + 17] = (b[o + 17]! & 0x7f) | (t.interlaced ? 0x80 : 0);
}
