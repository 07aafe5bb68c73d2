import { PromiseReference } from "@tests/promiseReference";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  advance,
  calendarOf,
  chanceBy,
  DEFAULT_HOURS,
  doneBy,
  hoursText,
  lateDays,
  type PromiseInput,
  promiseDate,
  promiseInputOf,
  readHours,
  rescue,
  ShopHours,
  saidBy,
} from ".";

/** Monday 0 to Friday 4, no work on day 3 (a holiday); lunch from 12:30 to 13:15. */
const workdays = Array.from({ length: 390 }, (_, d) => d).filter((d) => d % 7 < 5 && d !== 3);
const windows = workdays.flatMap((d): [number, number][] => [
  [d * 1440 + 540, d * 1440 + 750],
  [d * 1440 + 795, d * 1440 + 1020],
]);
const handover = workdays.map((d): [number, number] => [d * 1440 + 600, d * 1440 + 1020]);
const deliveries = { atMin: 660, days: workdays };
const plain: PromiseInput = {
  nowMin: 600,
  windows,
  handover,
  deliveries,
  benches: 1,
  order: null,
  ahead: { p50: 0, p80: 0 },
  hands: { p50: 60, p80: 60 },
  waitMin: 0,
};
const order = { placedMin: 600, p50Days: 6.6, p80Days: 8.9, wrongChance: 0.12, again: { p50Days: 2.2, p80Days: 3 } };
const ordered: PromiseInput = {
  ...plain,
  order,
  ahead: { p50: 240, p80: 320 },
  hands: { p50: 55, p80: 72 },
  waitMin: 20,
};

describe("bench hours", () => {
  it("work goes on over lunch, night, holiday and weekend, and no minute is lost or won", () => {
    // 50 minutes to lunch, 225 after it: 125 left for the next morning.
    expect(advance(windows, 700, 400)).toBe(1440 + 540 + 125);
    // Wednesday evening: the holiday is left out.
    expect(advance(windows, 2 * 1440 + 1010, 20)).toBe(4 * 1440 + 540 + 10);
    // Friday evening to Monday.
    expect(advance(windows, 4 * 1440 + 1010, 20)).toBe(7 * 1440 + 540 + 10);
    expect(advance(windows, 700, 50)).toBe(750);
    expect(advance([[540, 1020]], 0, 481)).toBe(Number.POSITIVE_INFINITY);
  });
});

