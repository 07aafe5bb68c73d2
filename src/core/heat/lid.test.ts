import { norm, POCKET, parts, STRIPS, sweep } from "@tests/heatLids";
import type { ReferenceLid } from "@tests/heatReference";
import { seededRandom } from "@tests/randomActs";
import { describe, expect, it } from "vitest";
import { type Act, COVERS, type Face, HeatRun, lidModel, planHeat, simulate, workingWindow } from ".";

describe("a lid from its rectangles", () => {
  it("keeps every square millimetre of tape at any cell, and a keep-out cuts a strip in two", () => {
    for (const cellMm of [3, 4, 5.7, 9]) {
      const m = lidModel(parts(), { cover: "pcabs", cellMm });
      const { grid, share } = m.inner;
      const area = share.reduce((s, f) => s + f, 0) * grid.dxMm * grid.dyMm;
      // The two strips meet in a corner of 2 by 0 mm: they do not.
      expect(area).toBeCloseTo(150 * 6 + 4.5 * 92, 6);
      expect(m.nx).toBe(Math.round(160 / cellMm));
    }
    const cut = lidModel(parts([{ fromMm: 60, toMm: 90, why: "camera" }]), { cover: "al" });
    expect(cut.pieces.map((p) => [p.id, p.tape, p.lengthMm])).toEqual([
      ["bottom.1", "bottom", 60],
      ["bottom.2", "bottom", 60],
      ["left", "left", 92],
    ]);
    expect(lidModel(parts(), { cover: "al" }).domain).toEqual(POCKET);
  });
  it("refuses figures that are none, with what and where", () => {
    expect(() => lidModel(parts(), { cover: "al", cellMm: 0 })).toThrow(/cellMm/);
    expect(() => lidModel(parts(), { cover: { ...COVERS.al, mm: Number.NaN } })).toThrow(/cover\.mm/);
    const m = lidModel(parts(), { cover: "al" });
    const mat = (face: Face): Act => ({ do: "mat", face, rect: POCKET, setC: 60, seconds: 5 });
    expect(() => simulate(m, [mat("back"), mat("front")])).toThrow(RangeError);
    expect(() => simulate(m, [mat("front"), { ...sweep, seconds: 5 }], { face: "back" })).toThrow(/both|one face/);
    expect(() => simulate(m, [], { startC: new Float64Array(3) })).toThrow(/startC/);
    expect(() =>
      planHeat(m, {
        softC: 55,
        ceilingsC: {},
        pieces: ["no-such"],
        means: { by: "mat", setC: [60], widthMm: 300, heightMm: 200 },
      }),
    ).toThrow(/no-such/);
    expect(() => workingWindow(new HeatRun(m), { piece: "no-such", softC: 55 })).toThrow(/no-such/);
  });
});

