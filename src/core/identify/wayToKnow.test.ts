import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { WAY_COSTS, waysAt, wayToKnow } from "./wayToKnow";

const input = (variants: { count: number; wrong: number }[], more = {}) => ({
  variants,
  repairedBefore: false,
  costs: WAY_COSTS,
  edidWorks: 0.8,
  ...more,
});

describe("order now, read the EDID or open first", () => {
  it("one panel seen many times: order by model", () => {
    const a = wayToKnow(input([{ count: 40, wrong: 0 }]));
    expect(a.p).toBeLessThan(0.02);
    expect(a.rows[0]!.way).toBe("model");
  });
  it("two panels that do not stand in for each other: know it first", () => {
    const a = wayToKnow(
      input([
        { count: 5, wrong: 0 },
        { count: 5, wrong: 1 },
      ]),
    );
    expect(a.p).toBeGreaterThan(0.4);
    expect(a.rows[0]!.way).not.toBe("model");
    expect(
      wayToKnow(
        input(
          [
            { count: 5, wrong: 0 },
            { count: 5, wrong: 1 },
          ],
          { edidWorks: 0 },
        ),
      ).rows[0]!.way,
    ).toBe("label");
  });
  it("each way is priced by hand at one chance in five", () => {
    const rows = waysAt(0.2, { costs: WAY_COSTS, edidWorks: 0.5 });
    const of = (way: string) => rows.find((r) => r.way === way)!;
    // By model: a fifth of a wrong order (24.00 and 7 days). By label: opened twice, and one label in a hundred misread.
    for (const [way, costMinor, days, totalMinor] of [
      ["model", 480, 1.4, 900],
      ["label", 1924, 0.57, 2095],
    ] as const) {
      expect(of(way).costMinor).toBeCloseTo(costMinor, 6);
      expect(of(way).days).toBeCloseTo(days, 6);
      expect(of(way).totalMinor).toBeCloseTo(totalMinor, 6);
    }
    // By EDID: half the time it works and a quarter of the wrong orders stay; else it is as ordering by model.
    expect(of("edid").costMinor).toBeCloseTo(350 + 0.5 * 0.2 * 0.25 * 2400 + 0.5 * 480, 9);
    expect(of("edid").days).toBeCloseTo(0.5 * 0.2 * 0.25 * 7 + 0.5 * 1.4, 9);
  });
  it("never sure: few sightings and an earlier repair keep a share for a variant never seen", () => {
    const p = (count: number, repairedBefore: boolean) => wayToKnow(input([{ count, wrong: 0 }], { repairedBefore })).p;
    expect(p(1, false)).toBeGreaterThan(p(10, false));
    expect(p(10, true)).toBeGreaterThan(p(10, false));
    expect(p(10_000, false)).toBeGreaterThan(0);
    expect(wayToKnow(input([])).p).toBeCloseTo(0.6, 9);
  });
  it("at the break-even the two cost the same, and on either side another leads", () => {
    const a = wayToKnow(
      input([
        { count: 5, wrong: 0 },
        { count: 2, wrong: 1 },
      ]),
    );
    const at = (p: number) => waysAt(p, input([]));
    const rows = at(a.breakEven!);
    const model = rows.find((r) => r.way === "model")!.totalMinor;
    expect(Math.abs(model - Math.min(...rows.filter((r) => r.way !== "model").map((r) => r.totalMinor)))).toBeLessThan(0.1);
    expect(at(a.breakEven! * 0.8)[0]!.way).toBe("model");
    expect(at(Math.min(1, a.breakEven! * 1.2))[0]!.way).not.toBe("model");
  });
  it("a likelier mistake never makes ordering by model cheaper; the least total comes first", () => {
    const chance = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(chance, chance, chance, (p, q, edidWorks) => {
        const model = (x: number) => waysAt(x, { costs: WAY_COSTS, edidWorks }).find((r) => r.way === "model")!.totalMinor;
        if (p <= q) expect(model(p)).toBeLessThanOrEqual(model(q) + 1e-9);
        const rows = waysAt(p, { costs: WAY_COSTS, edidWorks });
        expect(rows.map((r) => r.totalMinor)).toEqual(rows.map((r) => r.totalMinor).sort((a, b) => a - b));
      }),
    );
  });
});