describe("promiseDate", () => {
  it("nothing random: exact to the minute, over lunch, night, weekend and holiday", () => {
    const at = (i: Partial<PromiseInput>) => promiseDate({ ...plain, ...i }).p80Min;
    expect(at({})).toBe(660);
    expect(at({ nowMin: 730 })).toBe(795 + 40);
    // Ready before anybody hands over: at ten.
    expect(at({ nowMin: 540, hands: { p50: 20, p80: 20 } })).toBe(600);
    // Wednesday 16:30, an hour: half an hour on Friday, handed over from ten.
    expect(at({ nowMin: 2 * 1440 + 990 })).toBe(4 * 1440 + 600);
    expect(at({ nowMin: 4 * 1440 + 990, hands: { p50: 150, p80: 150 } })).toBe(7 * 1440 + 660);
    // A wait runs on through lunch; the second half comes after it.
    expect(at({ nowMin: 700, waitMin: 60 })).toBe(795 + 30);
    // A day of dwell: next day at the same hour.
    expect(at({ dwellMin: 1440 })).toBe(1440 + 660);
    // Ordered, two days to the minute: it comes with the call after it.
    expect(at({ order: { placedMin: 600, p50Days: 2, p80Days: 2, wrongChance: 0 } })).toBe(2 * 1440 + 720);
    // The queue ahead halves with two benches.
    expect(at({ ahead: { p50: 120, p80: 120 }, benches: 2 })).toBe(720);
    expect(at({ customer: { p50Days: 1, p80Days: 1 } })).toBe(1440 + 660);
  });
  const settings: [string, PromiseInput][] = [
    ["ordered", ordered],
    ["in stock", { ...ordered, order: null }],
    ["two benches", { ...ordered, benches: 2, ahead: { p50: 900, p80: 1300 } }],
    ["overdue", { ...ordered, nowMin: 9 * 1440 + 600, order: { ...order, placedMin: 600 } }],
    ["answer awaited", { ...ordered, customer: { p50Days: 1.1, p80Days: 2.5 } }],
    ["a day of dwell", { ...ordered, dwellMin: 1440 }],
  ];
  it.each(settings)("%s: chances within 0.03 of 30,000 draws told another way", (_, i) => {
    const mine = promiseDate(i, { seed: 7 });
    const other = new PromiseReference(i).many(30_000);
    for (const p of [0.2, 0.5, 0.8, 0.95]) {
      const due = other[Math.ceil(p * other.length) - 1]!;
      expect(Math.abs(chanceBy(mine.doneMin, due) - chanceBy(other, due)), `at ${p}`).toBeLessThan(0.03);
    }
  });
  it("the same input and seed give the same date; a text is a seed", () => {
    const a = promiseDate(ordered, { seed: "H-2417 0001" });
    expect(promiseDate(ordered, { seed: "H-2417 0001" })).toEqual(a);
    expect(promiseDate(ordered, { seed: "H-2417 0002" }).doneMin).not.toEqual(a.doneMin);
  });
  it("is never in the past, P50 not after P80, and a wrong part or a longer way only delays", () => {
    fc.assert(
      fc.property(
        fc.record({
          now: fc.integer({ min: 0, max: 20 * 1440 }),
          placed: fc.integer({ min: -20 * 1440, max: 20 * 1440 }),
          p50: fc.double({ min: 0.2, max: 15, noNaN: true }),
          wide: fc.double({ min: 1, max: 2, noNaN: true }),
          wrong: fc.double({ min: 0, max: 0.5, noNaN: true }),
        }),
        (x) => {
          const o = { placedMin: x.placed, p50Days: x.p50, p80Days: x.p50 * x.wide, wrongChance: x.wrong };
          const p = promiseDate({ ...ordered, nowMin: x.now, order: o }, { draws: 400, seed: 1 });
          expect(p.doneMin[0]!).toBeGreaterThanOrEqual(x.now);
          expect(p.p50Min).toBeLessThanOrEqual(p.p80Min);
          expect(p.p80Min).toBeLessThanOrEqual(p.p95Min);
          const more = promiseDate({ ...ordered, nowMin: x.now, order: { ...o, wrongChance: 0.9 } }, { draws: 400, seed: 1 });
          expect(more.p80Min).toBeGreaterThanOrEqual(p.p80Min);
        },
      ),
      { numRuns: 60 },
    );
  });
  it("an overdue order gets later, the longer it is out", () => {
    const left = (day: number) => promiseDate({ ...ordered, nowMin: day * 1440 + 600 }).p80Min - day * 1440;
    expect(promiseDate({ ...ordered, nowMin: 9 * 1440 + 600 }).p80Min).toBeGreaterThan(promiseDate(ordered).p80Min);
    expect(left(25)).toBeGreaterThan(0);
  });
  it("says what cannot be", () => {
    expect(() => promiseDate({ ...plain, benches: 0 })).toThrow(/benches/);
    expect(() => promiseDate({ ...ordered, order: { ...order, p80Days: 1 } })).toThrow(/order: read 6.6 and 1 days/);
    expect(() => promiseDate({ ...ordered, order: { ...order, wrongChance: 2 } })).toThrow(/wrongChance/);
    expect(promiseDate({ ...plain, windows: [] }).p80Min).toBe(Number.POSITIVE_INFINITY);
  });
});

