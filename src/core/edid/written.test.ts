import { base, timing } from "@tests/edidBytes";
import { describe, expect, it } from "vitest";
import { decodeEdid, encodeEdid } from ".";
import { detailedProblem, readDetailed, refreshOf, writeDetailed } from "./timing";

// What cannot be written is said; what can is where the tables of E-EDID 1.4 put it.
describe("an 18-byte detailed timing", () => {
  it.each([
    ["pixelClockKHz", 10, 655_350, 10],
    ["hActive", 0, 4095, 1],
    ["hBlank", 0, 4095, 1],
    ["hFront", 0, 1023, 1],
    ["hSync", 0, 1023, 1],
    ["vActive", 0, 4095, 1],
    ["vBlank", 0, 4095, 1],
    ["vFront", 0, 63, 1],
    ["vSync", 0, 63, 1],
    ["widthMm", 0, 4095, 1],
    ["heightMm", 0, 4095, 1],
  ] as const)("%s holds %i to %i", (k, least, most, step) => {
    expect(detailedProblem(timing({ [k]: least }))).toBeNull();
    expect(detailedProblem(timing({ [k]: most }))).toBeNull();
    for (const x of [least - step, most + step, least + step / 2]) expect(detailedProblem(timing({ [k]: x }))).not.toBeNull();
    // Alone in 18 bytes: what is written there comes back, and nothing else changes.
    const b = new Uint8Array(18);
    const t = timing({ [k]: most });
    writeDetailed(t, b, 0);
    expect(readDetailed(b, 0)).toEqual(t);
  });
  it("without a total there is no rate", () => {
    expect(refreshOf(timing({ hActive: 0, hBlank: 0 }))).toBeNull();
    expect(refreshOf(timing({ pixelClockKHz: 0 }))).toBeNull();
    expect(refreshOf(timing({ interlaced: true, vActive: 540, vBlank: 22 }))).toBeCloseTo(138_500_000 / (2080 * 562.5), 9);
  });
});