describe("what must hold of any lid", () => {
  it("mirrored acts give mirrored fields", () => {
    const both = [STRIPS[1], { ...STRIPS[1], id: "right", xMm: 2 * POCKET.xMm + POCKET.widthMm - STRIPS[1].xMm - 4.5 }];
    const m = lidModel(parts([], POCKET, both as never), { cover: "mg" });
    const mid = 2 * POCKET.xMm + POCKET.widthMm;
    const run = (fromMm: number, toMm: number) =>
      simulate(m, [{ ...sweep, fromMm, toMm, seconds: 30 }], { fieldsAtS: [30], coastS: 0 }).fields[0]!.layers;
    const [a, b] = [run(30, 70), run(mid - 30, mid - 70)];
    for (let k = 0; k < a.length; k++) {
      const i = k % m.nx;
      expect(Math.abs(a[k]! - b[k - i + m.nx - 1 - i]!)).toBeLessThan(1e-6);
    }
  });
  it.each<[ReferenceLid["construction"], Face]>([
    ["rearTaped", "back"],
    ["rearTaped", "front"],
    ["glassFront", "back"],
    ["glassFront", "front"],
  ])("%s from the %s: from any field, with any step, its energy norm falls at every step", (construction, face) => {
    const m = lidModel(parts(), { cover: "al", construction, cellMm: 6 });
    const random = seededRandom(7);
    for (const dtS of [5, 60, 400]) {
      const startC = Float64Array.from({ length: 5 * m.nx * m.ny }, () => 23 + 60 * (random() - 0.5));
      const s = simulate(m, [{ do: "rest", seconds: 12 * dtS }], {
        face,
        dtS,
        startC,
        coastS: 0,
        fieldsAtS: Array.from({ length: 13 }, (_, k) => k * dtS),
      });
      const norms = s.fields.map((f) => norm(m, f.layers, face));
      expect(norms).toHaveLength(13);
      for (let k = 1; k < norms.length; k++) expect(norms[k]!, `${dtS} s, step ${k}`).toBeLessThan(norms[k - 1]!);
    }
  });
  it("a mat never makes anything hotter than its set-point, reaches it, and slides warm", () => {
    const m = lidModel(parts(), { cover: "al" });
    const left = { xMm: 5, yMm: 4, widthMm: 80, heightMm: 110 };
    const mat: Act = { do: "mat", face: "back", rect: left, setC: 62, contactWm2K: 400, seconds: 400 };
    const s = simulate(m, [mat, { ...mat, rect: { ...left, xMm: 85 }, seconds: 20 }]);
    for (const k of ["surface", "cover", "film", "lcd"] as const) expect(s.peaks[k].maxC).toBeLessThan(62.02);
    expect(Math.max(...s.mats.map((x) => x.matC))).toBeCloseTo(62, 1);
    expect(Math.max(...s.mats.map((x) => x.matC))).toBeLessThanOrEqual(62);
    expect(s.mats.find((x) => x.atS > 400)!.matC).toBeGreaterThan(50);
    const cold = simulate(m, [mat, { do: "rest", seconds: 1 }, { ...mat, seconds: 20 }]);
    expect(cold.mats.find((x) => x.atS > 401)!.matC).toBeLessThan(35);
  });
  it("foil lets a tenth through, a cloth keeps heat in, and both lie until they are taken away", () => {
    const m = lidModel(parts(), { cover: "al" });
    const everywhere = [{ xMm: -50, yMm: -50, widthMm: 400, heightMm: 300 }];
    const short = { ...sweep, toMm: sweep.fromMm, seconds: 0.05 };
    const at = (lay: Act[]) => simulate(m, [...lay, short], { dtS: 0.05, coastS: 0 }).energy.inJ;
    expect(at([{ do: "shield", rects: everywhere }]) / at([])).toBeCloseTo(0.1, 2);
    expect(
      at([
        { do: "shield", rects: everywhere },
        { do: "shield", rects: [] },
      ]),
    ).toBeCloseTo(at([]), 9);
    const warm = (lay: Act[]) =>
      simulate(m, [{ ...sweep, seconds: 30 }, ...lay, { do: "rest", seconds: 60 }]).tapes.bottom!.median.at(-1)!;
    expect(warm([{ do: "cover", rects: everywhere }])).toBeGreaterThan(warm([]) + 0.3);
  });
  it("a battery beside a steady cover warms as its equation says, and takes nothing from the lid", () => {
    const zone = { rect: { xMm: 40, yMm: 30, widthMm: 60, heightMm: 40 }, against: "cover" as const };
    const o = { cover: "al" as const, eps: 0, epsFront: 0, hBackWm2K: 1e-9, hFrontWm2K: 1e-9 };
    const s = simulate(lidModel(parts([], POCKET, []), { ...o, battery: zone }), [{ do: "rest", seconds: 300 }], {
      startC: 60,
      coastS: 0,
    });
    const eq = (25 * 60 + 5 * 23) / 30;
    expect(s.peaks.battery!.maxC).toBeCloseTo(eq + (23 - eq) * Math.exp((-300 * 30) / 1e4), 4);
    expect(s.peaks.cover.maxC).toBeCloseTo(60, 6);
    expect(simulate(lidModel(parts(), o), []).peaks.battery).toBeNull();
  });
  it("peaks without a last rest are those with one, and films rise after shut-off", () => {
    const m = lidModel(parts(), { cover: "pcabs" });
    const act: Act = { ...sweep, seconds: 60 };
    const [a, b] = [simulate(m, [act]), simulate(m, [act, { do: "rest", seconds: 60 }])];
    for (const k of ["surface", "cover", "film", "lcd"] as const)
      expect(Math.abs(a.peaks[k].maxC - b.peaks[k].maxC)).toBeLessThan(0.1);
    expect(a.peaks.film.maxC).toBeGreaterThan(a.peaks.film.atShutOffC + 0.5);
    expect(a.peaks.film.atS).toBeGreaterThan(60);
    expect(a.t.at(-1)).toBe(60);
  });
  it("a step of two seconds is within 2.5 K", () => {
    const m = lidModel(parts(), { cover: "al" });
    const act: Act = { ...sweep, seconds: 60 };
    const [a, b] = [simulate(m, [act]), simulate(m, [act], { dtS: 2 })];
    expect(Math.abs(a.tapes.bottom!.q10.at(-1)! - b.tapes.bottom!.q10.at(-1)!)).toBeLessThan(2.5);
  });
});
