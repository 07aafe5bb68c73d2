import { triageTable } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { findingsWithMarks } from ".";

describe("marks are evidence", () => {
  const glass = { yMm: 10, heightMm: 174 };
  const mark = (kind: "crack" | "blot" | "lines" | "dim" | "deadTouch", more = {}) => ({
    kind,
    xMm: 100,
    yMm: 60,
    sizeMm: 40,
    direction: null,
    movesWithLid: false,
    ...more,
  });
  it("each kind answers its finding; place and direction tell more", () => {
    const of = (...marks: ReturnType<typeof mark>[]) => findingsWithMarks(triageTable, marks, glass, {});
    expect(of(mark("crack"))).toMatchObject({ cracks: "yes" });
    expect(of(mark("lines", { direction: "vertical" }))).toEqual({ linesVertical: "yes" });
    expect(of(mark("lines", { direction: "horizontal", movesWithLid: true }))).toEqual({
      linesHorizontal: "yes",
      flicker: "yes",
    });
    expect(of(mark("dim", { yMm: 150 }))).toMatchObject({ lowerEdgeDim: "yes" });
    expect(of(mark("dim")).lowerEdgeDim).toBeUndefined();
    // The lower fifth of a glass of 100 mm that begins at 10 mm: from 90 mm down, and that line with it.
    const at = (yMm: number) => findingsWithMarks(triageTable, [mark("dim", { yMm })], { yMm: 10, heightMm: 100 }, {});
    expect(at(90)).toMatchObject({ lowerEdgeDim: "yes" });
    expect(at(89.9).lowerEdgeDim).toBeUndefined();
    expect(of(mark("deadTouch"))).toEqual({ deadTouch: "yes" });
    expect(findingsWithMarks(triageTable, [mark("dim", { yMm: 150 })], null, {}).lowerEdgeDim).toBeUndefined();
  });
  it("an answer by hand comes before a mark", () => {
    expect(findingsWithMarks(triageTable, [mark("crack")], glass, { cracks: "no" }).cracks).toBe("no");
  });
});
