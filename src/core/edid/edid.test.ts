import { seededRandom } from "@tests/randomActs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  cvtReducedBlanking,
  type DetailedTiming,
  decodeEdid,
  type EdidInput,
  type EdpInput,
  edpBudget,
  encodeEdid,
  lvdsBudget,
  readEdidText,
} from ".";

describe("CVT reduced blanking", () => {
  /** Published figures: clock in kHz, totals. */
  const published: [number, number, number, 1 | 2, number, number?, number?][] = [
    [1920, 1080, 60, 1, 138_500, 2080, 1111],
    [1600, 900, 60, 1, 97_750, 1760, 926],
    [2256, 1504, 60, 1, 224_250],
    [3840, 2160, 60, 1, 533_250, 4000, 2222],
    [1920, 1080, 120, 1, 285_500],
    [1920, 1200, 60, 1, 154_000, 2080, 1235],
    [1680, 1050, 60, 1, 119_000, 1840, 1080],
    [1440, 900, 60, 1, 88_750, 1600, 926],
    [1280, 800, 60, 1, 71_000, 1440, 823],
    [1280, 768, 60, 1, 68_250, 1440, 790],
    [1400, 1050, 60, 1, 101_000, 1560, 1080],
    [2560, 1600, 60, 1, 268_500, 2720, 1646],
    [1024, 768, 60, 1, 56_000],
  ];
  for (const [h, v, hz, version, clock, hTotal, vTotal] of published)
    it(`${h} x ${v} at ${hz} Hz, version ${version}: ${clock} kHz`, () => {
      const m = cvtReducedBlanking({ hActive: h, vActive: v, refreshHz: hz, version });
      expect(m.pixelClockKHz).toBe(clock);
      if (hTotal) expect([m.hTotal, m.vTotal]).toEqual([hTotal, vTotal]);
    });
  it("adds up, keeps its least blanking, and comes no more than one step under the rate asked", () => {
    const modes = fc.record({
      hActive: fc.integer({ min: 320, max: 8192 }),
      vActive: fc.integer({ min: 240, max: 8192 }),
      refreshHz: fc.integer({ min: 24, max: 240 }),
      version: fc.constantFrom<1 | 2>(1, 2),
    });
    fc.assert(
      fc.property(modes, (i) => {
        const m = cvtReducedBlanking(i);
        expect(m.hFront + m.hSync + m.hBack).toBe(m.hBlank);
        expect(m.hActive + m.hBlank).toBe(m.hTotal);
        expect(m.vFront + m.vSync + m.vBack).toBe(m.vBlank);
        expect(m.vActive + m.vBlank).toBe(m.vTotal);
        expect(m.vBack).toBeGreaterThanOrEqual(6);
        expect(m.vFront).toBeGreaterThanOrEqual(1);
        expect(m.pixelClockKHz % (i.version === 1 ? 250 : 1)).toBe(0);
        expect(m.hActive).toBe(i.version === 1 ? i.hActive - (i.hActive % 8) : i.hActive);
        expect(m.refreshHz).toBeLessThanOrEqual(i.refreshHz * (1 + 1e-9));
        expect(((i.refreshHz - m.refreshHz) * m.hTotal * m.vTotal) / 1000).toBeLessThan((i.version === 1 ? 250 : 1) + 0.01);
      }),
    );
  });
  it("refuses figures out of range, naming them", () => {
    expect(() => cvtReducedBlanking({ hActive: 0, vActive: 10, refreshHz: 60, version: 1 })).toThrow(/hActive/);
    expect(() => cvtReducedBlanking({ hActive: 800, vActive: 600, refreshHz: 2500, version: 1 })).toThrow(/refreshHz/);
  });
});

