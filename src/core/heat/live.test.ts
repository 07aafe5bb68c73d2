import { POCKET, parts, sweep } from "@tests/heatLids";
import { seededRandom } from "@tests/randomActs";
import { describe, expect, it } from "vitest";
import { type CoverKind, calibrateTool, HeatRun, type Jet, lidModel, simulate, touchAdvice, workingWindow } from ".";

describe("followed live", () => {
  const m = lidModel(parts(), { cover: "al" });
  it("uneven ticks and a saved run go where an even run goes", () => {
    const [a, b] = [new HeatRun(m), new HeatRun(m)];
    a.step(40, sweep);
    const random = seededRandom(3);
    for (let left = 40; left > 1e-9; ) {
      const tick = Math.min(left, 0.05 + random());
      b.step(tick, { ...sweep });
      left -= tick;
    }
    expect(b.state().atS).toBeCloseTo(40, 6);
    expect(Math.abs(a.state().tapes.bottom!.q10 - b.state().tapes.bottom!.q10)).toBeLessThan(0.4);
    const c = HeatRun.from(m, JSON.parse(JSON.stringify(a.save())));
    for (const r of [a, c]) {
      r.step(10, sweep);
      r.step(10, null);
    }
    expect(c.state().tapes).toEqual(a.state().tapes);
    expect(c.state().peaks).toEqual(a.state().peaks);
  });
  it("at strength one it is what was simulated", () => {
    const run = new HeatRun(m);
    run.step(30, sweep);
    const s = simulate(m, [{ ...sweep, seconds: 30 }]);
    expect(run.state().tapes.bottom!.median).toBeCloseTo(s.tapes.bottom!.median.at(-1)!, 9);
  });
  it("six readings find a hidden strength, and their range halves; nine times in ten it holds the truth", () => {
    let held = 0;
    const seeds = 12;
    for (let seed = 1; seed <= seeds; seed++) {
      const random = seededRandom(seed * 31);
      const truth = 0.7 + 0.7 * random();
      const noise = () => (random() + random() + random() + random() - 2) * Math.sqrt(3);
      const run = new HeatRun(m);
      const hidden = new HeatRun(m);
      const wide = run.cal().range;
      for (let k = 0; k < 6; k++) {
        run.step(8, sweep);
        hidden.step(8, { ...sweep, cal: truth });
        const at = { xMm: 40 + 12 * k, yMm: 100 };
        run.read(at, hidden.surfaceAt(at)[2]! + noise(), 1);
      }
      const { cal, range, rmsK, atBound } = run.cal();
      expect(Math.abs(cal - truth), `${truth}`).toBeLessThan(0.07);
      expect(range[1] - range[0]).toBeLessThan((wide[1] - wide[0]) / 2);
      expect(rmsK).toBeLessThan(2.5);
      expect([atBound, run.trusted]).toEqual([false, true]);
      expect(Math.abs(run.state().tapes.bottom!.q10 - hidden.state().tapes.bottom!.q10)).toBeLessThan(2);
      if (range[0] <= truth && truth <= range[1]) held += 1;
    }
    expect(held).toBeGreaterThanOrEqual(seeds * 0.75);
  });
  it("the order of readings does not matter", () => {
    const runs = [new HeatRun(m), new HeatRun(m)];
    const list = [
      [60, 52],
      [80, 49],
      [40, 55],
    ] as const;
    for (const r of runs) r.step(30, sweep);
    for (const [x, c] of list) runs[0]!.read({ xMm: x, yMm: 100 }, c);
    for (const [x, c] of [...list].reverse()) runs[1]!.read({ xMm: x, yMm: 100 }, c);
    expect(runs[1]!.cal().cal).toBeCloseTo(runs[0]!.cal().cal, 9);
    expect(runs[1]!.cal().range[0]).toBeCloseTo(runs[0]!.cal().range[0], 9);
  });
  it("a reading nothing explains is kept, and the plan is not trusted", () => {
    const run = new HeatRun(m);
    run.step(40, sweep);
    run.read({ xMm: 60, yMm: 100 }, 25, 1);
    expect(run.cal().atBound).toBe(true);
    expect(run.trusted).toBe(false);
    expect(() => run.read({ xMm: 0, yMm: 0 }, Number.NaN)).toThrow(RangeError);
    expect(() => run.step(1, { do: "mat", face: "front", rect: POCKET, setC: 60 })).toThrow(/front/);
  });
  it("the window left is the time until a tenth of the strip is too cold", () => {
    const run = new HeatRun(m);
    run.step(45, sweep);
    const { leftS, rangeS } = workingWindow(run, { piece: "bottom", softC: 38 });
    const s = simulate(
      m,
      [
        { ...sweep, seconds: 45 },
        { do: "rest", seconds: 200 },
      ],
      { sampleS: 0.5 },
    );
    const q = s.tapes.bottom!.q10;
    const from = 90;
    expect(q[from - 1]).toBeGreaterThan(38);
    const cold = q.findIndex((x, k) => k >= from && x < 38);
    expect(Math.abs(leftS - (cold - from + 1) / 2)).toBeLessThan(Math.max(3, 0.1 * leftS));
    expect(rangeS[0]).toBeLessThanOrEqual(leftS);
    expect(rangeS[1]).toBeGreaterThanOrEqual(leftS);
    expect(workingWindow(new HeatRun(m), { piece: "bottom", softC: 55 })).toEqual({ leftS: 0, rangeS: [0, 0] });
  });
});

