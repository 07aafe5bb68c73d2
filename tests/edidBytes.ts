import { refreshOf } from "@/core/edid/timing";
import type { DetailedTiming } from "@/core/edid/types";

/** Bits put together by hand, field by field, as the standard's tables list them: shares nothing with the product's writer. */
export function base(change: (b: Uint8Array) => void = () => undefined): Uint8Array {
  const b = new Uint8Array(128);
  b.set([0, 255, 255, 255, 255, 255, 255, 0]);
  // "GVX": G=7, V=22, X=24 -> 00111 10110 11000
  b.set([0b00011110, 0b11011000, 0x34, 0x12, 0x78, 0x56, 0x34, 0x12, 23, 34, 1, 4], 8);
  b.set([0b10100101, 31, 17, 120, 0x02], 20);
  for (let i = 38; i < 54; i++) b[i] = 1;
  // 1920 x 1080: 138.50 MHz = 13850, blank 160 x 31, front 48 / 3, sync 32 / 5, 309 x 174 mm
  b.set([0x1a, 0x36, 0x80, 0xa0, 0x70, 0x38, 0x1f, 0x40, 0x30, 0x20, 0x35, 0x00, 0x35, 0xae, 0x10, 0, 0, 0x18], 54);
  const text = (o: number, tag: number, t: string) => {
    b.set([0, 0, 0, tag, 0], o);
    for (let i = 0; i < 13; i++) b[o + 5 + i] = i < t.length ? t.charCodeAt(i) : i === t.length ? 0x0a : 0x20;
  };
  text(72, 0xfe, "Quillhaven");
  text(90, 0xfe, "GV140FHB-K31");
  b.set([0, 0, 0, 0x0f, 0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13], 108);
  change(b);
  let s = 0;
  for (let i = 0; i < 127; i++) s += b[i]!;
  b[127] = (256 - (s % 256)) % 256;
  return b;
}
export const fixSum = (b: Uint8Array, o: number) => {
  let s = 0;
  for (let i = 0; i < 127; i++) s += b[o + i]!;
  b[o + 127] = (256 - (s % 256)) % 256;
};
export const withBlock = (block: Uint8Array): Uint8Array => {
  const out = new Uint8Array(256);
  out.set(
    base((b) => {
      b[126] = 1;
    }),
  );
  out.set(block, 128);
  fixSum(out, 128);
  return out;
};

/** 1920 x 1080 at 138.50 MHz with what a test wants otherwise. */
export const timing = (over: Partial<DetailedTiming> = {}): DetailedTiming => {
  const t = {
    pixelClockKHz: 138_500,
    hActive: 1920,
    hBlank: 160,
    hFront: 48,
    hSync: 32,
    vActive: 1080,
    vBlank: 31,
    vFront: 3,
    vSync: 5,
    widthMm: 309,
    heightMm: 174,
    interlaced: false,
    ...over,
  };
  return { ...t, refreshHz: refreshOf(t) };
};
