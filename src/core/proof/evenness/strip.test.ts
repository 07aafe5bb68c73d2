import { photoOf, type Shot, type TruePanel, trueRatio } from "@tests/panelPhoto";
import { describe, expect, it } from "vitest";
import { measureEvenness, paintPattern, responseFromStrip, STRIP_SHARES } from "..";

const panel: TruePanel = { widthMm: 309, heightMm: 174, falls: [0.2, 0.15] };
const size = { widthMm: 309, heightMm: 174 };
const still: Shot = {
  width: 900,
  height: 675,
  at: [0, 0, 700],
  aim: [40, 20],
  focalPx: 1000,
  noise: 0.01,
  lens: [-0.25, 0.05],
  seed: 21,
};
const both = (o: Partial<Shot>, steps: readonly number[] = STRIP_SHARES) => {
  const white = photoOf(panel, { ...still, ...o });
  const strip = photoOf(panel, { ...still, ...o, steps, seed: 22 });
  return { white, strip, corners: white.truth };
};

describe("the step strip", () => {
  it("its patches have exactly their share of white rows, whatever the screen's size", () => {
    for (const [w, h] of [
      [1920, 1080],
      [1366, 768],
      [1333, 804],
    ] as const) {
      const rows = Array.from({ length: h }, () => new Uint8Array(w));
      let white = false;
      paintPattern(
        {
          set fillStyle(c: unknown) {
            white = c === "#ffffff";
          },
          get fillStyle() {
            return "";
          },
          fillRect: (x, y, a, b) => {
            for (let j = y; j < Math.min(h, y + b); j++) rows[j]!.fill(white ? 1 : 0, x, Math.min(w, x + a));
          },
        },
        w,
        h,
        "strip",
        0,
      );
      for (const [i, share] of STRIP_SHARES.entries()) {
        const x = Math.floor(((i + 0.5) * w) / 5);
        const lit = rows.filter((r) => r[x]).length / h;
        expect(Math.abs(lit - share)).toBeLessThan(8 / h);
        // A row is white over its whole patch or not at all.
        for (const r of rows.slice(0, 16)) expect(r[Math.ceil((i * w) / 5) + 1]).toBe(r[x]);
      }
    }
  });

  it.each([0.8, 0.9, 1.12])("tells a tone curve of %f behind a lens that falls off, and evenness comes right with it", (tone) => {
    const { white, strip, corners } = both({ tone });
    const response = responseFromStrip(strip, white, corners);
    expect(Math.abs(1 / response - tone)).toBeLessThan(0.02);
    const flat = photoOf(panel, { ...still, tone, lens: [0, 0] });
    const off = (r: number) => {
      const m = measureEvenness([flat], size, { response: r });
      if (!m.ok) throw new Error(m.words);
      return Math.abs(m.rows[9].minOverMax - trueRatio(panel, 9));
    };
    expect(off(response)).toBeLessThan(0.015);
    expect(off(response)).toBeLessThan(off(1));
  });

  it("a curve as good as none is none", () => {
    const { white, strip, corners } = both({ tone: 1.01 });
    expect(responseFromStrip(strip, white, corners)).toBe(1);
  });

  it("a little more or less exposure falls out: the whole patch is white in both", () => {
    const { white, corners } = both({ tone: 0.85 });
    const brighter = photoOf(panel, { ...still, tone: 0.85, exposure: 0.6, steps: STRIP_SHARES, seed: 23 });
    expect(Math.abs(1 / responseFromStrip(brighter, white, corners) - 0.85)).toBeLessThan(0.02);
  });

  it("another pattern, another size, another aim, an S-shaped curve: refused in words, never guessed", () => {
    const { white, corners } = both({});
    const plain = photoOf(panel, { ...still, seed: 24 });
    expect(() => responseFromStrip(plain, white, corners)).toThrow(/lighter from left to right/);
    const turned = photoOf(panel, { ...still, steps: [1, 3 / 4, 1 / 2, 1 / 4, 1 / 8], seed: 25 });
    expect(() => responseFromStrip(turned, white, corners)).toThrow(/lighter from left to right/);
    const small = photoOf(panel, { ...still, width: 600, height: 450, focalPx: 660, steps: STRIP_SHARES });
    expect(() => responseFromStrip(small, white, corners)).toThrow(/different size/);
    // Local tone mapping lifts the dark steps and presses the light ones.
    const mapped = photoOf(panel, { ...still, steps: STRIP_SHARES.map((l) => 3 * l * l - 2 * l ** 3), seed: 26 });
    expect(() => responseFromStrip(mapped, white, corners)).toThrow(/no power/);
    expect(() =>
      responseFromStrip(white, white, [
        [0, 0],
        [1, 1],
        [2, 2],
        [3, 3],
      ]),
    ).toThrow(/on a line/);
  });
});
