import { seededRandom } from "@tests/randomActs";
import { cartonCost, drawDemand, everyOrder } from "@tests/reorderReference";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cartonChoice, classRate, jointOrder, leadDemand, type ReorderAsk, rateOf, reorderPoint, sizesOf } from ".";

const item: ReorderAsk = {
  occasions: 5,
  days: 180,
  priorRate: 1 / 60,
  lead: { p50Days: 4.4, p80Days: 6 },
  priceMinor: 3950,
  carryPerYear: 0.1,
  obsoletePerYear: 0.25,
  delayMinor: 700,
  orderMinor: 490,
  service: 0.9,
};

describe("what a panel of a class is asked for", () => {
  it("worked by hand: three codes, 24 occasions in 300 days; none known is once in 400 days", () => {
    // (3 × 0.3 + 24) over 420 days and three codes.
    expect(classRate({ occasions: 24, codes: 3, days: 300 })).toBeCloseTo(24.9 / (420 * 3), 12);
    expect(classRate({ occasions: 0, codes: 0, days: 300 })).toBe(1 / 400);
  });
  it("begins at once in 400 days and comes to what was seen; more that walk in never lower it, another code that nobody asks for never raises it", () => {
    expect(classRate({ occasions: 0, codes: 2, days: 0 })).toBeCloseTo(1 / 400, 12);
    expect(classRate({ occasions: 2 * 36_500 * 0.05, codes: 2, days: 36_500 })).toBeCloseTo(0.05, 3);
    fc.assert(
      fc.property(fc.nat(200), fc.integer({ min: 1, max: 20 }), fc.nat(2000), (occasions, codes, days) => {
        const r = classRate({ occasions, codes, days });
        expect(classRate({ occasions: occasions + 1, codes, days })).toBeGreaterThan(r);
        if (r > 1 / 400) expect(classRate({ occasions, codes: codes + 1, days })).toBeLessThan(r);
      }),
    );
  });
});

describe("demand over a lead time", () => {
  it("P(0), P(1) and P(2) are within 0.01 of 60,000 draws, one each or several", () => {
    for (const sizes of [sizesOf([]), sizesOf([1, 1, 3, 2, 1]), sizesOf([2, 2, 2, 4])]) {
      for (const [occasions, days] of [
        [5, 180],
        [0, 30],
        [24, 365],
      ] as const) {
        const r = rateOf(occasions, days, 1 / 60);
        const mine = leadDemand({ ...r, sizes, lead: item.lead });
        const drawn = drawDemand({ ...r, sizes, ...item.lead }, 60_000);
        for (const k of [0, 1, 2]) expect(Math.abs(mine[k]! - drawn[k]!), `${occasions} in ${days}, ${k}`).toBeLessThan(0.01);
        expect(mine.reduce((a, b) => a + b)).toBeCloseTo(1, 6);
      }
    }
  });
  it("without data it is the class's rate; a code not seen fades by itself", () => {
    expect(reorderPoint({ ...item, occasions: 0, days: 0 }).ratePerDay).toBeCloseTo(1 / 60, 12);
    const faded = (days: number) => reorderPoint({ ...item, occasions: 0, days }).ratePerDay;
    expect(faded(400)).toBeLessThan(faded(100));
    expect(sizesOf([3]).map((p) => Math.round(p * 100))).toEqual([0, 80, 0, 20]);
  });
});

