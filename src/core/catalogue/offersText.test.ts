import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readAmount, readOffersText } from "./offersText";

const defaults = { seller: "Norrow Parts", currency: "EUR", days: 5, condition: "new" as const };
const read = (text: string) => readOffersText(text, defaults);

describe("an amount as people write it", () => {
  it.each([
    ["84.20", 8420],
    ["84,20", 8420],
    ["84", 8400],
    ["84,2", 8420],
    ["€ 84,20", 8420],
    ["84.20 EUR", 8420],
    ["1.284,50", 128_450],
    ["1,284.50", 128_450],
    ["1 284,50", 128_450],
    ["1'284.50", 128_450],
    ["1.284", 128_400],
    ["1,284", 128_400],
    ["0.99", 99],
  ])("%s", (text, minor) => expect(readAmount(text)).toBe(minor));
  it.each(["", "free", "-5", "8.4.2", "12,3456", "..", "on request"])("%j is none", (text) =>
    expect(readAmount(text)).toBeNull(),
  );
  it("comes back from every way of writing it", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999_999 }), (minor) => {
        const [w, c] = [Math.floor(minor / 100), String(minor % 100).padStart(2, "0")];
        expect(readAmount(`${w}.${c}`)).toBe(minor);
        expect(readAmount(`${w},${c}`)).toBe(minor);
        expect(readAmount(`${w.toLocaleString("en-US")}.${c}`)).toBe(minor);
        expect(readAmount(`${w.toLocaleString("de-DE")},${c}`)).toBe(minor);
      }),
    );
  });
});

describe("offers from a page of text", () => {
  it("a table with headings, in any order, other columns left alone", () => {
    const r = read(
      "Supplier;Part no;Note;Unit price;Delivery days;Qty\nSecond Light;GV140FHB-K36;matt;84,20;3;2\n;QH133WXM-T02;;61.00;7;",
    );
    expect(r.columns).toEqual(["seller", "code", "other", "price", "days", "stock"]);
    expect(r.offers).toEqual([
      {
        line: 2,
        code: "GV140FHB-K36",
        seller: "Second Light",
        condition: "new",
        priceMinor: 8420,
        currency: "EUR",
        days: 3,
        stock: 2,
      },
      { line: 3, code: "QH133WXM-T02", seller: "Norrow Parts", condition: "new", priceMinor: 6100, currency: "EUR", days: 7 },
    ]);
  });
  it("without headings columns are told by what stands in them", () => {
    const r = read("GV140FHB-K36\trefurbished\t$84.20\nQH133WXM-T02\tpulled\t$61.00");
    expect(r.columns).toEqual(["code", "condition", "price"]);
    expect(r.offers).toMatchObject([
      { condition: "refurbished", currency: "USD", priceMinor: 8420 },
      { condition: "pulled", currency: "USD" },
    ]);
  });
  it("a comma parts columns where nothing else does", () => {
    expect(read("code,price\nGV140FHB-K36,84.20").offers).toMatchObject([{ code: "GV140FHB-K36", priceMinor: 8420 }]);
    expect(read('"GV140FHB-K36","84,20"').offers).toMatchObject([{ priceMinor: 8420 }]);
  });
  it("running text, as on a shop's page", () => {
    const r = read("14 inch panel GV140FHB-K36 matt, used, € 59,90, ships in 2-4 days, 3 in stock\nFree returns");
    expect(r.offers).toEqual([
      {
        line: 1,
        code: "GV140FHB-K36",
        seller: "Norrow Parts",
        condition: "used",
        priceMinor: 5990,
        currency: "EUR",
        days: 4,
        stock: 3,
      },
    ]);
    expect(r.problems).toEqual([{ line: 2, message: "no code with a price beside it" }]);
  });
  it("what cannot be read is named by line, and the rest is taken", () => {
    const r = read("code;price\nGV140FHB-K36;on request\n;12.00\nQH133WXM-T02;61.00");
    expect(r.problems).toEqual([
      { line: 2, message: 'GV140FHB-K36: "on request" is not an amount' },
      { line: 3, message: "no code" },
    ]);
    expect(r.offers.map((o) => o.code)).toEqual(["QH133WXM-T02"]);
  });
  it("columns a person has put right are taken as they are", () => {
    const text = "GV140FHB-K36;84.20;12.00";
    expect(readOffersText(text, defaults, ["code", "other", "price"]).offers[0]!.priceMinor).toBe(1200);
  });
  it("nothing throws, and nothing is offered without a code and an amount", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        for (const o of read(text).offers) {
          expect(o.code.length).toBeGreaterThan(0);
          expect(Number.isSafeInteger(o.priceMinor)).toBe(true);
        }
      }),
    );
    expect(read("").offers).toEqual([]);
  });
});
