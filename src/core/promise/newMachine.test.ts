import { describe, expect, it } from "vitest";
import { newLead } from ".";

const offer = (seller: string, p50Days: number, p80Days: number, stock?: number) => ({
  seller,
  panel: "GV140FHB-K31",
  p50Days,
  p80Days,
  stock,
});

describe("days of a panel nobody has ordered yet", () => {
  it("the quickest offer in stock, by the day it is here four times in five, not by what is likely", () => {
    const l = newLead([offer("A", 1, 9), offer("B", 2, 4), offer("C", 0.5, 1, 0)], [30, 30, 30, 30, 30, 30]);
    expect(l).toMatchObject({ p50Days: 2, p80Days: 4 });
    expect(l.from).toContain("from B");
  });
  it("without an offer, as past orders went: half and four fifths of them took no longer", () => {
    const took = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
    const l = newLead([], took);
    expect(took.filter((d) => d <= l.p50Days).length).toBe(5);
    expect(took.filter((d) => d <= l.p80Days).length).toBe(8);
    expect(l.from).toContain("10 orders");
    // What never came, or came before it was ordered, is no record.
    expect(newLead([], [...took, Number.POSITIVE_INFINITY, -1, Number.NaN])).toEqual(l);
    expect(newLead([offer("A", 1, 2, 0)], took)).toEqual(l);
  });
  it("with neither, a default that says it is one", () => {
    const l = newLead([], [1, 1, 1, 1]);
    expect(l.from).toMatch(/\(A\)/);
    expect(l.p80Days).toBeGreaterThan(l.p50Days);
  });
});