describe("how many to keep", () => {
  const x = reorderPoint(item);
  it("the worked machine: one on the shelf, two where service asks, a batch of its postage", () => {
    expect(x.economic).toMatchObject({ S: 1, stockIt: true });
    expect(x.economic.perDayMinor).toBeCloseTo(5.1, 1);
    expect(x.demand[0]).toBeCloseTo(0.898, 3);
    expect(x.ratePerDay).toBeCloseTo(0.0233, 4);
    expect([x.s, x.S, x.batch]).toEqual([0, x.batch, x.batch]);
    expect(x.forService.S).toBeGreaterThanOrEqual(1);
    // 16.3 a day without stock, as the same formula says.
    expect(x.ratePerDay * item.delayMinor).toBeCloseTo(16.3, 1);
  });
  it("dear and hardly asked for: do not stock", () => {
    const rare = reorderPoint({
      ...item,
      occasions: 0,
      priorRate: 1 / 400,
      priceMinor: 9900,
      lead: { p50Days: 8.8, p80Days: 12 },
    });
    expect(rare.economic).toMatchObject({ S: 0, stockIt: false });
    expect([rare.s, rare.S]).toEqual([-1, -1]);
  });
  it("S is the best of all S by the formula; more demand or lead never lowers it, price or age never raises it", () => {
    fc.assert(
      fc.property(
        fc.record({
          occasions: fc.integer({ min: 0, max: 40 }),
          days: fc.integer({ min: 1, max: 700 }),
          priceMinor: fc.integer({ min: 100, max: 40_000 }),
          delayMinor: fc.integer({ min: 0, max: 4000 }),
          p50: fc.double({ min: 0.5, max: 20, noNaN: true }),
        }),
        (o) => {
          const ask = { ...item, ...o, lead: { p50Days: o.p50, p80Days: o.p50 * 1.4 } };
          const r = reorderPoint(ask);
          const hold = (ask.priceMinor * 0.35) / 365;
          const cost = (S: number) => {
            let lies = 0;
            let none = 0;
            r.demand.forEach((p, d) => {
              lies += p * Math.max(0, S - d);
              if (d >= S) none += p;
            });
            return hold * lies + r.ratePerDay * ask.delayMinor * none;
          };
          for (let S = 0; S <= 20; S++) expect(cost(S)).toBeGreaterThan(r.economic.perDayMinor - 1e-6);
          const best = (change: Partial<ReorderAsk>) => reorderPoint({ ...ask, ...change }).economic.S;
          expect(best({ occasions: o.occasions + 5 })).toBeGreaterThanOrEqual(r.economic.S);
          expect(best({ lead: { p50Days: o.p50 * 2, p80Days: o.p50 * 2.8 } })).toBeGreaterThanOrEqual(r.economic.S);
          expect(best({ priceMinor: o.priceMinor * 2 })).toBeLessThanOrEqual(r.economic.S);
          expect(best({ obsoletePerYear: 1 })).toBeLessThanOrEqual(r.economic.S);
        },
      ),
      { numRuns: 60 },
    );
  });
  it("says what cannot be", () => {
    expect(() => reorderPoint({ ...item, days: -1 })).toThrow(/days: read -1/);
    expect(() => reorderPoint({ ...item, lead: { p50Days: 0, p80Days: 1 } })).toThrow(/lead/);
    expect(() => reorderPoint({ ...item, priceMinor: Number.NaN })).toThrow(/priceMinor/);
  });
});