describe("how sure a promise is", () => {
  it("the time by which a share of the draws is done, exact on a short list", () => {
    const ten = Float64Array.from({ length: 10 }, (_, i) => 100 * (i + 1));
    expect([0.1, 0.5, 0.8, 0.9, 1].map((s) => doneBy(ten, s))).toEqual([100, 500, 800, 900, 1000]);
    expect(doneBy(ten, 0.81)).toBe(900);
    expect(doneBy([], 0.8)).toBeNaN();
  });
  it("at four in five it is the P80; nine in ten is never sooner, and is late in one of ten draws", () => {
    const p = promiseDate(ordered, { seed: 3 });
    expect(doneBy(p.doneMin, 0.8)).toBe(p.p80Min);
    const nine = doneBy(p.doneMin, 0.9);
    expect(nine).toBeGreaterThanOrEqual(p.p80Min);
    expect(chanceBy(p.doneMin, nine)).toBeGreaterThanOrEqual(0.9);
    // A promise made anew by the shop that says nine in ten breaks less often.
    const call = { id: "call", extraMinor: 0, newDue: "p80" as const, change: {} };
    const late = (sure: number) =>
      rescue(ordered, 700, [call], { lateMinorPerDay: 800, seed: 3, sure }).rows.find((r) => r.id === "call")!;
    expect(late(0.9).promiseMin).toBe(nine);
    expect(late(0.9).chanceLate).toBeLessThanOrEqual(0.1);
    expect(late(0.8).chanceLate).toBeGreaterThan(late(0.9).chanceLate);
  });
  it("a shop that never chose promises four in five", () => {
    const { sure: _, ...before } = DEFAULT_HOURS;
    expect(ShopHours.parse(before).sure).toBe(0.8);
    expect(ShopHours.safeParse({ ...before, sure: 0.5 }).success).toBe(false);
  });
});

describe("what is said to a customer", () => {
  const day: [number, number][] = [
    [600, 1020],
    [2040, 2430],
  ];
  it("is the end of the hour it is done in, and of the last hour of a day no later than its hours", () => {
    // Done 11:40, 12:00 sharp, 16:59, and 40:10 of a day that ends at 40:30.
    expect([700, 720, 1019, 2410].map((m) => saidBy(m, day))).toEqual([720, 720, 1020, 2430]);
    expect(saidBy(600, day)).toBe(600);
    // Outside all hours nothing is made up.
    expect([saidBy(1100, day), saidBy(5000, day)]).toEqual([1100, 5000]);
  });
  it("is never sooner than what was drawn, and never an hour later", () => {
    fc.assert(
      fc.property(fc.integer({ min: 600, max: 1020 }), (m) => {
        const said = saidBy(m, day);
        expect(said).toBeGreaterThanOrEqual(m);
        expect(said - m).toBeLessThan(60);
        expect(saidBy(said, day)).toBe(said);
      }),
    );
  });
});

describe("rescue", () => {
  const due = 7 * 1440 + 1020;
  const options = [
    { id: "otherSeller", extraMinor: 900, change: { order: { placedMin: 600, p50Days: 2.2, p80Days: 3, wrongChance: 0.15 } } },
    {
      id: "otherPanel",
      extraMinor: -700,
      hurtsMinor: 1500,
      change: { order: { placedMin: 600, p50Days: 1.1, p80Days: 1.5, wrongChance: 0.15 } },
    },
    { id: "firstInLine", extraMinor: 300, change: { ahead: { p50: 0, p80: 0 } } },
    { id: "callCustomer", extraMinor: 500, hurtsMinor: 600, newDue: "p80" as const, change: {} },
  ];
  const out = rescue(ordered, due, options, { lateMinorPerDay: 800, seed: 1 });
  it("judges every way by the same draws, and takes the least cost", () => {
    expect(out.rows.map((r) => r.id)).toEqual(["asItIs", "otherSeller", "otherPanel", "firstInLine", "callCustomer"]);
    for (const r of out.rows) expect(out.rows.find((x) => x.id === out.best)!.costMinor).toBeLessThanOrEqual(r.costMinor);
    const [as, seller, , line, call] = out.rows;
    expect(seller!.chanceLate).toBeLessThan(0.1);
    // A missing part is not helped by a queue.
    expect(Math.abs(line!.chanceLate - as!.chanceLate)).toBeLessThan(0.02);
    expect(Math.abs(call!.chanceLate - 0.2)).toBeLessThan(0.01);
    for (const r of out.rows) expect(r.costMinor).toBeCloseTo(costOf(r.id, r.lateDays), 9);
  });
  const costOf = (id: string, late: number) => {
    const o = options.find((x) => x.id === id);
    return (o?.extraMinor ?? 0) + late * 800 + (o?.hurtsMinor ?? 0);
  };
  it("is watched only over a fifth; a safe promise is left as it is; a tie goes to what can be undone", () => {
    expect(out.breaks).toBe(true);
    const safe = rescue(ordered, 200 * 1440, options, { lateMinorPerDay: 800, seed: 1 });
    expect(safe.breaks).toBe(false);
    const free = [
      { id: "a", extraMinor: -10, change: {} },
      { id: "b", extraMinor: -10, undoable: true, change: {} },
    ];
    expect(rescue(plain, 1e6, free, { lateMinorPerDay: 800, seed: 1 }).best).toBe("b");
    expect(rescue(plain, 1e6, [], { lateMinorPerDay: 800, seed: 1 }).best).toBe("asItIs");
  });
  it("late days count from the promise, at most sixty a draw", () => {
    expect(lateDays([1440, 1440 + 2880], 1440)).toBe(1);
    expect(lateDays([1e9], 0)).toBe(60);
    expect(lateDays([], 0)).toBe(0);
    expect(chanceBy([], 0)).toBe(0);
  });
});

