import { base, fixSum, timing, withBlock } from "@tests/edidBytes";
import { describe, expect, it } from "vitest";
import { decodeEdid } from ".";
import { blockSum } from "./decode";
import { readDisplayId, typeViiProblem, writeDisplayId } from "./displayId";
import { writeDetailed } from "./timing";

// Bit by bit from the tables of VESA E-EDID 1.4 and DisplayID, written down here a second time.
const one = (change: (b: Uint8Array) => void) => decodeEdid(base(change));
describe("E-EDID, table by table", () => {
  it.each([
    [35, 0x80, 720, 400, 70],
    [35, 0x40, 720, 400, 88],
    [35, 0x20, 640, 480, 60],
    [35, 0x10, 640, 480, 67],
    [35, 0x08, 640, 480, 72],
    [35, 0x04, 640, 480, 75],
    [35, 0x02, 800, 600, 56],
    [35, 0x01, 800, 600, 60],
    [36, 0x80, 800, 600, 72],
    [36, 0x40, 800, 600, 75],
    [36, 0x20, 832, 624, 75],
    [36, 0x08, 1024, 768, 60],
    [36, 0x04, 1024, 768, 70],
    [36, 0x02, 1024, 768, 75],
    [36, 0x01, 1280, 1024, 75],
    [37, 0x80, 1152, 870, 75],
  ])("established timing at byte %i, bit %i", (byte, bit, h, v, hz) => {
    const e = one((b) => {
      b.set([0, 0, 0], 35);
      b[byte] = bit;
    });
    expect(e.establishedTimings).toEqual([{ h, v, hz, interlaced: false }]);
  });
  it("the one established timing that is interlaced; the maker's own bits are none", () => {
    const e = one((b) => b.set([0, 0x10, 0x7f], 35));
    expect(e.establishedTimings).toEqual([{ h: 1024, v: 768, hz: 87, interlaced: true }]);
  });
  it.each([
    [4, 0b00, 1280, 800],
    [4, 0b01, 1280, 960],
    [4, 0b10, 1280, 1024],
    [4, 0b11, 1280, 720],
    [3, 0b00, 1280, 800],
    [2, 0b00, 1280, 1280],
    [2, 0b11, 1280, 720],
  ])("standard timing of revision 1.%i with aspect %i", (revision, aspect, h, v) => {
    const e = one((b) => {
      b[19] = revision;
      b.set([129, (aspect << 6) | 15], 38);
      b.set([0, 15], 40);
      b.set([1, 0xc0], 52);
    });
    expect(e.standardTimings).toEqual([
      { h, v, hz: 75 },
      { h: 256, v: 144, hz: 60 },
    ]);
  });
  it("chromaticity: ten bits each, the low two of two bytes shared", () => {
    const names = ["rx", "ry", "gx", "gy", "bx", "by", "wx", "wy"] as const;
    for (const [i, name] of names.entries()) {
      const e = one((b) => {
        b.fill(0, 25, 35);
        b[27 + i] = 0b10010110;
        b[25 + (i >> 2)] = 0b11 << (6 - 2 * (i & 3));
      });
      expect(e.chromaticity).toEqual({ ...Object.fromEntries(names.map((n) => [n, 0])), [name]: 0b1001011011 / 1024 });
    }
  });
  it.each([
    [4, 0b0000, 48, 75, 30, 83],
    [4, 0b0010, 48, 330, 30, 83],
    [4, 0b0011, 303, 330, 30, 83],
    [4, 0b1000, 48, 75, 30, 338],
    [4, 0b1100, 48, 75, 285, 338],
    [4, 0b1110, 48, 330, 285, 338],
    [3, 0b1111, 48, 75, 30, 83],
  ])("range limits of revision 1.%i with offsets %i", (revision, flags, minVHz, maxVHz, minHKHz, maxHKHz) => {
    const limits = (clock: number) =>
      one((b) => {
        b[19] = revision;
        b.set([0, 0, 0, 0xfd, flags, 48, 75, 30, 83, clock, 0, 10], 108);
      }).rangeLimits;
    expect(limits(17)).toEqual({ minVHz, maxVHz, minHKHz, maxHKHz, maxClockMHz: 170 });
    expect(limits(0)?.maxClockMHz).toBeNull();
  });
  it.each([
    [0, null],
    [1, 6],
    [2, 8],
    [3, 10],
    [4, 12],
    [5, 14],
    [6, 16],
    [7, null],
  ])("colour depth code %i", (code, bits) => {
    expect(one((b) => b.set([0x80 | (code << 4)], 20)).bitsPerColor).toBe(bits);
    // An analogue input and a revision before 1.4 say nothing there.
    expect(one((b) => b.set([code << 4], 20)).bitsPerColor).toBeNull();
  });
  it("a manufacturer's letters run from A to Z and nowhere else", () => {
    const id = (word: number) => one((b) => b.set([word >> 8, word & 255], 8));
    expect(id((1 << 10) | (26 << 5) | 1).manufacturerId).toBe("AZA");
    for (const word of [0x8000 | (1 << 10) | (1 << 5) | 1, (27 << 10) | (1 << 5) | 1, (1 << 10) | 1, (1 << 10) | (1 << 5)]) {
      const e = id(word);
      expect(e.manufacturerId).toBeNull();
      expect(e.problems.map((p) => p.offset)).toEqual([8]);
    }
    expect(id(0)).toMatchObject({ manufacturerId: null, problems: [] });
  });
  it("week 54 is a week, 55 is not; a year counts from 1990", () => {
    const e = one((b) => b.set([54, 0], 16));
    expect(e).toMatchObject({ week: 54, year: 1990, modelYear: false, problems: [] });
    expect(one((b) => b.set([55, 255], 16))).toMatchObject({ week: null, year: 2245, problems: [{ offset: 16 }] });
    expect(one((b) => b.set([255, 1], 16))).toMatchObject({ week: null, modelYear: true, year: 1991, problems: [] });
  });
  it("a size with one of the two at 0 is an aspect ratio, not a size", () => {
    for (const [w, h] of [
      [79, 0],
      [0, 79],
    ] as const)
      expect(one((b) => b.set([w, h], 21))).toMatchObject({ widthCm: null, heightCm: null });
  });
});

