import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  DOT_SCREENS,
  type DotScreen,
  dotClass,
  dotCode,
  dotsOf,
  isDotCode,
  readDotCode,
  readTouchCode,
  type SubPixel,
  screenShows,
} from ".";

const LIT: Record<DotScreen, SubPixel[]> = {
  black: [],
  red: ["R"],
  green: ["G"],
  blue: ["B"],
  white: ["R", "G", "B"],
  grey: ["R", "G", "B"],
};
/** The screens on which a pixel with these sub-pixels stuck shows to an eye: where the light changes by a fifth. */
const seenOn = (stuck: readonly SubPixel[], bright: boolean): DotScreen[] =>
  DOT_SCREENS.filter((s) => stuck.reduce((n, p) => n + screenShows(LIT[s], p, bright), 0) >= 0.2);

describe("what a dot is, by the screens it was seen on", () => {
  it("each of the six faults of a sub-pixel, and a whole pixel bright or dark", () => {
    for (const p of ["R", "G", "B"] as const)
      for (const bright of [true, false])
        expect(dotClass(seenOn([p], bright)), `${p} ${bright}: ${seenOn([p], bright)}`).toBe("subPixel");
    expect(dotClass(seenOn(["R", "G", "B"], true))).toBe("bright");
    expect(dotClass(seenOn(["R", "G", "B"], false))).toBe("dark");
  });
  it("seen on one screen only, the stricter kind", () => {
    expect(dotClass(["black"])).toBe("bright");
    expect(dotClass(["white"])).toBe("dark");
    expect(dotClass(["blue"])).toBe("subPixel");
  });
  it("marks beside each other on different screens are one dot; on one screen they are two", () => {
    const one = dotsOf(
      [
        { x: 100, y: 100, screen: "black" },
        { x: 109, y: 94, screen: "red" },
        { x: 96, y: 101, screen: "green" },
      ],
      1920,
      1080,
    );
    expect(one.map((d) => d.class)).toEqual(["subPixel"]);
    expect(
      dotsOf(
        [
          { x: 100, y: 100, screen: "black" },
          { x: 104, y: 100, screen: "black" },
        ],
        1920,
        1080,
      ).map((d) => d.cluster),
    ).toEqual([1, 1]);
    // Exactly five apart is no cluster.
    expect(
      dotsOf(
        [
          { x: 100, y: 100, screen: "black" },
          { x: 105, y: 100, screen: "black" },
        ],
        1920,
        1080,
      ).map((d) => d.cluster),
    ).toEqual([0, 0]);
  });
});

const dot = fc.record({
  x: fc.double({ min: 0, max: 1, noNaN: true }),
  y: fc.double({ min: 0, max: 1, noNaN: true }),
  class: fc.constantFrom("bright" as const, "dark" as const, "subPixel" as const),
  cluster: fc.integer({ min: 0, max: 3 }),
});

describe("dots typed by hand", () => {
  it("come back where they were to a fifth of a millimetre on a large glass, of their kind, in any case", () => {
    fc.assert(
      fc.property(fc.array(dot, { maxLength: 12 }), (dots) => {
        const code = dotCode(dots);
        expect(isDotCode(code)).toBe(true);
        const r = readDotCode(code.toLowerCase().replaceAll("-", " "));
        if (!r.ok) throw new Error(r.problem);
        expect(r.dots.length).toBe(dots.length);
        for (const [i, d] of dots.entries()) {
          expect(Math.abs(r.dots[i]!.x - d.x) * 380).toBeLessThan(0.2);
          expect(Math.abs(r.dots[i]!.y - d.y) * 240).toBeLessThan(0.2);
          expect([r.dots[i]!.class, r.dots[i]!.cluster]).toEqual([d.class, d.cluster]);
        }
        // Nobody takes it for a code of the touch test.
        expect(readTouchCode(code).ok).toBe(false);
      }),
    );
  });
  it("a character wrong is noticed; more than a code can tell is refused, and so is what is none", () => {
    const code = dotCode([
      { x: 0.3, y: 0.7, class: "dark", cluster: 0 },
      { x: 0.9, y: 0.1, class: "bright", cluster: 0 },
    ]).replaceAll("-", "");
    for (let i = 1; i < code.length; i++)
      for (const c of "0123456789ABCDEFGHJKMNPQRSTVWXYZ")
        if (c !== code[i]) expect(readDotCode(code.slice(0, i) + c + code.slice(i + 1)).ok, `${i} ${c}`).toBe(false);
    expect(() => dotCode(Array(13).fill({ x: 0, y: 0, class: "dark", cluster: 0 }))).toThrow(/12 at most/);
    for (const t of ["", "D", "D-1234-5", "ABCDE"]) expect(readDotCode(t).ok, t).toBe(false);
    expect(dotCode([])).toBe("D-0");
    expect(readDotCode("d0")).toEqual({ ok: true, dots: [] });
  });
});
