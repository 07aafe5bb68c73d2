import { base, withBlock } from "@tests/edidBytes";
import { seededRandom } from "@tests/randomActs";
import { runs } from "@tests/scale";
import { describe, expect, it } from "vitest";
import { decodeEdid, encodeEdid } from ".";

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
    // What the base block says against what is there: one too few, a part of one, one too many.
    const said = (count: number, length: number) => {
      const x = new Uint8Array(length);
      x.set(
        base((y) => {
          y[126] = count;
        }),
      );
      return decodeEdid(x).problems.filter((p) => p.offset >= 126);
    };
    expect(said(2, 256)[0]).toMatchObject({ offset: 126, found: "1 in the file", severity: "error" });
    expect(said(2, 300)[0]).toMatchObject({ found: "1 in the file, and 44 bytes of the next" });
    expect(said(0, 128)).toEqual([]);
    expect(said(0, 200).at(-1)).toMatchObject({ offset: 128, found: "72 bytes more", severity: "warning" });
    expect(said(1, 300).at(-1)).toMatchObject({
      offset: 256,
      expected: "the end, after 1 extension blocks",
      found: "44 bytes more",
    });
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
    for (let n = 0; n < runs(50_000); n++) {
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
  }, 240_000);
});