describe("timings of a CTA-861 block", () => {
  const dtd = () => {
    const d = new Uint8Array(18);
    writeDetailed(timing(), d, 0);
    return d;
  };
  const cta = (from: number, put: (b: Uint8Array) => void = () => undefined) => {
    const b = new Uint8Array(128);
    b.set([0x02, 3, from, 0]);
    put(b);
    return decodeEdid(withBlock(b));
  };
  it("begin where byte 2 says, follow at 18 bytes and end before the checksum", () => {
    const two = cta(4, (b) => {
      b.set(dtd(), 4);
      b.set(dtd(), 22);
    });
    expect(two.detailedTimings).toHaveLength(3);
    expect(cta(109, (b) => b.set(dtd(), 109)).detailedTimings).toHaveLength(2);
    expect(cta(110, (b) => b.set(dtd().subarray(0, 17), 110)).detailedTimings).toHaveLength(1);
    // Only the high byte of the clock is set: a timing all the same.
    const low = dtd();
    low[0] = 0;
    expect(cta(4, (b) => b.set(low, 4)).detailedTimings[1]!.pixelClockKHz).toBe(0x3600 * 10);
  });
  it("none where byte 2 is 0; a place outside the block is named", () => {
    expect(cta(0, (b) => b.set(dtd(), 4))).toMatchObject({ problems: [], detailedTimings: { length: 1 } });
    for (const from of [1, 3, 128, 255])
      expect(cta(from).problems).toMatchObject([{ offset: 130, severity: "error", found: String(from) }]);
    for (const from of [4, 127]) expect(cta(from).problems).toEqual([]);
  });
  it("an extension's checksum is held to as the base block's is", () => {
    const b = withBlock(Uint8Array.of(0x02, 3, 0, 0));
    b[255] = (b[255]! + 1) & 255;
    const e = decodeEdid(b);
    expect(e.extensions).toEqual([{ tag: 2, revision: 3, checksumOk: false }]);
    expect(e.problems.map((p) => p.offset)).toEqual([255]);
    expect(blockSum(b, 128)).toBe(1);
  });
  it("a block map has no revision", () => {
    expect(decodeEdid(withBlock(Uint8Array.of(0xf0, 2))).extensions).toEqual([{ tag: 0xf0, revision: null, checksumOk: true }]);
  });
});