describe("what cannot be written is said", () => {
  const from = decodeEdid(base());
  const write = (over: object) => encodeEdid({ ...from, ...over });
  it.each([
    ["productCode", 0, 65_535],
    ["serialNumber", 0, 4_294_967_295],
    ["week", 1, 54],
    ["year", 1990, 2245],
    ["version", 0, 255],
    ["revision", 0, 255],
  ])("%s from %i to %i", (k, least, most) => {
    for (const x of [least, most]) {
      const w = write({ [k]: x });
      expect(w.ok && decodeEdid(w.bytes)[k as "year"]).toBe(x === 0 && k === "serialNumber" ? null : x);
    }
    for (const x of [least - 1, most + 1, least + 0.5]) expect(write({ [k]: x })).toMatchObject({ ok: false });
  });
  it.each([
    ["widthCm", 21],
    ["heightCm", 22],
  ])("%s", (k, byte) => {
    for (const x of [1, 255]) {
      const w = write({ [k]: x });
      expect(w.ok && w.bytes[byte as number]).toBe(x);
    }
    for (const x of [0, 256, 2.5]) expect(write({ [k]: x })).toMatchObject({ ok: false });
    expect(write({ [k]: null })).toMatchObject({ ok: false });
    expect(write({ widthCm: null, heightCm: null })).toMatchObject({ ok: true });
  });
  it("a colour depth needs a digital input of 1.4", () => {
    for (const bits of [6, 10, 12, 14, 16]) {
      const w = write({ bitsPerColor: bits });
      expect(w.ok && decodeEdid(w.bytes).bitsPerColor).toBe(bits);
    }
    for (const over of [{ digital: false }, { revision: 3 }, { version: 2 }])
      expect(write({ ...over, bitsPerColor: 10 })).toMatchObject({ ok: false });
    expect(write({ bitsPerColor: 7 })).toMatchObject({ ok: false });
    const analogue = write({ digital: false });
    expect(analogue.ok && analogue.bytes[20]).toBe(0b00100101);
  });
  it("a maker is three letters, none is two bytes of 0", () => {
    const none = write({ manufacturerId: null });
    expect(none.ok && [...none.bytes.subarray(8, 10)]).toEqual([0, 0]);
    const other = write({ manufacturerId: "AZQ" });
    expect(other.ok && [...other.bytes.subarray(8, 10)]).toEqual([0b00000111, 0b01010001]);
    for (const id of ["AB", "abc", "ABCD", "A1B"]) expect(write({ manufacturerId: id })).toMatchObject({ ok: false });
  });
  it("a model year takes the week's place", () => {
    const w = write({ modelYear: true, week: null });
    expect(w.ok && w.bytes[16]).toBe(255);
    expect(write({ modelYear: true, week: 3 })).toMatchObject({ ok: false });
  });
  it("a text holds 13 characters, one shorter ends in a line feed, and none ends in a space", () => {
    const slot = (text: string) => {
      const w = write({ texts: [{ tag: 0xfe, text }] });
      return w.ok ? [...w.bytes.subarray(72, 90)] : w.problem;
    };
    const codes = (t: string) => [...t].map((c) => c.charCodeAt(0));
    expect(slot("ABCDEFGHIJKLM")).toEqual([0, 0, 0, 0xfe, 0, ...codes("ABCDEFGHIJKLM")]);
    expect(slot("ABC")).toEqual([0, 0, 0, 0xfe, 0, ...codes("ABC"), 0x0a, ...Array(9).fill(0x20)]);
    for (const text of ["ABCDEFGHIJKLMN", "ABC ", "A\u2013B", "A\nB"]) expect(slot(text)).toContain(text.slice(0, 1));
  });
  it("an empty place is a dummy descriptor, and the blank block says nothing of itself", () => {
    const w = encodeEdid({ manufacturerId: "GVX", texts: [{ tag: 0xfe, text: "GV140FHB-K31" }] });
    if (!w.ok) throw new Error(w.problem);
    const e = decodeEdid(w.bytes);
    expect(e).toMatchObject({
      version: 1,
      revision: 4,
      digital: true,
      bitsPerColor: null,
      gamma: null,
      problems: [],
      week: null,
    });
    expect(e.standardTimings).toEqual([]);
    expect(e.descriptors.map((d) => [d.offset, d.tag])).toEqual([
      [54, 0xfe],
      [72, 0x10],
      [90, 0x10],
      [108, 0x10],
    ]);
    expect([...w.bytes.subarray(72, 90)]).toEqual([0, 0, 0, 0x10, ...Array(14).fill(0)]);
  });
  it("five descriptors do not fit, nor more extensions than a byte counts", () => {
    const texts = Array.from({ length: 4 }, (_, i) => ({ tag: 0xfe, text: `T${i}` }));
    const four = encodeEdid({ texts });
    expect(four.ok && decodeEdid(four.bytes).texts).toEqual(texts);
    expect(encodeEdid({ texts: [...texts, { tag: 0xfc, text: "U" }] })).toMatchObject({ ok: false });
    expect(encodeEdid({ texts, detailedTimings: [timing()] })).toMatchObject({ ok: false });
    const many = (n: number) =>
      encodeEdid({ detailedTimings: Array.from({ length: n }, () => timing()) }, { allowExtensions: true });
    const full = many(4 + 255 * 5);
    expect(full.ok && full.bytes.length).toBe(256 * 128);
    expect(many(4 + 255 * 5 + 1)).toMatchObject({ ok: false });
  });
  it("once one timing is in an extension the rest follow it there, in their order", () => {
    const big = timing({ hActive: 5120, widthMm: null, heightMm: null });
    const list = [timing(), big, timing({ widthMm: null, heightMm: null })];
    const w = encodeEdid({ detailedTimings: list }, { allowExtensions: true });
    expect(w.ok && w.bytes[126]).toBe(1);
    expect(w.ok && decodeEdid(w.bytes).detailedTimings).toEqual(list);
    expect(encodeEdid({ detailedTimings: list })).toMatchObject({ ok: false });
    expect(encodeEdid({ detailedTimings: [timing({ hActive: 70_000 })] }, { allowExtensions: true })).toMatchObject({
      ok: false,
    });
  });
});