describe("tool and hand", () => {
  const big = { xMm: 0, yMm: 0, widthMm: 312, heightMm: 195 };
  const spot: Jet & { seconds: number } = {
    ...sweep,
    edge: "top",
    fromMm: 156,
    toMm: 156,
    insetMm: 97.5,
    nozzleC: 150,
    seconds: 30,
  };
  it("one reading tells how strong the tool is; on plastic it says little", () => {
    const al = lidModel(parts([], big, []), { cover: "al" });
    for (const [cal, c] of [
      [0.7, 53.2],
      [0.85, 57.8],
      [1, 61.9],
      [1.15, 65.6],
      [1.3, 68.9],
    ] as const) {
      const r = calibrateTool(al, { act: spot, surfaceC: c });
      expect(Math.abs(r.cal - cal)).toBeLessThan(0.05);
      expect(r.range[0]).toBeLessThan(r.cal);
      expect(r.range[1]).toBeGreaterThan(r.cal);
      expect([r.weak, r.clipped]).toEqual([false, false]);
    }
    const weak = calibrateTool(lidModel(parts([], big, []), { cover: "pcabs" }), {
      act: { ...spot, tool: "hairDryer", nozzleC: 95, standOffMm: 40 },
      surfaceC: 58,
    });
    expect(weak.weak).toBe(true);
    expect(calibrateTool(al, { act: spot, surfaceC: 30 })).toMatchObject({ cal: 0.6, clipped: true });
    expect(() => calibrateTool(al, { act: { ...spot, toMm: 200 }, surfaceC: 60 })).toThrow(/one spot/);
  });
  it("touch: metal safe, plastic not, a glass front misleads", () => {
    // From effusivities by hand: b = sqrt(k rho cp), hold = T + (T - 33) bs / b.
    const rows: [CoverKind | "glass", number, [number, number, number], string][] = [
      ["al", 18040, [50, 55, 59], "safe"],
      ["mg", 11698, [51, 55, 60], "safe"],
      ["glass", 1485, [55, 62, 73], "misleading"],
      ["gf", 777, [60, 70, 87], "marginal"],
      ["pcabs", 587, [63, 75, 96], "notSafe"],
      ["abs", 514, [65, 78, 102], "notSafe"],
    ];
    for (const [kind, b, hold, verdict] of rows) {
      const a = touchAdvice(kind);
      expect(a.bWs).toBeCloseTo(b, -1);
      expect(a.holdC.map(Math.round)).toEqual(hold);
      expect(a.verdict).toBe(verdict);
    }
  });
});
