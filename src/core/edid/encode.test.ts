import { base, withBlock } from "@tests/edidBytes";
import { seededRandom } from "@tests/randomActs";
import { runs } from "@tests/scale";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type DetailedTiming, decodeEdid, type EdidInput, encodeEdid } from ".";

describe("encodeEdid", () => {
  const timing = (more: Partial<DetailedTiming> = {}): DetailedTiming => ({ ...decodeEdid(base()).detailedTimings[0]!, ...more });
  it("gives sound blocks back byte for byte, what it does not understand included", () => {
    const r = seededRandom(5);
    for (let n = 0; n < runs(500); n++) {
      const b = base((x) => {
        for (let i = 25; i < 54; i++) x[i] = Math.floor(r() * 256);
        for (let i = 113; i < 126; i++) x[i] = Math.floor(r() * 256);
        x[69] = Math.floor(r() * 256);
        x[70] = Math.floor(r() * 256);
        x[24] = Math.floor(r() * 256);
      });
      expect(encodeEdid(decodeEdid(b))).toEqual({ ok: true, bytes: b });
    }
    const ext = withBlock(Uint8Array.from({ length: 128 }, (_, i) => (i === 0 ? 0x40 : i)));
    expect(encodeEdid(decodeEdid(ext))).toEqual({ ok: true, bytes: ext });
  });
  it("decode(encode(x)) = x within what EDID can hold", () => {
    const text = fc
      .string({ unit: fc.constantFrom(..."ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789-. "), maxLength: 13 })
      .filter((t) => !t.endsWith(" "));
    const t = fc.record({
      pixelClockKHz: fc.integer({ min: 100, max: 65_535 }).map((x) => x * 10),
      hActive: fc.integer({ min: 1, max: 4095 }),
      hBlank: fc.integer({ min: 1, max: 4095 }),
      hFront: fc.integer({ min: 0, max: 1023 }),
      hSync: fc.integer({ min: 0, max: 1023 }),
      vActive: fc.integer({ min: 1, max: 4095 }),
      vBlank: fc.integer({ min: 1, max: 4095 }),
      vFront: fc.integer({ min: 0, max: 63 }),
      vSync: fc.integer({ min: 0, max: 63 }),
      widthMm: fc.option(fc.integer({ min: 1, max: 4095 })),
      heightMm: fc.option(fc.integer({ min: 1, max: 4095 })),
      interlaced: fc.boolean(),
    });
    const input = fc.record({
      manufacturerId: fc.option(
        fc.string({ unit: fc.constantFrom(..."ABCDEFGHIJKLMNOPQRSTUVWXYZ"), minLength: 3, maxLength: 3 }),
      ),
      productCode: fc.integer({ min: 0, max: 65_535 }),
      serialNumber: fc.option(fc.integer({ min: 1, max: 0xffffffff })),
      week: fc.option(fc.integer({ min: 1, max: 54 })),
      year: fc.integer({ min: 1990, max: 2245 }),
      bitsPerColor: fc.constantFrom(null, 6, 8, 10, 12, 14, 16),
      size: fc.option(fc.tuple(fc.integer({ min: 1, max: 255 }), fc.integer({ min: 1, max: 255 }))),
      detailedTimings: fc.array(t, { maxLength: 2 }),
      texts: fc.array(fc.record({ tag: fc.constantFrom(0xfc, 0xfe, 0xff), text }), { maxLength: 2 }),
    });
    fc.assert(
      fc.property(input, ({ size, ...x }) => {
        const given = {
          ...x,
          widthCm: size?.[0] ?? null,
          heightCm: size?.[1] ?? null,
          detailedTimings: x.detailedTimings.map((d) => ({ ...d, refreshHz: null })),
        };
        const r = encodeEdid(given as EdidInput);
        if (!r.ok) throw new Error(r.problem);
        const e = decodeEdid(r.bytes);
        expect(e.problems).toEqual([]);
        const { detailedTimings, ...rest } = given;
        expect(e).toMatchObject(rest);
        expect(e.detailedTimings.map(({ refreshHz, ...d }) => d)).toEqual(x.detailedTimings);
      }),
      { numRuns: runs(200) },
    );
  });
  it("what the base block cannot hold is the problem, or goes to a DisplayID block when allowed", () => {
    const fast = timing({
      pixelClockKHz: 1_188_000,
      hActive: 3840,
      vActive: 2160,
      hBlank: 80,
      vBlank: 100,
      widthMm: null,
      heightMm: null,
    });
    const odd = timing({ pixelClockKHz: 138_505, widthMm: null, heightMm: null });
    expect(encodeEdid({ detailedTimings: [fast] })).toEqual({ ok: false, problem: expect.stringMatching(/655350/) });
    expect(encodeEdid({ detailedTimings: [odd] })).toEqual({ ok: false, problem: expect.stringMatching(/10 kHz/) });
    expect(encodeEdid({ detailedTimings: [timing({ hActive: 5120 })] })).toEqual({
      ok: false,
      problem: expect.stringMatching(/hActive of 5120/),
    });
    const r = encodeEdid({ detailedTimings: [timing(), fast, odd, fast, odd, fast, odd, fast] }, { allowExtensions: true });
    if (!r.ok) throw new Error(r.problem);
    const e = decodeEdid(r.bytes);
    expect(e.problems).toEqual([]);
    expect(e.extensions).toEqual([
      { tag: 0x70, revision: 0x20, checksumOk: true },
      { tag: 0x70, revision: 0x20, checksumOk: true },
    ]);
    expect(e.detailedTimings.map((t) => t.pixelClockKHz)).toEqual([
      138_500, 1_188_000, 138_505, 1_188_000, 138_505, 1_188_000, 138_505, 1_188_000,
    ]);
  });
  it("names texts, sizes and ids that do not go in", () => {
    const no = (x: EdidInput) => {
      const r = encodeEdid(x);
      return r.ok ? "ok" : r.problem;
    };
    expect(no({ texts: [{ tag: 0xfe, text: "GV140FHB-K31-LONG" }] })).toMatch(/17 characters: 13 at most/);
    expect(no({ widthCm: 300, heightCm: 20 })).toMatch(/widthCm 300/);
    expect(no({ widthCm: 30 })).toMatch(/both or neither/);
    expect(no({ manufacturerId: "gv1" })).toMatch(/three capital letters/);
    expect(no({ bitsPerColor: 9 })).toMatch(/bitsPerColor 9/);
    expect(no({ week: 60 })).toMatch(/week 60/);
    expect(no({ texts: Array.from({ length: 5 }, () => ({ tag: 0xfe, text: "x" })) })).toMatch(/four places/);
  });
  it("emptied fields stand as zero, as the standard has it; a model year is week 255", () => {
    const b = base();
    const to = (x: EdidInput) => {
      const r = encodeEdid({ ...decodeEdid(b), ...x });
      if (!r.ok) throw new Error(r.problem);
      return r.bytes;
    };
    expect([...to({ serialNumber: null }).slice(12, 16)]).toEqual([0, 0, 0, 0]);
    expect([...to({ serialNumber: 0xfedcba98 }).slice(12, 16)]).toEqual([0x98, 0xba, 0xdc, 0xfe]);
    expect(to({ week: null, modelYear: true })[16]).toBe(0xff);
    expect(to({ week: 33, modelYear: false })[16]).toBe(33);
    expect(to({ week: null, modelYear: false })[16]).toBe(0);
    expect(to({ manufacturerId: null }).slice(8, 10)).toEqual(Uint8Array.of(0, 0));
    expect(to({ productCode: 0x1234 }).slice(10, 12)).toEqual(Uint8Array.of(0x34, 0x12));
    expect(encodeEdid({ ...decodeEdid(b), serialNumber: 2 ** 32 })).toMatchObject({ ok: false });
  });
  it("the colour depth takes bits 4 to 6 of byte 20 and leaves the others", () => {
    const b = base();
    for (const [bits, code] of [
      [6, 1],
      [8, 2],
      [10, 3],
      [12, 4],
      [14, 5],
      [16, 6],
    ] as const) {
      const r = encodeEdid({ ...decodeEdid(b), bitsPerColor: bits });
      if (!r.ok) throw new Error(r.problem);
      expect((r.bytes[20]! >> 4) & 7).toBe(code);
      expect(r.bytes[20]! & 0x8f).toBe(b[20]! & 0x8f);
    }
  });
  it("a changed field changes its bytes and the checksum, nothing else", () => {
    const b = base();
    const r = encodeEdid({ ...decodeEdid(b), serialNumber: 7 });
    if (!r.ok) throw new Error(r.problem);
    const differ = [...b.keys()].filter((i) => b[i] !== r.bytes[i]);
    expect(differ.every((i) => (i >= 12 && i < 16) || i === 127)).toBe(true);
    expect(decodeEdid(r.bytes)).toMatchObject({ serialNumber: 7, problems: [] });
  });
});
