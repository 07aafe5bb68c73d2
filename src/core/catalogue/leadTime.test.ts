import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { LEAD_DEFAULTS, leadTime, type PastOrder, sellerRecord } from "./leadTime";

const came = (tookDays: number, quotedDays = 5, seller = "Norrow Parts"): PastOrder => ({
  seller,
  quotedDays,
  tookDays,
  returned: null,
});

describe("lead time per seller", () => {
  it("is the default ratio while nothing is known", () => {
    const t = leadTime(6, "Norrow Parts", []);
    expect(t.p50Days).toBeCloseTo(6 * LEAD_DEFAULTS.ratio, 9);
    expect(t.p80Days).toBeGreaterThan(t.p50Days);
    expect(t.orders).toBe(0);
  });
  it("comes near the shop's own days as orders add up, and narrows", () => {
    const few = leadTime(5, "Norrow Parts", [came(9), came(11)]);
    const many = leadTime(
      5,
      "Norrow Parts",
      Array.from({ length: 60 }, (_, i) => came(9.6 + (i % 3) * 0.4)),
    );
    expect(many.p50Days).toBeCloseTo(10, 0);
    expect(Math.abs(few.p50Days - 10)).toBeGreaterThan(Math.abs(many.p50Days - 10));
    expect(many.p80Days / many.p50Days).toBeLessThan(few.p80Days / few.p50Days);
  });
  it("does not learn from other sellers, from orders on their way, or from nothing", () => {
    const none = leadTime(5, "Second Light", []);
    expect(leadTime(5, "Second Light", [came(40), { ...came(1), seller: "Second Light", tookDays: null }])).toEqual(none);
  });
  it("covers about four orders of five when orders follow the model", () => {
    // Box-Muller from a fixed sequence: ratio log-normal about 1.4 with spread 0.25.
    let a = 12345;
    const u = () => {
      a = (a * 1103515245 + 12345) % 2147483648;
      return (a + 0.5) / 2147483648;
    };
    const draw = () => 5 * 1.4 * Math.exp(0.25 * Math.sqrt(-2 * Math.log(u())) * Math.cos(2 * Math.PI * u()));
    const past: PastOrder[] = [];
    let held = 0;
    for (let i = 0; i < 400; i++) {
      const took = draw();
      if (i >= 20 && took <= leadTime(5, "Norrow Parts", past).p80Days) held += 1;
      past.push(came(took));
    }
    expect(held / 380).toBeGreaterThan(0.75);
    expect(held / 380).toBeLessThan(0.88);
  });
  it("never says P80 before P50, nor anything but days", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 90, noNaN: true }),
        fc.array(fc.double({ min: 0, max: 200, noNaN: true }), { maxLength: 30 }),
        (q, took) => {
          const t = leadTime(
            q,
            "Norrow Parts",
            took.map((d) => came(d)),
          );
          expect(t.p50Days).toBeGreaterThan(0);
          expect(t.p80Days).toBeGreaterThanOrEqual(t.p50Days);
          expect(Number.isFinite(t.p80Days)).toBe(true);
        },
      ),
    );
  });
});

describe("a seller's record", () => {
  it("counts orders, what came and what went back for which reason", () => {
    const past: PastOrder[] = [
      came(4),
      { ...came(6), returned: "cracked" },
      { ...came(6), returned: "cracked" },
      { ...came(6), returned: "wrongPart" },
      { seller: "Norrow Parts", quotedDays: 5, tookDays: null, returned: "neverCame" },
      came(3, 5, "Second Light"),
    ];
    expect(sellerRecord("Norrow Parts", past)).toEqual({
      seller: "Norrow Parts",
      orders: 5,
      came: 4,
      returned: 4,
      reasons: [
        { reason: "cracked", times: 2 },
        { reason: "neverCame", times: 1 },
        { reason: "wrongPart", times: 1 },
      ],
    });
  });
});
