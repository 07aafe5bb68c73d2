import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { counted, decides, durationWords, formatMoney, listed, mm, sumLogNormal } from ".";

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
      fc.property(fc.double({ min: 0, max: 2000, noNaN: true }), (m) => {
        const words = durationWords(m);
        const found = /^(?:(\d+) h)? ?(\d+)?(?: min)?$/.exec(words)!;
        const hours = Number(found[1] ?? 0);
        const rest = Number(found[2] ?? 0);
        expect(hours * 60 + rest).toBe(Math.round(m));
        expect(rest).toBeLessThan(60);
      }),
    );
    expect(durationWords(75)).toBe("1 h 15");
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

describe("sumLogNormal", () => {
  /** A slow reference: many drawn jobs, each step log-normal, one factor shared by the whole job. */
  function drawn(medians: readonly number[], step: number, job: number, n: number) {
    let seed = 12345;
    const uniform = () => {
      seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
      return (seed + 0.5) / 4294967296;
    };
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const sums = Array.from({ length: n }, () => {
      const shared = Math.exp(job * normal());
      return medians.reduce((s, m) => s + m * Math.exp(step * normal()) * shared, 0);
    }).sort((a, b) => a - b);
    return { p50: sums[Math.floor(n * 0.5)]!, p80: sums[Math.floor(n * 0.8)]! };
  }
  it("agrees with a simulation within three percent", () => {
    for (const medians of [[10], [1, 2, 3, 4], Array.from({ length: 40 }, (_, i) => 0.3 + (i % 7))]) {
      const fast = sumLogNormal(medians);
      const slow = drawn(medians, 0.35, 0.25, 60_000);
      expect(Math.abs(fast.p50 / slow.p50 - 1)).toBeLessThan(0.03);
      expect(Math.abs(fast.p80 / slow.p80 - 1)).toBeLessThan(0.03);
    }
  });
  it("is exact without spread, and zero without steps", () => {
    expect(sumLogNormal([10, 5], 0, 0)).toEqual({ p50: 15, p80: 15 });
    expect(sumLogNormal([])).toEqual({ p50: 0, p80: 0 });
    expect(sumLogNormal([0, -4, Number.NaN])).toEqual({ p50: 0, p80: 0 });
  });
  it("P80 is never under P50, and more steps never take less time", () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.1, max: 60, noNaN: true }), { minLength: 1, maxLength: 40 }), (m) => {
        const a = sumLogNormal(m);
        expect(a.p80).toBeGreaterThanOrEqual(a.p50);
        expect(sumLogNormal([...m, 1]).p50).toBeGreaterThan(a.p50);
      }),
    );
  });
});
