import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { counted, decides, durationWords, formatMoney, listed, mm } from ".";
import { readNumber } from "./number";

describe("text", () => {
  it("counts, lists and rounds the way the bench says it", () => {
    expect(counted(1, "screw")).toBe("1 screw");
    expect(counted(0, "screw")).toBe("0 screws");
    expect(counted(3, "box", "boxes")).toBe("3 boxes");
    expect(listed([])).toBe("");
    expect(listed(["a"])).toBe("a");
    expect(listed(["a", "b", "c"])).toBe("a, b and c");
    expect(mm(3)).toBe("3");
    expect(mm(0.45)).toBe("0.5");
    expect(mm(195.84)).toBe("195.8");
  });
  it("durations never say sixty minutes past the hour", () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 2000, noNaN: true }), (m) => {
        const words = durationWords(m);
        const found = /^(?:(\d+) h)? ?(\d+)?(?: min)?$/.exec(words)!;
        const hours = Number(found[1] ?? 0);
        const rest = Number(found[2] ?? 0);
        expect(hours * 60 + rest).toBe(Math.round(m));
        expect(rest).toBeLessThan(60);
      }),
    );
    expect([0, 0.3, 0.5, 0.99, 0.995].map(durationWords)).toEqual(["0 min", "18 s", "30 s", "59 s", "1 min"]);
    expect(durationWords(75)).toBe("1 h 15");
    expect(durationWords(59)).toBe("59 min");
    expect(durationWords(60)).toBe("1 h");
    expect(durationWords(120)).toBe("2 h");
  });
});

describe("money", () => {
  it("is whole minor units with two digits", () => {
    expect(formatMoney(6140, "EUR")).toBe("61.40 EUR");
    expect(formatMoney(5, "EUR")).toBe("0.05 EUR");
    expect(formatMoney(-1999, "EUR")).toBe("-19.99 EUR");
  });
  it("reads back to what was written", () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e9, max: 1e9 }), (minor) => {
        expect(Math.round(Number(formatMoney(minor, "EUR").split(" ")[0]) * 100)).toBe(minor);
      }),
    );
  });
});

describe("sources", () => {
  it("a seller's word and a guess decide nothing", () => {
    expect(["M", "L", "E", "D", "A"].every((s) => decides({ source: s as never }))).toBe(true);
    expect(decides({ source: "S" })).toBe(false);
    expect(decides({ source: "G" })).toBe(false);
  });
});

describe("a number as people write it", () => {
  it.each([
    ["12,5", 12.5],
    ["12.5", 12.5],
    [" 7 ", 7],
    ["-3,25", -3.25],
    ["\u22123", -3],
    ["+4", 4],
    [",5", 0.5],
    ["3.", 3],
    ["1 200", 1200],
  ])("%j", (text, n) => expect(readNumber(text)).toBe(n));
  it.each(["", "1,2,3", "1.2.3", "12a", "e5", "1e5", "-", ",", "Infinity"])("%j is none", (text) =>
    expect(readNumber(text)).toBeNull(),
  );
});
