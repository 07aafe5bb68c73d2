import { seededRandom } from "@tests/randomActs";
import { describe, expect, it } from "vitest";
import {
  clusters,
  fewestScreens,
  ghostWatch,
  poissonLower,
  poissonUpper,
  screenShows,
  straightness,
  stripesIn,
  type TouchSample,
  touchCoverage,
  weakestOn,
} from ".";

describe("ghost taps", () => {
  it("the upper limit is half the chi-square quantile, from tables", () => {
    // Upper 95 % limits of a Poisson mean after 0 to 10 events (Garwood).
    const table = [2.996, 4.744, 6.296, 7.754, 9.154, 10.513, 11.842, 13.148, 14.435, 15.705, 16.962];
    for (const [n, u] of table.entries()) expect(Math.abs(poissonUpper(n) - u), `${n}`).toBeLessThan(1e-3);
    // Lower ones after 1, 2, 5, 10.
    for (const [n, l] of [
      [1, 0.0513],
      [2, 0.355],
      [5, 1.97],
      [10, 5.425],
    ] as const)
      expect(Math.abs(poissonLower(n) - l), `${n}`).toBeLessThan(1e-3);
  });
  it("none in half an hour says under six an hour, in three minutes under sixty", () => {
    expect(ghostWatch({ watchedS: 1798, taps: [] })).toMatchObject({ verdict: "under", events: 0 });
    expect(ghostWatch({ watchedS: 1790, taps: [] }).verdict).toBe("watchLonger");
    expect(ghostWatch({ watchedS: 60, taps: [] }).needS).toBeCloseTo(1797.4, 1);
    expect(ghostWatch({ watchedS: 180, taps: [], targetPerHour: 60 }).verdict).toBe("under");
    expect(ghostWatch({ watchedS: 1800, taps: [100] }).verdict).toBe("watchLonger");
  });
  it("bursts count once; many are over; nothing watched is nothing known", () => {
    expect(ghostWatch({ watchedS: 600, taps: [10, 10.4, 11, 300] }).events).toBe(2);
    expect(ghostWatch({ watchedS: 600, taps: [10, 10.5, 11, 11.5, 12] }).events).toBe(1);
    expect(ghostWatch({ watchedS: 600, taps: [1, 50, 100, 150, 200, 250, 300] }).verdict).toBe("over");
    const none = ghostWatch({ watchedS: 0, taps: [] });
    expect(none.verdict).toBe("watchLonger");
    for (const v of Object.values(none)) if (typeof v === "number") expect(Number.isFinite(v)).toBe(true);
    expect(() => ghostWatch({ watchedS: -1, taps: [] })).toThrow(/watchedS/);
  });
  it("the limit holds in at least 95 % of hours at the true rate", () => {
    const r = seededRandom(9);
    let holds = 0;
    for (let i = 0; i < 1000; i++) {
      const taps: number[] = [];
      for (let t = 0; ; ) {
        t += (-Math.log(1 - r()) / 6) * 3600;
        if (t > 3600) break;
        taps.push(t);
      }
      if (ghostWatch({ watchedS: 3600, taps, burstS: 0 }).upperPerHour >= 6) holds++;
    }
    expect(holds / 1000).toBeGreaterThan(0.95);
  });
});

/** A finger drawn row by row over the whole glass, at a rate and a speed; a dead band gives nothing. */
function trace(o: { hz: number; mmPerS: number; dead?: [number, number]; id?: number }): TouchSample[] {
  const out: TouchSample[] = [];
  let t = 0;
  for (let row = 0; row < 22; row++)
    for (let x = 0; x <= 310; x += o.mmPerS / o.hz) {
      t += 1 / o.hz;
      const at = row % 2 ? 310 - x : x;
      if (o.dead && at >= o.dead[0] && at <= o.dead[1]) continue;
      out.push({ xMm: at, yMm: row * 8 + 4, tS: t, id: o.id ?? 1 });
    }
  return out;
}
const glass = { widthMm: 310, heightMm: 176 };

