import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cvtReducedBlanking } from ".";

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
