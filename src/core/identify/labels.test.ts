import { readFileSync } from "node:fs";
import { panels } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { lineToRead, readLabel } from ".";

interface LabelCase {
  text: string;
  code: string | null;
  lines?: Record<string, string>;
  why: string;
}
const cases = JSON.parse(readFileSync("tests/labels.json", "utf8")) as LabelCase[];
const codes = Object.values(panels).map((p) => p.code);
const machines = ["Ostrel Kestrel 14", "KS14-0B85-S21"];
const read = (text: string) => readLabel(text, codes, machines);

describe("labels as they are found, written before the reader", () => {
  it("are eighty or more", () => expect(cases.length).toBeGreaterThanOrEqual(80));
  for (const c of cases)
    it(`${JSON.stringify(c.text.replace(/\p{Cc}/gu, "·"))}: ${c.why}`, () => {
      const r = read(c.text);
      expect(r.code, JSON.stringify(r.lines)).toBe(c.code);
      for (const [text, cls] of Object.entries(c.lines ?? {}))
        expect(r.lines.find((l) => l.text === text)?.class, text).toBe(cls);
      for (const l of r.lines) expect(l.reason.length, l.text).toBeGreaterThan(5);
    });
});

describe("what holds for every label", () => {
  it("a serial is never offered while a code stands anywhere, whatever is put before, between and behind", () => {
    const parts = ["S/N 7Q20417753", "004177212345678", "2024 W31", "MADE IN QUILLHAVEN", "P/N 5D10-00412", "DC 3.3 V"];
    for (const code of codes)
      for (const [i, a] of parts.entries())
        for (const b of parts.slice(i)) {
          for (const text of [`${a}\n${code}\n${b}`, `${a}\n${b}\n${code}`, `${code} V1\n${a}\n${b}`]) {
            expect(read(text).code, text).toBe(code);
            expect(lineToRead(read(text))).toBe(code);
          }
        }
  });
  it("two known codes on one label: the first line is taken, and both are told", () => {
    const r = read("GV140FHB-K31\nTQ116WHA-R02");
    expect(r.code).toBe("GV140FHB-K31");
    expect(r.lines.map((l) => l.code)).toEqual(["GV140FHB-K31", "TQ116WHA-R02"]);
  });
  it("a spare-part number on record is told with the panel it belongs to, and is no part code", () => {
    const r = readLabel("5D10-00412", codes, machines, undefined, new Map([["5D10-00412", "GV140FHB-K31"]]));
    expect(r.code).toBeNull();
    expect(r.lines[0]).toMatchObject({ class: "sparePart", reason: expect.stringContaining("GV140FHB-K31") });
  });
});
