import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DATE_ORDERS, readWhen, writeWhen } from "./when";

// A Wednesday, 10 June 2026, 09:30 where this machine stands.
const NOW = new Date(2026, 5, 10, 9, 30).getTime();
const ms = (y: number, m: number, d: number, h = 17, min = 0) => new Date(y, m - 1, d, h, min).getTime();

describe("a day and time as people write it", () => {
  it.each([
    ["16:00", ms(2026, 6, 10, 16)],
    ["today", ms(2026, 6, 10)],
    ["tomorrow 4 pm", ms(2026, 6, 11, 16)],
    ["Fri", ms(2026, 6, 12)],
    ["friday 16:00", ms(2026, 6, 12, 16)],
    ["Wed", ms(2026, 6, 17)],
    ["13 Jun", ms(2026, 6, 13)],
    ["Fri 12 Jun 16:00", ms(2026, 6, 12, 16)],
    ["13. june 2026, 9:15", ms(2026, 6, 13, 9, 15)],
    ["Jun 13 12 am", ms(2026, 6, 13, 0)],
    ["3 Jan", ms(2027, 1, 3)],
    ["2026-06-13", ms(2026, 6, 13)],
    ["2026-06-13T08:30", ms(2026, 6, 13, 8, 30)],
    ["in 3 days", ms(2026, 6, 13)],
    ["in 2 weeks 10:00", ms(2026, 6, 24, 10)],
    ["13.6.", ms(2026, 6, 13)],
    ["13/6/26 16:00", ms(2026, 6, 13, 16)],
  ])("%s", (text, want) => expect(readWhen(text, NOW, "dmy")).toBe(want));
  it("figures are read in the shop's order", () => {
    expect(readWhen("6/7", NOW, "dmy")).toBe(ms(2026, 7, 6));
    expect(readWhen("6/7", NOW, "mdy")).toBe(ms(2027, 6, 7));
    expect(readWhen("13/6", NOW, "mdy")).toBeNull();
  });
  it.each(["", "soon", "31 Feb", "30/2/2026", "25:00", "13 Foo", "12:75", "13 pm", "2026-13-01"])("%j is no day", (text) => {
    expect(readWhen(text, NOW, "dmy")).toBeNull();
  });
  it("what is written can be read again, in every order", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2_000_000 }), fc.constantFrom(...DATE_ORDERS), (minutes, order) => {
        const t = new Date(2025, 0, 1, 0, minutes).getTime();
        expect(readWhen(writeWhen(t, order), NOW, order)).toBe(t);
      }),
    );
  });
});
