import { cvtReducedBlanking, type EncodedEdid, encodeEdid } from "../edid";
import type { Panel } from "./schema";

/** Where a machine's EDID is read, real or simulated. */
export interface EdidPort {
  read(): Promise<{ ok: true; bytes: Uint8Array } | { ok: false; problem: string }>;
}

/**
 * A valid EDID for a panel of the catalogue: its code in a text (13 characters at most, as panel makers do), its first mode
 * by CVT when no timing is known, its active area in mm.
 * @returns a problem when the resolution is not known
 * @example panelEdid(panel).ok // true
 */
export function panelEdid(p: Panel): EncodedEdid {
  const px = p.pixels.value;
  if (!px) return { ok: false, problem: `${p.code}: the resolution is not known.` };
  // 1366 is no multiple of 8: its timing is DMT 0x56, never CVT.
  const t =
    px.h === 1366 && px.v === 768
      ? {
          pixelClockKHz: 72_000,
          hActive: 1366,
          hBlank: 134,
          hFront: 14,
          hSync: 56,
          vActive: 768,
          vBlank: 32,
          vFront: 1,
          vSync: 3,
        }
      : cvtReducedBlanking({ hActive: px.h, vActive: px.v, refreshHz: p.refreshHz.value ?? 60, version: 1 });
  const active = p.active.value;
  const letters = p.code.toUpperCase().replace(/[^A-Z]/g, "");
  return encodeEdid({
    manufacturerId: letters.padEnd(3, "Q").slice(0, 3),
    productCode: [...p.code].reduce((h, c) => (h * 31 + c.charCodeAt(0)) & 0xffff, 7),
    week: null,
    year: 2022,
    bitsPerColor: p.colourBits.value,
    widthCm: active ? Math.round(active.widthMm / 10) : null,
    heightCm: active ? Math.round(active.heightMm / 10) : null,
    detailedTimings: [
      {
        pixelClockKHz: t.pixelClockKHz,
        hActive: t.hActive,
        hBlank: t.hBlank,
        hFront: t.hFront,
        hSync: t.hSync,
        vActive: t.vActive,
        vBlank: t.vBlank,
        vFront: t.vFront,
        vSync: t.vSync,
        widthMm: active ? Math.round(active.widthMm) : null,
        heightMm: active ? Math.round(active.heightMm) : null,
        interlaced: false,
        refreshHz: null,
      },
    ],
    texts: [{ tag: 0xfe, text: p.code.slice(0, 13).trimEnd() }],
  });
}
