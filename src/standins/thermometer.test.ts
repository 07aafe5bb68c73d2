import { POCKET, parts } from "@tests/heatLids";
import { describe, expect, it } from "vitest";
import { type FollowAsk, Following } from "@/core/heat";
import { heatTruth, simulatedThermometer } from "./thermometer";

const at = { xMm: POCKET.xMm + 60, yMm: POCKET.yMm + POCKET.heightMm - 4 };
const story = (reads: FollowAsk["reads"] = []): FollowAsk => ({
  ...parts(),
  cover: "al",
  softC: 55,
  tape: "bottom",
  reads,
  stretches: [
    {
      atS: 0,
      forS: null,
      act: {
        do: "mat",
        face: "back",
        rect: { xMm: POCKET.xMm, yMm: POCKET.yMm + POCKET.heightMm - 60, widthMm: POCKET.widthMm, heightMm: 60 },
        setC: 70,
      },
    },
  ],
});

describe("the simulated contact thermometer", () => {
  it("shows the room before anything heats, and warms after: what is there, whatever the model was told", () => {
    const seed = "a job";
    const cold = simulatedThermometer(seed, story(), 0, at);
    expect(Math.abs(cold - heatTruth(seed).roomC)).toBeLessThan(4);
    const later = simulatedThermometer(seed, story(), 120, at);
    expect(later).toBeGreaterThan(cold + 8);
    // Readings in the log change what is believed, not what is.
    expect(simulatedThermometer(seed, story([{ atS: 5, ...at, surfaceC: 90 }]), 120, at)).toBe(later);
    expect(simulatedThermometer(seed, story(), 120, at)).toBe(later);
  });
  it("hides a tool and a room of its own for each job, within what benches have", () => {
    const all = Array.from({ length: 200 }, (_, i) => heatTruth(`job ${i}`));
    for (const t of all) {
      expect(t.strength).toBeGreaterThanOrEqual(0.75);
      expect(t.strength).toBeLessThanOrEqual(1.3);
      expect(t.roomC).toBeGreaterThanOrEqual(17);
      expect(t.roomC).toBeLessThanOrEqual(25);
    }
    expect(new Set(all.map((t) => t.strength.toFixed(2))).size).toBeGreaterThan(30);
  });
  it("readings of it bring the model near the truth it hides", () => {
    const seed = "hidden";
    const reads = [40, 80, 120, 160, 200].map((atS) => ({ atS, ...at, surfaceC: simulatedThermometer(seed, story(), atS, at) }));
    const blind = new Following(story());
    const told = new Following(story(reads));
    for (const f of [blind, told]) f.to(205);
    const truth = heatTruth(seed);
    const real = new Following({ ...story(), roomC: truth.roomC });
    real.to(205);
    const surface = real.surfaceFor(truth.strength, at);
    const miss = (f: Following, cal: number) => Math.abs(f.surfaceFor(cal, at) - surface);
    expect(miss(told, told.seen(false).cal.cal)).toBeLessThan(Math.max(2, miss(blind, 1)));
  });
});

describe("a strip over the time of its warming", () => {
  it("has a point every five seconds, its likely line within its range, and ends where the strip is now", () => {
    const f = new Following(story());
    f.to(62);
    const seen = f.seen();
    expect(seen.trace.map((t) => t.s)).toEqual(Array.from({ length: 12 }, (_, i) => 5 * (i + 1)));
    for (const t of seen.trace) {
      expect(t.lowC).toBeLessThanOrEqual(t.midC + 1e-9);
      expect(t.midC).toBeLessThanOrEqual(t.highC + 1e-9);
    }
    const to60 = new Following(story());
    to60.to(60);
    expect(seen.trace.at(-1)!.midC).toBeCloseTo(to60.seen(false).strips[0]!.q10C, 1);
    expect(seen.trace.at(-1)!.midC).toBeGreaterThan(seen.trace[0]!.midC);
  });
});
