import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { damageLines } from "./damage";

const glass = { xMm: 7, yMm: 10, widthMm: 310, heightMm: 174 };
const mark = fc.record({
  kind: fc.constantFrom("crack" as const, "blot" as const, "lines" as const, "dim" as const, "deadTouch" as const),
  xMm: fc.double({ min: -50, max: 600, noNaN: true }),
  yMm: fc.double({ min: -50, max: 600, noNaN: true }),
  sizeMm: fc.double({ min: 1, max: 400, noNaN: true }),
  direction: fc.constantFrom("vertical" as const, "horizontal" as const, null),
});

describe("damage on the drawing", () => {
  it("stays within the glass, whatever the mark, and is drawn the same each time", () => {
    fc.assert(
      fc.property(mark, (d) => {
        const { lines, areas } = damageLines(d, glass);
        expect(damageLines(d, glass)).toEqual({ lines, areas });
        expect(lines.length + areas.length).toBeGreaterThan(0);
        for (const [x, y] of lines.flat()) {
          expect(x).toBeGreaterThanOrEqual(glass.xMm - 1e-6);
          expect(x).toBeLessThanOrEqual(glass.xMm + glass.widthMm + 1e-6);
          expect(y).toBeGreaterThanOrEqual(glass.yMm - 1e-6);
          expect(y).toBeLessThanOrEqual(glass.yMm + glass.heightMm + 1e-6);
        }
        for (const a of areas) {
          expect(a.w).toBeGreaterThan(0);
          expect(a.h).toBeGreaterThan(0);
        }
      }),
    );
  });
  it("lines run the way they were marked, across the whole glass", () => {
    const of = (direction: "vertical" | "horizontal") =>
      damageLines({ kind: "lines", xMm: 100, yMm: 80, sizeMm: 30, direction }, glass).areas;
    expect(of("vertical").every((a) => a.h === glass.heightMm && a.w < 2)).toBe(true);
    expect(of("horizontal").every((a) => a.w === glass.widthMm && a.h < 2)).toBe(true);
  });
});
