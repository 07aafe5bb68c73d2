import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readFeed } from "./sellerFeed";

const AS_OF = "2026-06-01T08:00:00.000Z";
const good = { code: "GV140FHB-K31", condition: "new", price: "84.20", currency: "EUR", days: 6, stock: 3 };
const ids = (c: string) => (c === "GV140FHB-K31" ? "gv140fhb-k31" : null);
const read = (rows: unknown[]) => readFeed("Norrow Parts", rows, ids, AS_OF);

describe("what a seller sends", () => {
  it("becomes offers in minor units, with the hour it was asked", () => {
    expect(read([good]).offers).toEqual([
      {
        panel: "gv140fhb-k31",
        seller: "Norrow Parts",
        condition: "new",
        priceMinor: 8420,
        currency: "EUR",
        days: 6,
        stock: 3,
        asOf: AS_OF,
      },
    ]);
  });
  it("a bad row is named with what was read, and the others count", () => {
    const r = read([
      { ...good, price: "-5.00" },
      good,
      { ...good, days: "soon" },
      { ...good, code: "XX999" },
      good,
      "out of paper",
      null,
    ]);
    expect(r.offers).toHaveLength(1);
    expect(r.problems).toHaveLength(6);
    expect(r.problems[0]).toBe('Row 1, price "-5.00": a price as "84.20"');
    expect(r.problems[1]).toContain('Row 3, days "soon"');
    expect(r.problems[2]).toContain("Row 4: XX999 is not in the catalogue");
    expect(r.problems[3]).toBe("Row 5: GV140FHB-K31, new, is there twice; the first counts");
    expect(r.problems[4]).toMatch(/^Row 6: /);
    expect(r.problems[5]).toMatch(/^Row 7: /);
    // Used is another offer than new, and cents are cents.
    const two = read([
      { ...good, price: "84.05" },
      { ...good, condition: "used", price: "0.99" },
    ]);
    expect(two.problems).toEqual([]);
    expect(two.offers.map((o) => o.priceMinor)).toEqual([8405, 99]);
  });
  it("never throws, and every row is an offer or a problem", () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.anything(), fc.constant(good)), { maxLength: 20 }), (rows) => {
        const r = read(rows);
        expect(r.offers.length + r.problems.length).toBe(rows.length);
      }),
    );
  });
});
