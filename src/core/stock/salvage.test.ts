import { seededRandom } from "@tests/randomActs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type DonorBuild, salvageOf, worthTaking } from ".";

const build: DonorBuild = {
  machineModel: "Ostrel Kestrel 14",
  parts: [
    { id: "bezel", name: "Bezel", view: "lid", role: "bezel", minutes: 3 },
    { id: "panel", name: "Panel", view: "lid", role: "panel" },
    { id: "base-cover", name: "Base cover", view: "base", role: "baseCover" },
    { id: "battery", name: "Battery", view: "base", role: "battery" },
  ],
  screws: [
    { item: "screw/M2x3 wafer", count: 6, view: "lid" },
    { item: "screw/M2x5 pan", count: 2, view: "base" },
  ],
  cables: [{ name: "Display cable", view: "lid", minutes: 4 }],
};

describe("what a donor still gives", () => {
  it("of a cracked panel never glass or cell; the timing board only as a spare of its own code and revision, the film only dry and uncut", () => {
    const parts = salvageOf({ kind: "panel", code: "GV140FHB-K31" });
    expect(parts.every((p) => p.item.endsWith("GV140FHB-K31"))).toBe(true);
    expect(parts.some((p) => /glass|cell/i.test(p.name))).toBe(false);
    expect(parts.find((p) => p.name.startsWith("timing board"))!.only).toMatch(/same code and the same revision/);
    expect(parts.find((p) => p.name.startsWith("film stack"))!.only).toMatch(/dry and uncut: gloves/);
  });
  it("of a dead lid what is in the lid; of a machine the base too; never its panel, never its pack", () => {
    const lid = salvageOf({ kind: "lid", build }).map((p) => p.item);
    expect(lid).toEqual(["part/bezel, Ostrel Kestrel 14", "part/display cable, Ostrel Kestrel 14", "screw/M2x3 wafer"]);
    const all = salvageOf({ kind: "machine", build }).map((p) => p.item);
    expect(all).toContain("part/base cover, Ostrel Kestrel 14");
    expect(all.join()).not.toMatch(/battery|panel/i);
    expect(salvageOf({ kind: "machine", build }).find((p) => p.item === "screw/M2x5 pan")!.count).toBe(2);
  });
});

describe("whether it pays to take a part off", () => {
  it("ten minutes at 42.00 an hour cost 7.00: tabs at 3.00 never pay, a hinge at 20.00 asked for twice a year does", () => {
    const at = (more: object) =>
      worthTaking({ used: 0, days: 0, lying: 0, newMinor: 300, minutes: 10, rateMinorPerHour: 4200, ...more });
    expect(at({})).toMatchObject({ costsMinor: 700, pays: false });
    expect(at({ used: 1000, days: 100 })).toMatchObject({ savesMinor: 300, pays: false });
    expect(at({ used: 2, days: 365, newMinor: 2000 }).pays).toBe(true);
    // Of no known use: 0.3 of an occasion in 120 days, so a year passes without one in (120 / 485) to the 0.3.
    expect(at({}).chance).toBeCloseTo(1 - (120 / 485) ** 0.3, 12);
  });
  it("its chance is that of drawing a rate and then a year, less what lies here already", () => {
    const u = seededRandom(11);
    // Gamma with a whole shape by sums of exponentials, Poisson by gaps: knows nothing of the formula.
    const exp = () => -Math.log(1 - u());
    for (const [used, days, lying] of [
      [1.7, 300, 0],
      [3.7, 300, 1],
      [2.7, 60, 2],
    ] as const) {
      const [shape, rate] = [Math.round(0.3 + used), 120 + days];
      let more = 0;
      const N = 40_000;
      for (let k = 0; k < N; k++) {
        let gamma = 0;
        for (let i = 0; i < shape; i++) gamma += exp();
        const perDay = gamma / rate;
        let n = 0;
        for (let t = exp() / perDay; t < 365; t += exp() / perDay) n++;
        if (n > lying) more++;
      }
      const { chance } = worthTaking({ used, days, lying, newMinor: 1, minutes: 1, rateMinorPerHour: 1 });
      expect(Math.abs(chance - more / N)).toBeLessThan(0.01);
    }
  });
  it("more asked for never makes it worth less, more lying here or more minutes never more", () => {
    const nat = (max: number) => fc.integer({ min: 0, max });
    fc.assert(
      fc.property(
        nat(20),
        nat(800),
        nat(6),
        nat(5000),
        fc.integer({ min: 1, max: 60 }),
        (used, days, lying, newMinor, minutes) => {
          const i = { used, days, lying, newMinor, minutes, rateMinorPerHour: 4200 };
          const w = worthTaking(i);
          expect(w.chance).toBeGreaterThanOrEqual(0);
          expect(w.chance).toBeLessThanOrEqual(1);
          expect(worthTaking({ ...i, used: used + 1 }).chance).toBeGreaterThanOrEqual(w.chance - 1e-12);
          expect(worthTaking({ ...i, lying: lying + 1 }).chance).toBeLessThanOrEqual(w.chance + 1e-12);
          if (!w.pays) expect(worthTaking({ ...i, minutes: minutes + 1 }).pays).toBe(false);
        },
      ),
    );
  });
});