/** Bits put together by hand, field by field, as the standard's tables list them: shares nothing with the product's writer. */
function base(change: (b: Uint8Array) => void = () => undefined): Uint8Array {
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
const fixSum = (b: Uint8Array, o: number) => {
  let s = 0;
  for (let i = 0; i < 127; i++) s += b[o + i]!;
  b[o + 127] = (256 - (s % 256)) % 256;
};
const withBlock = (block: Uint8Array): Uint8Array => {
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

describe("decodeEdid", () => {
  it("reads every field of a base block", () => {
    const e = decodeEdid(base());
    expect(e).toMatchObject({
      manufacturerId: "GVX",
      productCode: 0x1234,
      serialNumber: 0x12345678,
      week: 23,
      year: 2024,
      version: 1,
      revision: 4,
      digital: true,
      bitsPerColor: 8,
      widthCm: 31,
      heightCm: 17,
      gamma: 2.2,
      extensions: [],
      problems: [],
    });
    expect(e.texts).toEqual([
      { tag: 0xfe, text: "Quillhaven" },
      { tag: 0xfe, text: "GV140FHB-K31" },
    ]);
    expect(e.descriptors.map((d) => [d.offset, d.tag])).toEqual([
      [72, 0xfe],
      [90, 0xfe],
      [108, 0x0f],
    ]);
    expect([...e.descriptors[2]!.bytes.slice(5)]).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13]);
    expect(e.detailedTimings).toEqual([
      {
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
        refreshHz: 138_500_000 / (2080 * 1111),
      },
    ]);
  });
  it("undefined is null: serial 0, week 0, sizes 0, aspect ratios, colour depth before 1.4", () => {
    const e = decodeEdid(
      base((b) => {
        b.fill(0, 12, 17);
        b[21] = 0;
        b[22] = 0;
        b[66] = 0;
        b[67] = 0;
        b[68] = 0;
      }),
    );
    expect(e).toMatchObject({ serialNumber: null, week: null, widthCm: null, heightCm: null });
    expect(e.detailedTimings[0]).toMatchObject({ widthMm: null, heightMm: null });
    expect(
      decodeEdid(
        base((b) => {
          b[22] = 0;
        }),
      ),
    ).toMatchObject({ widthCm: null, heightCm: null });
    expect(
      decodeEdid(
        base((b) => {
          b[19] = 3;
        }),
      ).bitsPerColor,
    ).toBeNull();
    expect(
      decodeEdid(
        base((b) => {
          b[20] = 0x80;
        }),
      ).bitsPerColor,
    ).toBeNull();
    expect(
      decodeEdid(
        base((b) => {
          b[20] = 0x0f;
        }),
      ),
    ).toMatchObject({ digital: false, bitsPerColor: null });
    expect(
      decodeEdid(
        base((b) => {
          b[16] = 0xff;
        }),
      ),
    ).toMatchObject({ week: null, year: 2024, modelYear: true });
    expect(
      decodeEdid(
        base((b) => {
          b[23] = 0xff;
        }),
      ).gamma,
    ).toBeNull();
  });
  it("interlaced is per field, half a line longer than its whole lines: 1080i comes out at 60 fields", () => {
    const e = decodeEdid(
      base((b) => {
        b.set([0x01, 0x1d, 0x80, 0x18, 0x71, 0x1c, 0x16, 0x20, 0x58, 0x2c, 0x25, 0x00, 0, 0, 0, 0, 0, 0x9e], 54);
      }),
    );
    expect(e.detailedTimings[0]).toMatchObject({
      pixelClockKHz: 74_250,
      hActive: 1920,
      vActive: 540,
      vBlank: 22,
      interlaced: true,
    });
    expect(e.detailedTimings[0]!.refreshHz).toBe(60);
  });
  it("standard and established timings", () => {
    const e = decodeEdid(
      base((b) => {
        b[35] = 0x20;
        b[36] = 0x08;
        b.set([0x81, 0x80, 0xd1, 0xc0], 38);
      }),
    );
    expect(e.establishedTimings).toEqual([
      { h: 640, v: 480, hz: 60, interlaced: false },
      { h: 1024, v: 768, hz: 60, interlaced: false },
    ]);
    expect(e.standardTimings).toEqual([
      { h: 1280, v: 1024, hz: 60 },
      { h: 1920, v: 1080, hz: 60 },
    ]);
  });
  it("CTA-861: timings from where the block says, until a clock of 0", () => {
    const cta = new Uint8Array(128);
    cta.set([0x02, 0x03, 0x04, 0xf0]);
    cta.set(base().slice(54, 72), 4);
    cta.set(base().slice(54, 72), 22);
    const e = decodeEdid(withBlock(cta));
    expect(e.extensions).toEqual([{ tag: 2, revision: 3, checksumOk: true }]);
    expect(e.detailedTimings).toHaveLength(3);
    expect(e.detailedTimings[2]).toEqual(e.detailedTimings[0]);
    cta[2] = 0;
    expect(decodeEdid(withBlock(cta)).detailedTimings).toHaveLength(1);
    cta[2] = 2;
    expect(decodeEdid(withBlock(cta)).problems[0]).toMatchObject({ offset: 130, severity: "error" });
  });
  it("DisplayID type I counts 10 kHz, type VII 1 kHz, every figure stored less one", () => {
    const did = (version: number, tag: number, clock: number) => {
      const b = new Uint8Array(128);
      b.set([0x70, version, 23, 0, 0, tag, 0, 20]);
      const u24 = clock - 1;
      b.set([u24 & 255, (u24 >> 8) & 255, u24 >> 16, 0x88], 8);
      [2560 - 1, 160 - 1, 48 - 1, 32 - 1, 1600 - 1, 46 - 1, 3 - 1, 6 - 1].forEach((x, i) => b.set([x & 255, x >> 8], 12 + 2 * i));
      let s = 0;
      for (let i = 1; i < 28; i++) s += b[i]!;
      b[28] = (256 - (s % 256)) % 256;
      return b;
    };
    const one = decodeEdid(withBlock(did(0x12, 0x03, 26_850)));
    expect(one.problems).toEqual([]);
    expect(one.extensions).toEqual([{ tag: 0x70, revision: 0x12, checksumOk: true }]);
    expect(one.detailedTimings[1]).toMatchObject({
      pixelClockKHz: 268_500,
      hActive: 2560,
      hBlank: 160,
      hFront: 48,
      hSync: 32,
      vActive: 1600,
      vBlank: 46,
      vFront: 3,
      vSync: 6,
      widthMm: null,
    });
    expect(decodeEdid(withBlock(did(0x20, 0x22, 268_501))).detailedTimings[1]!.pixelClockKHz).toBe(268_501);
    const broken = did(0x20, 0x22, 268_501);
    broken[28]! ^= 1;
    const e = decodeEdid(withBlock(broken));
    expect(e.detailedTimings).toHaveLength(2);
    expect(e.problems[0]).toMatchObject({
      offset: 156,
      severity: "error",
      expected: expect.stringContaining("DisplayID checksum"),
    });
  });
  it("names the byte that is wrong, and decodes the rest", () => {
    const b = base();
    b[127]! ^= 0x55;
    const e = decodeEdid(b);
    expect(e.problems).toEqual([
      { offset: 127, expected: expect.stringMatching(/^checksum 0x/), found: expect.stringMatching(/^0x/), severity: "error" },
    ]);
    expect(e.detailedTimings).toHaveLength(1);
    const head = base();
    head[3] = 0;
    expect(decodeEdid(head).problems[0]).toMatchObject({ offset: 3, found: "0x00" });
    expect(decodeEdid(base().slice(0, 100)).problems.at(-1)).toMatchObject({ offset: 100, found: "100 bytes, cut off" });
    expect(
      decodeEdid(
        base((x) => {
          x[126] = 2;
        }),
      ).problems[0],
    ).toMatchObject({ offset: 126, expected: "2 extension blocks", found: "0 in the file" });
    expect(
      decodeEdid(
        base((x) => {
          x[8] = 0xff;
        }),
      ),
    ).toMatchObject({ manufacturerId: null });
    expect(decodeEdid(new Uint8Array(0))).toMatchObject({ year: null, digital: null });
  });
  it("never throws, never hangs: 50,000 inputs of every kind", () => {
    const seed = Date.now() % 1_000_000;
    const r = seededRandom(seed);
    const good = withBlock(new Uint8Array(128).fill(0x70, 0, 1));
    for (let n = 0; n < 50_000; n++) {
      let b: Uint8Array;
      if (n % 3 === 0) b = Uint8Array.from({ length: Math.floor(r() * 400) }, () => Math.floor(r() * 256));
      else {
        b = good.slice(0, n % 5 ? 256 : Math.floor(r() * 257));
        for (let k = 0; k < 1 + (n % 7); k++) if (b.length) b[Math.floor(r() * b.length)] = Math.floor(r() * 256);
      }
      try {
        const e = decodeEdid(b);
        for (const t of e.detailedTimings) if (t.refreshHz !== null && !Number.isFinite(t.refreshHz)) throw new Error("rate");
        const back = encodeEdid(e, { allowExtensions: true });
        if (e.problems.length === 0 && b.length >= 128 && !back.ok) throw new Error(back.problem);
      } catch (error) {
        throw new Error(`seed ${seed}, input ${n}: ${(error as Error).message}`);
      }
    }
  }, 60_000);
});

