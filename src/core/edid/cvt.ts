export interface CvtInput {
  hActive: number;
  vActive: number;
  refreshHz: number;
  /** Reduced blanking version 1 or 2 of VESA CVT. */
  version: 1 | 2;
}

/** A whole modeline. Pixels and lines; clock in kHz. */
export interface Modeline {
  pixelClockKHz: number;
  hActive: number;
  hFront: number;
  hSync: number;
  hBack: number;
  hBlank: number;
  hTotal: number;
  vActive: number;
  vFront: number;
  vSync: number;
  vBack: number;
  vBlank: number;
  vTotal: number;
  /** Rate that comes out of clock and totals, unrounded. */
  refreshHz: number;
}

/** Least time of vertical blanking, microseconds (CVT 1.2, reduced blanking). */
const RB_MIN_VBLANK_US = 460;

/** Floor of a quotient that should be exact but is not, because of binary fractions. */
const guardedFloor = (x: number): number => Math.floor(x + 1e-6 * Math.max(1, Math.abs(x)) * 1e-3);

/** Lines of vertical sync by aspect ratio, version 1 (CVT 1.2, table 3-2); 10 for any other. */
function syncLines(h: number, v: number): number {
  const is = (a: number, b: number, cell = 8) => cell * Math.floor((v * a) / b / cell) === h;
  if (is(4, 3)) return 4;
  if (is(16, 9)) return 5;
  if (is(16, 10)) return 6;
  if (is(5, 4)) return 7;
  if (is(15, 9)) return 7;
  return 10;
}

/**
 * The modeline of VESA CVT reduced blanking. Version 1 rounds the width down to 8 and steps the clock by 0.25 MHz; version 2
 * rounds nothing and steps it by 1 kHz. Progressive, no margins.
 * @param input active pixels 1 to 65535, refresh over 0 to 1000 Hz
 * @throws RangeError when a figure is not in its range, or the rate leaves no time for blanking
 * @example cvtReducedBlanking({ hActive: 1920, vActive: 1080, refreshHz: 60, version: 1 }).pixelClockKHz // 138500
 */
export function cvtReducedBlanking({ hActive, vActive, refreshHz, version }: CvtInput): Modeline {
  for (const [name, x] of [
    ["hActive", hActive],
    ["vActive", vActive],
  ] as const)
    if (!Number.isInteger(x) || x < 1 || x > 65_535)
      throw new RangeError(`${name}: expected a whole number from 1 to 65535, got ${x}`);
  if (!(refreshHz > 0 && refreshHz <= 1000)) throw new RangeError(`refreshHz: expected over 0 to 1000 Hz, got ${refreshHz}`);
  const h = version === 1 ? Math.floor(hActive / 8) * 8 : hActive;
  if (h < 1) throw new RangeError(`hActive: ${hActive} is narrower than one cell of 8 pixels`);
  const vSync = version === 1 ? syncLines(h, vActive) : 8;
  const left = 1_000_000 / refreshHz - RB_MIN_VBLANK_US;
  if (left <= 0) throw new RangeError(`refreshHz: ${refreshHz} Hz leaves no time for 460 us of blanking`);
  const linePeriodUs = left / vActive;
  const least = version === 1 ? 3 + vSync + 6 : 1 + 8 + 6;
  const vBlank = Math.max(guardedFloor(RB_MIN_VBLANK_US / linePeriodUs) + 1, least);
  const vFront = version === 1 ? 3 : vBlank - 8 - 6;
  const vBack = vBlank - vFront - vSync;
  const [hFront, hSync, hBack] = version === 1 ? [48, 32, 80] : [8, 32, 40];
  const hBlank = hFront + hSync + hBack;
  const hTotal = h + hBlank;
  const vTotal = vActive + vBlank;
  const stepHz = version === 1 ? 250_000 : 1000;
  const pixelClockKHz = (guardedFloor((refreshHz * hTotal * vTotal) / stepHz) * stepHz) / 1000;
  return {
    pixelClockKHz,
    hActive: h,
    hFront,
    hSync,
    hBack,
    hBlank,
    hTotal,
    vActive,
    vFront,
    vSync,
    vBack,
    vBlank,
    vTotal,
    refreshHz: (pixelClockKHz * 1000) / (hTotal * vTotal),
  };
}
