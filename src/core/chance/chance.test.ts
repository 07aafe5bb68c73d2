import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { erf, logSpread, normalCdf, sumLogNormal, t80, Z80 } from ".";

describe("the normal distribution", () => {
  it("agrees with published values (DLMF table 7.23, standard normal tables)", () => {
    for (const [x, y] of [
      [0, 0],
      [0.1, 0.1124629160182849],
      [0.5, 0.5204998778130465],
      [1, 0.8427007929497149],
      [2, 0.9953222650189527],
      [2.9, 0.9999589021219005],
      [3.1, 0.9999883513426328],
      [5, 0.9999999999984626],
    ] as const) {
      expect(erf(x)).toBeCloseTo(y, 10);
      expect(erf(-x)).toBeCloseTo(-y, 10);
    }
    for (const [z, p] of [
      [-1.6448536269514722, 0.05],
      [0, 0.5],
      [Z80, 0.8],
      [1.2815515655446004, 0.9],
      [2.3263478740408408, 0.99],
    ] as const)
      expect(normalCdf(z)).toBeCloseTo(p, 10);
  });
  it("only ever rises, and is the same from both sides", () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 8, noNaN: true }), fc.double({ min: 0, max: 2, noNaN: true }), (z, d) => {
        expect(normalCdf(z + d)).toBeGreaterThanOrEqual(normalCdf(z) - 1e-11);
        expect(normalCdf(z) + normalCdf(-z)).toBeCloseTo(1, 10);
      }),
    );
  });
});

describe("Student's t", () => {
  it("the percentile of t is the table's", () => {
    for (const [v, t] of [
      [4, 0.941],
      [8, 0.889],
      [20, 0.86],
      [60, 0.848],
    ] as const)
      expect(t80(v)).toBeCloseTo(t, 2);
  });
  it("comes down to the normal with many degrees, and never under it", () => {
    // Every term of the expansion counts: at 4 to 8 degrees each still moves the third decimal (tables give 0.9410, 0.8889).
    for (const [v, t] of [
      [4, 0.941],
      [5, 0.9195],
      [8, 0.8889],
    ] as const)
      expect(Math.abs(t80(v) - t)).toBeLessThan(0.002);
    for (const v of [4, 8, 20, 100, 1000]) expect(t80(v)).toBeGreaterThan(Z80);
    expect(t80(1e7)).toBeCloseTo(Z80, 6);
  });
});

describe("the spread of a log-normal", () => {
  it("is what its two quantiles say", () => {
    expect(logSpread({ p50: 10, p80: 10 * Math.exp(0.4 * Z80) })).toBeCloseTo(0.4, 12);
    for (const none of [
      { p50: 10, p80: 10 },
      { p50: 10, p80: 9 },
      { p50: 0, p80: 4 },
    ])
      expect(logSpread(none)).toBe(0);
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