describe("touch coverage", () => {
  it("a whole trace at 60 Hz covers everything", () => {
    expect(touchCoverage({ ...glass, samples: trace({ hz: 60, mmPerS: 300 }) }).share).toBe(1);
  });
  it("a dead stripe is never drawn over, at 20, 60 and 120 Hz", () => {
    for (const hz of [20, 60, 120]) {
      const c = touchCoverage({ ...glass, samples: trace({ hz, mmPerS: hz === 20 ? 100 : 300, dead: [144, 158] }) });
      const stripe = stripesIn(c);
      expect(stripe.columns.length, `${hz} Hz`).toBeGreaterThan(0);
      for (const col of stripe.columns) expect(col * 8 + 4).toBeGreaterThan(138);
      expect(stripe.rows).toEqual([]);
    }
    const twelve = touchCoverage({ ...glass, samples: trace({ hz: 60, mmPerS: 180, dead: [142, 154] }) });
    expect(twelve.missed.length).toBe(22);
  });
  it("two fingers are never joined; a jump, or a pause, is a gap", () => {
    const s = (xMm: number, tS: number, id = 1): TouchSample => ({ xMm, yMm: 4, tS, id });
    const share = (samples: TouchSample[]) => touchCoverage({ widthMm: 32, heightMm: 8, samples }).share;
    expect(share([s(7, 0), s(9, 0.01)])).toBe(0.5);
    expect(touchCoverage({ widthMm: 32, heightMm: 8, samples: [s(1, 0), s(31, 0.01)] })).toMatchObject({ share: 0.5, breaks: 1 });
    expect(touchCoverage({ widthMm: 32, heightMm: 8, samples: [s(6, 0), s(10, 0.5)] }).breaks).toBe(1);
    expect(touchCoverage({ widthMm: 32, heightMm: 8, samples: [s(6, 0, 1), s(10, 0.01, 2)] }).breaks).toBe(0);
    // Fingers told in turn: each goes on from its own last place.
    const turns = [s(1, 0, 1), s(31, 0, 2), s(4, 0.02, 1), s(28, 0.02, 2)];
    expect(touchCoverage({ widthMm: 32, heightMm: 8, samples: turns }).breaks).toBe(0);
    expect(touchCoverage({ widthMm: 32, heightMm: 8, samples: [] })).toMatchObject({ share: 0, missedAtEdge: 4 });
    expect(() => touchCoverage({ widthMm: 0, heightMm: 8, samples: [] })).toThrow(/area/);
  });
  it("a ruled stroke is judged from its own best line", () => {
    const line = Array.from({ length: 50 }, (_, i): [number, number] => [i * 3, i * 2 + (i === 25 ? 1.8 : 0)]);
    const s = straightness(line);
    expect(s.worstMm).toBeGreaterThan(1.3);
    expect(s.worstMm).toBeLessThan(1.6);
    expect(straightness(line.filter((_, i) => i !== 25)).worstMm).toBeCloseTo(0, 9);
    expect(straightness([])).toEqual({ worstMm: 0, rmsMm: 0 });
  });
});

describe("dots", () => {
  it("three chained within five pixels are one cluster; a pair five apart is none", () => {
    const c = clusters([
      { x: 10, y: 10 },
      { x: 13, y: 12 },
      { x: 17, y: 15 },
      { x: 40, y: 10 },
      { x: 45, y: 10 },
    ]);
    expect(c).toHaveLength(1);
    expect(c[0]).toHaveLength(3);
    expect(clusters([])).toEqual([]);
  });
  it("the fewest screens: three show all six faults, four show them fully; white alone never does", () => {
    const quick = fewestScreens(0.2);
    expect(quick[0]!.screens).toEqual([["R"], ["G"], ["B"]]);
    expect(quick[0]!.weakest).toBeCloseTo(0.34, 2);
    const plain = fewestScreens(0.9);
    expect(plain[0]!.screens).toEqual([[], ["R"], ["G"], ["B"]]);
    expect(plain[0]!.weakest).toBe(1);
    expect(weakestOn([["R", "G", "B"]])).toBe(0);
    expect(screenShows(["R", "G", "B"], "B", false)).toBeCloseTo(0.0722, 4);
    expect(weakestOn([[], ["R", "G", "B"], ["B"]])).toBeCloseTo(0.21, 2);
  });
});
