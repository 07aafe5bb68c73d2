import { describe, expect, it } from "vitest";
import { builds } from "../../../tests/bench";
import { PX_PER_MM, scaleOf } from "./scale";
import { pxPerMmOf, readScreen } from "./screen";

describe("a screen checked with a ruler", () => {
  it("a bar that measures 110 mm means fewer pixels to the millimetre; what cannot be a bar is refused", () => {
    expect(pxPerMmOf(100)).toBeCloseTo(PX_PER_MM, 9);
    // The bar is 377.95 px long whatever the ruler says of it.
    for (const mm of [60, 84.5, 110, 170]) expect(pxPerMmOf(mm)! * mm).toBeCloseTo(PX_PER_MM * 100, 6);
    for (const no of [0, 59.9, 171, Number.NaN]) expect(pxPerMmOf(no)).toBeNull();
  });
  it("holds for the screen and the zoom it was measured at, and for nothing that is no measure", () => {
    const kept = JSON.stringify({ mm: 110, ratio: 1, width: 1920 });
    expect(readScreen(kept, { ratio: 1, width: 1920 })).toBeCloseTo(pxPerMmOf(110)!, 9);
    expect(readScreen(kept, { ratio: 1.25, width: 1920 })).toBeNull();
    expect(readScreen(kept, { ratio: 1, width: 1366 })).toBeNull();
    for (const bad of [null, "", "[", "7", '{"mm":"x"}']) expect(readScreen(bad, { ratio: 1, width: 1 })).toBeNull();
  });
  it("every machine still fits the pane on a fine and on a coarse screen", () => {
    for (const mm of [70, 100, 140])
      for (const b of Object.values(builds)) {
        const px = pxPerMmOf(mm)!;
        const r = scaleOf(b, px);
        expect((Math.max(b.lid.widthMm, b.base.widthMm) * px) / r, `${b.id} ${mm}`).toBeLessThanOrEqual(630);
        expect((Math.max(b.lid.heightMm, b.base.depthMm) * px) / r).toBeLessThanOrEqual(470);
      }
  });
});
