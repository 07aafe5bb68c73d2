import { parts } from "@tests/heatLids";
import { describe, expect, it } from "vitest";
import { calibrateOnSpare, HeatOwn, lidModel, NOTHING_OWN, ownAct, ownLid, ownMeans, planHeat, simulate, strengthOf } from ".";

const spot = { tool: "heatGun", nozzleC: 150, standOffMm: 60, cover: "al" } as const;

describe("what a shop knows of its own warming", () => {
  it("a tool's strength from one reading on a spare lid: the table for aluminium at 150 °C", () => {
    // HEAT.md 5, on another lid: 53.2 / 57.8 / 61.9 / 65.6 / 68.9 °C at 0.7 / 0.85 / 1 / 1.15 / 1.3.
    for (const [surfaceC, cal] of [
      [53.2, 0.7],
      [57.8, 0.85],
      [61.9, 1],
      [65.6, 1.15],
      [68.9, 1.3],
    ] as const) {
      const r = calibrateOnSpare(NOTHING_OWN, { ...spot, surfaceC });
      expect(r.cal, `${surfaceC}`).toBeGreaterThan(cal - 0.08);
      expect(r.cal, `${surfaceC}`).toBeLessThan(cal + 0.08);
      expect(r.range[0]).toBeLessThan(r.cal);
      expect(r.range[1]).toBeGreaterThan(r.cal);
    }
    expect(calibrateOnSpare(NOTHING_OWN, { ...spot, surfaceC: 140 }).clipped).toBe(true);
    // Plastic tells little.
    const dryer = { tool: "hairDryer", nozzleC: 95, standOffMm: 40, cover: "pcabs" } as const;
    expect(calibrateOnSpare(NOTHING_OWN, { ...dryer, surfaceC: 58 }).weak).toBe(true);
  });
  it("a cold room is taken for no weak tool", () => {
    const cold: HeatOwn = { figures: { roomC: 15 }, tools: {} };
    const at = (own: HeatOwn) => calibrateOnSpare(own, { ...spot, surfaceC: 56 }).cal;
    expect(at(cold)).toBeGreaterThan(at(NOTHING_OWN) + 0.1);
  });
  it("a weak dryer is planned longer than one that gives what it should, on the same lid", () => {
    const b = parts();
    const m = lidModel(b, { cover: "pcabs", cellMm: 6 });
    const means = { by: "jet", tool: "hairDryer", nozzleC: [95, 110], standOffMm: 40 } as const;
    const o = { pieces: [m.pieces[0]!.id], softC: 50, ceilingsC: { cover: 85 } };
    const heated = (own: HeatOwn) => {
      const plan = planHeat(m, { ...o, means: ownMeans(own, { ...means, nozzleC: [...means.nozzleC] }) });
      if (!plan.ok) throw new Error(JSON.stringify(plan.misses));
      return { s: plan.passes.reduce((n, p) => n + p.heatS, 0), acts: plan.acts };
    };
    const usual = heated(NOTHING_OWN);
    const weak = heated({ figures: {}, tools: { hairDryer: { cal: 0.75, on: "2026-11-30" } } });
    expect(weak.s).toBeGreaterThan(usual.s);
    expect(weak.acts.find((a) => a.do === "jet")).toMatchObject({ cal: 0.75 });
  });
  it("its mat, its room and its tape reach the model", () => {
    const own: HeatOwn = { figures: { roomC: 17, tapeKWmK: 0.15, matContactWm2K: 90, matPowerW: 120 }, tools: {} };
    expect(ownLid(own)).toEqual({ ambientC: 17, tapeKWmK: 0.15 });
    // A room measured on the job comes first.
    expect(ownLid(own, 26).ambientC).toBe(26);
    const mat = { do: "mat", face: "back", rect: parts().lid.pocket, setC: 60 } as const;
    expect(ownAct(own, mat)).toMatchObject({ contactWm2K: 90, powerW: 120 });
    const m = lidModel(parts(), { cover: "al", cellMm: 6 });
    const film = (a: typeof mat) => simulate(m, [{ ...a, seconds: 60 }], { dtS: 1 }).peaks.film.maxC;
    expect(film(ownAct(own, mat))).toBeLessThan(film(mat) - 1);
    expect(strengthOf(own, "heatGun")).toBe(1);
    expect(strengthOf(own, { diameterMm: 30, flowLpm: 200 })).toBe(1);
  });
  it("a figure in another unit or a strength no tool has is refused", () => {
    const ok = (o: unknown) => HeatOwn.safeParse(o).success;
    expect(ok({ figures: { roomC: 20.5 }, tools: { heatGun: { cal: 0.9, on: "2026-11-30" } } })).toBe(true);
    expect(ok({ figures: { roomC: 294 }, tools: {} })).toBe(false);
    expect(ok({ figures: {}, tools: { heatGun: { cal: 2, on: "2026-11-30" } } })).toBe(false);
    expect(ok({ figures: { roomF: 70 }, tools: {} })).toBe(false);
  });
});