describe("encodeEdid", () => {
  const timing = (more: Partial<DetailedTiming> = {}): DetailedTiming => ({ ...decodeEdid(base()).detailedTimings[0]!, ...more });
  it("gives sound blocks back byte for byte, what it does not understand included", () => {
    const r = seededRandom(5);
    for (let n = 0; n < 500; n++) {
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
      { numRuns: 200 },
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
  it("a changed field changes its bytes and the checksum, nothing else", () => {
    const b = base();
    const r = encodeEdid({ ...decodeEdid(b), serialNumber: 7 });
    if (!r.ok) throw new Error(r.problem);
    const differ = [...b.keys()].filter((i) => b[i] !== r.bytes[i]);
    expect(differ.every((i) => (i >= 12 && i < 16) || i === 127)).toBe(true);
    expect(decodeEdid(r.bytes)).toMatchObject({ serialNumber: 7, problems: [] });
  });
});

describe("hex text", () => {
  const b = base();
  const pairs = [...b].map((x) => x.toString(16).padStart(2, "0"));
  const rows = (n: number, sep: string, make: (row: string, i: number) => string) =>
    Array.from({ length: 128 / n }, (_, i) => make(pairs.slice(i * n, i * n + n).join(sep), i)).join("\n");
  const forms: Record<string, string> = {
    "one line": pairs.join(""),
    "spaced pairs": rows(16, " ", (r) => r),
    "commas and 0x": `{ ${pairs.map((p) => `0x${p.toUpperCase()}`).join(", ")} };`,
    "an offset in front": rows(16, " ", (r, i) => `${(i * 16).toString(16).padStart(8, "0")}: ${r}`),
    "letters behind": rows(16, " ", (r, i) => `${(i * 16).toString(16).padStart(8, "0")}  ${r}  |................|`),
    "words of two bytes": Array.from(
      { length: 8 },
      (_, i) =>
        `${(i * 16).toString(16).padStart(8, "0")}: ${Array.from({ length: 8 }, (_, k) => pairs[i * 16 + 2 * k]! + pairs[i * 16 + 2 * k + 1]!).join(" ")}  ................`,
    ).join("\n"),
    "inside a larger dump": `eDP-1 connected primary\n\tEDID: \n${rows(16, "", (r) => `\t\t${r}`)}\n\tBorder: 0\n\tscaling mode: Full\n`,
    "a registry export": `"EDID"=hex:${pairs.slice(0, 22).join(",")},\\\n  ${pairs.slice(22, 80).join(",")},\\\n  ${pairs.slice(80).join(",")}`,
  };
  for (const [name, text] of Object.entries(forms))
    it(name, () => {
      const r = readEdidText(text);
      if (!r.ok) throw new Error(r.problem);
      expect(r.found).toHaveLength(1);
      expect([...r.found[0]!.bytes]).toEqual([...b]);
    });
  it("finds two, and says what it looked for in vain", () => {
    const two = readEdidText(`first\n${forms["spaced pairs"]}\n\nsecond screen\n${forms["one line"]}\n`);
    expect(two.ok && two.found.map((f) => f.line)).toEqual([2, 12]);
    expect(readEdidText("")).toMatchObject({ ok: false, problem: expect.stringContaining("empty") });
    expect(readEdidText("hello there")).toMatchObject({ ok: false, problem: expect.stringContaining("No line reads as hex") });
    expect(readEdidText("00 11 22")).toMatchObject({ ok: false, problem: expect.stringContaining("3 hex bytes") });
  });
  it("never throws", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (t) => {
        readEdidText(t);
      }),
    );
  });
});