describe("what waiting costs", () => {
  it("hours kept before anybody was asked read with the guesses; what cannot be is refused", () => {
    const { costs, lend, ...before } = DEFAULT_HOURS;
    expect(ShopHours.parse(before)).toEqual(DEFAULT_HOURS);
    expect(lend).toBe(0);
    for (const bad of [{ lateMinorPerDay: -1 }, { carryPerYear: 2.5 }, { delayMinor: 1.5 }])
      expect(ShopHours.safeParse({ ...before, costs: { ...costs, ...bad } }).success, JSON.stringify(bad)).toBe(false);
  });
});

describe("a shop's hours", () => {
  it("are read as people write them; what cannot be is not", () => {
    expect(readHours("9-12:30, 13.15 - 17")).toEqual([
      [540, 750],
      [795, 1020],
    ]);
    for (const closed of ["", "  ", "closed", "-"]) expect(readHours(closed)).toEqual([]);
    for (const bad of ["nine to five", "17-9", "9-12, 11-13", "9:75-12", "9-25"]) expect(readHours(bad), bad).toBeNull();
    expect(readHours(hoursText(DEFAULT_HOURS.bench[0]!))).toEqual(DEFAULT_HOURS.bench[0]);
  });
  it("make a calendar from its first day: weekends, holidays and the carrier's days", () => {
    // 27 November 2026 is a Friday.
    const c = calendarOf({ ...DEFAULT_HOURS, holidays: ["2026-12-01"] }, "2026-11-27", 6);
    expect(c.windows.map((w) => Math.floor(w[0] / 1440))).toEqual([0, 0, 3, 3, 5, 5]);
    expect(c.handover).toEqual([0, 3, 5].map((d) => [d * 1440 + 600, d * 1440 + 1020]));
    expect(c.deliveries).toEqual({ atMin: 660, days: [0, 3, 5] });
    expect(() => calendarOf(DEFAULT_HOURS, "soon", 3)).toThrow(/"soon"/);
    const i = promiseInputOf({
      nowMin: 600,
      calendar: calendarOf(DEFAULT_HOURS, "2026-11-30", 60),
      hours: DEFAULT_HOURS,
      hands: { p50: 60, p80: 60 },
      order: null,
      ahead: { p50: 0, p80: 0 },
      glass: true,
    });
    // An hour, and a day of dwell.
    expect(promiseDate(i).p80Min).toBe(1440 + 660);
    expect(ShopHours.safeParse({ ...DEFAULT_HOURS, bench: [] }).success).toBe(false);
    expect(ShopHours.safeParse({ ...DEFAULT_HOURS, handover: [1020, 600] }).success).toBe(false);
  });
});
