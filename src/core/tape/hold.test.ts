import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { cutList, holdOf } from ".";

const kestrel = builds["ostrel-kestrel-14"]!;

describe("when the tape of a job holds", () => {
  it("is told from what is really cut, a mass by size, and the room", () => {
    const h = holdOf(kestrel, {}, { widthMm: 312, heightMm: 195 })!;
    const mm2 = cutList(kestrel).reduce((a, p) => a + p.widthMm * p.lengthMm, 0);
    expect(h.areaMm2).toBeCloseTo(mm2, 6);
    // A 14 inch panel weighs about 280 g.
    expect(h.massKg).toBeCloseTo(0.28, 2);
    expect([h.roomC, h.estimated, h.inRange]).toEqual([21, true, true]);
    expect(holdOf(kestrel, { massKg: 0.3 })!.estimated).toBe(false);
  });
  it("comes later in the cold, and later for what weighs more; said where it is too cold to stick", () => {
    const light = holdOf(kestrel, { massKg: 0.09, roomC: 21 })!;
    const cold = holdOf(kestrel, { massKg: 0.09, roomC: 15 })!;
    const heavy = holdOf(kestrel, { massKg: 0.12, roomC: 21 })!;
    expect(cold.upright!.min).toBeGreaterThan(light.upright!.min);
    expect(heavy.upright!.min).toBeGreaterThan(light.upright!.min);
    expect(light.handedOver!.min).toBeGreaterThanOrEqual(20);
    expect(light.carried!.min).toBeGreaterThan(light.handedOver!.min);
    expect(heavy.carried).toBeNull();
    expect(light.upright!.lateMin).toBeGreaterThan(light.upright!.min);
    expect(holdOf(kestrel, { massKg: 0.09, roomC: 9 })!.inRange).toBe(false);
  });
  it("is never where the ledge is too small for what hangs on it, and nothing at all where nothing is stuck", () => {
    // Two strips of 4 mm: 1,320 mm2 hold 230 g hanging at most, and no blow.
    const h = holdOf(kestrel, { massKg: 0.28 })!;
    expect(h.areaMm2).toBeLessThan(0.28 * 5700);
    expect(h.carried).toBeNull();
    expect(holdOf(builds["marrick-fjell-15"]!, {})).toBeNull();
    expect(() => holdOf(kestrel, { massKg: 0 })).toThrow(/massKg/);
  });
});