describe("link budgets", () => {
  const input = (more: Partial<EdpInput> = {}): EdpInput => ({
    mode: { pixelClockKHz: 138_500, refreshHz: 60 },
    clockFrom: "edid",
    bitsPerPixel: 24,
    lowestClockKHz: null,
    lowerModes: [],
    board: { lanes: 2, ratesGbps: [1.62, 2.7], compression: "no" },
    cable: { lanes: 2, maxRateGbps: 2.7 },
    panel: { lanes: 2, ratesGbps: [1.62, 2.7], compression: "no" },
    ...more,
  });
  it("1920 x 1080 at 60 Hz in 24 bit needs 3.324 of 4.32 Gbit/s on two lanes of 2.7", () => {
    expect(edpBudget(input())).toMatchObject({
      verdict: "fits",
      neededGbps: 3.324,
      availableGbps: 4.32,
      marginGbps: 0.996,
      marginPercent: 23.1,
    });
  });
  it("names the member that limits", () => {
    expect(edpBudget(input({ cable: { lanes: 1, maxRateGbps: 5.4 } }))).toMatchObject({
      verdict: "fails",
      limiting: expect.stringMatching(/^cable: 1 lane;/),
    });
    expect(edpBudget(input({ cable: { lanes: 2, maxRateGbps: 1.62 } })).limiting).toMatch(/cable: 1\.62/);
    expect(edpBudget(input({ panel: { lanes: 2, ratesGbps: [1.62], compression: "no" } })).limiting).toMatch(/panel: 1\.62/);
    expect(edpBudget(input({ panel: { lanes: 2, ratesGbps: [5.4], compression: "no" } }))).toMatchObject({
      verdict: "fails",
      limiting: "no rate in common",
    });
  });
  it("unknown members, thin margins and guessed clocks never pass or stop", () => {
    expect(edpBudget(input({ board: { lanes: null, ratesGbps: [2.7], compression: "no" } }))).toMatchObject({
      verdict: "unknown",
      reason: expect.stringContaining("lanes of the board"),
    });
    // 4.32 Gbit/s in 24 bit is 180 MHz: 1 % under it is too thin, 3 % is not.
    expect(edpBudget(input({ mode: { pixelClockKHz: 178_200, refreshHz: 60 } })).verdict).toBe("unknown");
    expect(edpBudget(input({ mode: { pixelClockKHz: 174_600, refreshHz: 60 } })).verdict).toBe("fits");
    const over = { mode: { pixelClockKHz: 285_500, refreshHz: 120 } };
    expect(edpBudget(input(over)).verdict).toBe("fails");
    expect(edpBudget(input({ ...over, clockFrom: "guess" })).verdict).toBe("unknown");
    expect(edpBudget(input({ ...over, clockFrom: "guess", lowestClockKHz: 138_000 })).verdict).toBe("unknown");
    expect(edpBudget(input({ ...over, clockFrom: "guess", lowestClockKHz: 260_000 })).verdict).toBe("fails");
  });
  it("compression decides only when it is known, and a lower listed mode is a change", () => {
    const over = input({ mode: { pixelClockKHz: 285_500, refreshHz: 120 } });
    const with_ = (board: "yes" | "no" | "unknown", panel: "yes" | "no" | "unknown") =>
      edpBudget({ ...over, board: { ...over.board, compression: board }, panel: { ...over.panel, compression: panel } }).verdict;
    expect(with_("unknown", "yes")).toBe("unknown");
    expect(with_("unknown", "unknown")).toBe("unknown");
    expect(with_("no", "yes")).toBe("fails");
    expect(edpBudget({ ...over, lowerModes: [{ pixelClockKHz: 138_500, refreshHz: 60 }] })).toMatchObject({
      verdict: "fitsLower",
      runsAtHz: 60,
    });
  });
  it("LVDS: one pixel per clock on a single link, two on a dual", () => {
    expect(lvdsBudget(72_000, 1, "edid").verdict).toBe("fits");
    expect(lvdsBudget(97_750, 1, "edid").verdict).toBe("unknown");
    expect(lvdsBudget(138_500, 1, "edid").verdict).toBe("fails");
    expect(lvdsBudget(138_500, 1, "guess").verdict).toBe("unknown");
    expect(lvdsBudget(138_500, 2, "edid")).toMatchObject({ verdict: "fits", linkMHz: 69.25 });
    expect(lvdsBudget(138_500, null, "edid").verdict).toBe("unknown");
  });
});