describe("one order over several sellers", () => {
  it("costs what the best of all choices costs, on 60 random orders", () => {
    const r = seededRandom(9);
    for (let k = 0; k < 60; k++) {
      const sellers = ["a", "b", "c"].map((id) => ({
        id,
        postageMinor: 300 + Math.floor(r() * 600),
        freeFromMinor: r() < 0.5 ? 5000 + Math.floor(r() * 9000) : null,
      }));
      const lines = Array.from({ length: 6 }, (_, i) => ({
        id: `l${i}`,
        count: 1 + Math.floor(r() * 2),
        offers: sellers
          .filter(() => r() < 0.75)
          .map((s) => ({ seller: s.id, priceMinor: 500 + Math.floor(r() * 6000), lateMinor: Math.floor(r() * 300) })),
        skipMinor: r() < 0.8 ? 4000 : null,
      }));
      const mine = jointOrder({ lines, sellers });
      expect(mine.total, `order ${k}`).toBe(everyOrder(lines, sellers));
      if (Number.isFinite(mine.total))
        expect(mine.pick.every((p, i) => p === null || lines[i]!.offers.some((o) => o.seller === p))).toBe(true);
    }
  });
  it("goods at the free limit carry no postage; a line nobody offers and that must come cannot be ordered", () => {
    const sellers = [{ id: "x", postageMinor: 490, freeFromMinor: 1000 }];
    const line = (priceMinor: number, skipMinor: number | null = null) => ({
      id: "a",
      count: 1,
      offers: [{ seller: "x", priceMinor }],
      skipMinor,
    });
    expect(jointOrder({ lines: [line(1000)], sellers }).total).toBe(1000);
    expect(jointOrder({ lines: [line(999)], sellers }).total).toBe(1489);
    expect(jointOrder({ lines: [line(999, 400)], sellers })).toMatchObject({ total: 400, pick: [null], goods: [0] });
    expect(jointOrder({ lines: [{ ...line(5), offers: [] }], sellers }).total).toBe(Number.POSITIVE_INFINITY);
    expect(jointOrder({ lines: [], sellers })).toMatchObject({ total: 0, pick: [] });
  });
  it("twelve lines over three sellers are settled", () => {
    const r = seededRandom(2);
    const sellers = ["a", "b", "c"].map((id) => ({ id, postageMinor: 490, freeFromMinor: 20_000 }));
    const lines = Array.from({ length: 12 }, (_, i) => ({
      id: `l${i}`,
      count: 1,
      offers: sellers.map((s) => ({ seller: s.id, priceMinor: 3000 + Math.floor(r() * 2000), lateMinor: Math.floor(r() * 300) })),
      skipMinor: 5000,
    }));
    const t = performance.now();
    const mine = jointOrder({ lines, sellers });
    expect(mine.pick).toHaveLength(12);
    expect(performance.now() - t).toBeLessThan(20_000);
  });
});

describe("cartons for a fleet", () => {
  const fleet = {
    machines: 30,
    needChance: 0.87,
    unitMinor: 3950,
    cartonOf: 10,
    cartonMinor: 33_000,
    salvageMinor: 2200,
    delayMinor: 700,
    spareUse: 2,
  };
  it("three cartons at 330.00, none at 420.00", () => {
    const c = cartonChoice(fleet);
    expect(c).toMatchObject({ cartons: 3, units: 0 });
    expect(c.costMinor / 100).toBeCloseTo(877.1, 0);
    expect(c.left).toBeCloseTo(3.9, 1);
    expect(cartonChoice({ ...fleet, cartonMinor: 42_000 }).cartons).toBe(0);
  });
  it("is the least of all counts, told another way", () => {
    const r = seededRandom(4);
    for (let k = 0; k < 25; k++) {
      const o = {
        ...fleet,
        machines: 5 + Math.floor(r() * 30),
        needChance: 0.5 + 0.45 * r(),
        cartonMinor: 20_000 + Math.floor(r() * 25_000),
        cartonOf: 5 + Math.floor(r() * 8),
      };
      const mine = cartonChoice(o);
      let least = Number.POSITIVE_INFINITY;
      for (let c = 0; c * o.cartonOf <= o.machines + o.cartonOf; c++)
        for (let u = 0; u <= o.machines + 3; u++)
          if (c * o.cartonOf + u <= Math.max(o.machines + 3, c * o.cartonOf)) least = Math.min(least, cartonCost(o, c, u));
      expect(mine.costMinor, `fleet ${k}`).toBeCloseTo(least, 4);
      expect(mine.costMinor).toBeCloseTo(cartonCost(o, mine.cartons, mine.units), 4);
    }
  });
  it("no machines, nothing; says what cannot be", () => {
    expect(cartonChoice({ ...fleet, machines: 0 })).toMatchObject({ cartons: 0, units: 0, costMinor: 0 });
    expect(() => cartonChoice({ ...fleet, needChance: 1.2 })).toThrow(/needChance/);
    expect(() => cartonChoice({ ...fleet, cartonOf: 0 })).toThrow(/cartonOf/);
    expect(() => cartonChoice({ ...fleet, machines: 2.5 })).toThrow(/machines/);
  });
});