describe("DisplayID timings", () => {
  it("type I counts 10 kHz, type VII 1 kHz, and both store one less", () => {
    const b = writeDisplayId([timing()]);
    expect([...b.subarray(0, 12)]).toEqual([0x70, 0x20, 23, 0, 0, 0x22, 0, 20, 0x03, 0x1d, 0x02, 0x88]);
    expect([...b.subarray(12, 28)]).toEqual([127, 7, 159, 0, 47, 0, 31, 0, 55, 4, 30, 0, 2, 0, 4, 0]);
    b[5] = 0x03;
    expect(readDisplayId(b, 0, [])[0]!.pixelClockKHz).toBe(1_385_000);
  });
  it("an interlaced frame is told per field", () => {
    const t = timing({ interlaced: true, vActive: 540, vBlank: 15, vFront: 2, vSync: 5, widthMm: null, heightMm: null });
    const b = writeDisplayId([t]);
    expect(b[11]! & 0x10).toBe(0x10);
    expect(b[20]! | (b[21]! << 8)).toBe(1079);
    expect(readDisplayId(b, 0, [])).toEqual([t]);
  });
  it("polarity bits above a front porch are not part of it", () => {
    const b = writeDisplayId([timing()]);
    b[17]! |= 0x80;
    b[25]! |= 0x80;
    expect(readDisplayId(b, 0, [])[0]).toMatchObject({ hFront: 48, vFront: 3 });
  });
  it("five fill a section, six times 20 bytes do not fit one of 121", () => {
    const five = writeDisplayId(Array.from({ length: 5 }, () => timing()));
    fixSum(five, 0);
    const problems: never[] = [];
    expect(readDisplayId(five, 0, problems)).toHaveLength(5);
    expect(problems).toEqual([]);
    expect(five[8 + 3]! & 0x80).toBe(0x80);
    expect(five[28 + 3]! & 0x80).toBe(0);
  });
  it("a wrong section checksum is named at its byte; what stands is read all the same", () => {
    const b = writeDisplayId([timing()]);
    const right = b[28]!;
    b[28] = (right + 3) & 255;
    const problems: { offset: number; expected: string }[] = [];
    expect(readDisplayId(b, 0, problems as never)).toHaveLength(1);
    expect(problems).toMatchObject([{ offset: 28, expected: `DisplayID checksum 0x${right.toString(16).padStart(2, "0")}` }]);
  });
  it("121 bytes are a section, 122 are not; a data block past its end is named", () => {
    const b = new Uint8Array(128);
    b.set([0x70, 0x20, 121]);
    fixSum(b, 0);
    const at = (bytes: Uint8Array) => {
      const problems: { offset: number }[] = [];
      readDisplayId(bytes, 0, problems as never);
      return problems.map((p) => p.offset);
    };
    let sum = 0;
    for (let i = 1; i < 126; i++) sum += b[i]!;
    b[126] = -sum & 255;
    expect(at(b)).toEqual([]);
    b[2] = 122;
    expect(at(b)).toEqual([2]);
    const long = writeDisplayId([timing()]);
    long[7] = 21;
    long[28] = (long[28]! - 1) & 255;
    expect(at(long)).toEqual([7]);
  });
  it("a type VII step wider than 20 bytes is walked over", () => {
    const b = new Uint8Array(128);
    const t = writeDisplayId([timing()]).subarray(8, 28);
    b.set([0x70, 0x20, 3 + 44, 0, 0, 0x22, 0x20, 44]);
    b.set(t, 8);
    b.set(t, 30);
    expect(readDisplayId(b, 0, []).map((x) => x.hActive)).toEqual([1920, 1920]);
  });
  it.each([
    ["pixelClockKHz", 16_777_216],
    ["hActive", 65_536],
    ["hBlank", 65_536],
    ["hFront", 32_768],
    ["hSync", 65_536],
    ["vActive", 65_536],
    ["vBlank", 65_536],
    ["vFront", 32_768],
    ["vSync", 65_536],
  ] as const)("%s goes up to %i and no further", (k, most) => {
    expect(typeViiProblem(timing({ [k]: most }))).toBeNull();
    expect(typeViiProblem(timing({ [k]: 1 }))).toBeNull();
    for (const x of [most + 1, 0, 1.5]) expect(typeViiProblem(timing({ [k]: x }))).not.toBeNull();
    if (k.startsWith("v")) {
      expect(typeViiProblem(timing({ interlaced: true, [k]: most / 2 }))).toBeNull();
      expect(typeViiProblem(timing({ interlaced: true, [k]: most / 2 + 1 }))).not.toBeNull();
    }
  });
});
