import { plannedJob, snapshots } from "@tests/bench";
import { at, DAY, factsOf as job, START } from "@tests/jobFacts";
import { describe, expect, it } from "vitest";
import { shareInterval } from "../chance";
import { counting, fold, handsOnMinutes, timesOpen } from "../job";
import { csvText, type JobFacts, jobFacts, shopFigures } from ".";

const figures = (jobs: JobFacts[]) => shopFigures(jobs, { nowIso: at(40), rateMinorPerHour: 4200 });

describe("what the figures say", () => {
  it("ten jobs, three still open: four days in the middle, not three as the closed ones alone say", () => {
    // The table is worked by hand: done at 1, 2, 3, 3, 4, 5, 6 days; open at 2, 4, 8.
    const done = [1, 2, 3, 3, 4, 5, 6].map((d, i) => job(i, { closedIso: at(d) }));
    const open = [2, 4, 8].map((d, i) => job(20 + i, { outcome: null, closedIso: null, openedIso: at(40 - d) }));
    const t = figures([...done, ...open]).turnaround;
    expect([t.p50Days, t.jobs, t.open]).toEqual([4, 10, 3]);
  });
  it("a job that was cancelled or went elsewhere is no turnaround and earns nothing", () => {
    const f = figures([job(1, {}), job(2, { outcome: "cancelled" }), job(3, { outcome: "handedOn" })]);
    expect(f.turnaround.jobs).toBe(1);
    expect(f.earned.map((e) => e.number)).toEqual(["H-1"]);
  });
  it("right the first time is without a panel sent back, lifted, opened again, or the machine back within 90 days", () => {
    const f = figures([
      job(1, {}),
      job(2, { returns: 1 }),
      job(3, { lifts: 1 }),
      job(4, { reopened: 1 }),
      job(5, {}),
      job(6, {}),
      // Back after 89 days, and after 91.
      job(7, { cameBack: "H-5", openedIso: at(5.5 + 89), outcome: null, closedIso: null }),
      job(8, { cameBack: "H-6", openedIso: at(5.5 + 91), outcome: null, closedIso: null }),
    ]);
    expect(f.rightFirst).toMatchObject({ of: 6, times: 2 });
    expect(f.rightFirst.jobs).toEqual(["H-2", "H-3", "H-4", "H-5"]);
  });
  it("a promise is the one given first: kept to the minute, broken a minute later; without one it does not count", () => {
    const f = figures([
      job(1, { closedIso: at(6) }),
      job(2, { closedIso: new Date(START + 6 * DAY + 60_000).toISOString(), promiseIso: at(9) }),
      job(3, { promisedIso: null }),
    ]);
    expect(f.promises).toMatchObject({ of: 2, times: 1, jobs: ["H-2"] });
  });
  it("what was left is price less parts less hands-on time; what nobody wrote down is unknown, not nothing", () => {
    const f = figures([
      job(1, {}),
      job(2, { priceMinor: null }),
      job(3, { partsMinor: null }),
      job(4, { priceMinor: 7000, family: "F" }),
    ]);
    expect(f.earned.map((e) => e.leftMinor)).toEqual([15000 - 6000 - 4200, null, null, 7000 - 6000 - 4200]);
    expect(f.byFamily).toEqual([
      { key: "C", jobs: ["H-1"], leftMinor: 4800 },
      { key: "F", jobs: ["H-4"], leftMinor: -3200 },
    ]);
    expect(f.unknownCost).toEqual(["H-2", "H-3"]);
  });
  it("the parts of the way are told month by month, and add up for a job", () => {
    const f = figures([job(1, {}), job(2, { closedIso: at(40) })]);
    expect(f.months.map((m) => [m.month, m.closed])).toEqual([
      ["2026-01", 1],
      ["2026-02", 1],
    ]);
    expect(f.months[0]!.way.map((w) => [w.part, w.days])).toEqual([
      ["decision", 1],
      ["panel", 3],
      ["bench", 1],
      ["handOver", 0.5],
    ]);
  });
  it("with no job nothing is told, and nothing throws", () => {
    const f = figures([]);
    expect(f.rightFirst).toMatchObject({ of: 0, low: 0, high: 1 });
    expect([f.way, f.months, f.byFamily]).toEqual([[], [], []]);
  });
});

describe("a share and what it may truly be", () => {
  it("holds the truth about four times in five, whatever the truth is", () => {
    let seed = 3;
    const u = () => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return seed / 2147483648;
    };
    for (const [p, n] of [
      [0.5, 20],
      [0.8, 40],
      [0.9, 156],
    ] as const) {
      let held = 0;
      for (let k = 0; k < 2000; k++) {
        let times = 0;
        for (let i = 0; i < n; i++) if (u() < p) times++;
        const s = shareInterval(times, n);
        if (s.low <= p && p <= s.high) held++;
      }
      expect(held / 2000, `${p} of ${n}`).toBeGreaterThan(0.72);
      expect(held / 2000, `${p} of ${n}`).toBeLessThan(0.9);
    }
  });
  it("never leaves 0 to 1, and refuses counts that cannot be", () => {
    expect(shareInterval(0, 5).low).toBe(0);
    expect(shareInterval(5, 5).high).toBe(1);
    expect(shareInterval(5, 5).low).toBeGreaterThan(0.6);
    for (const [k, n] of [
      [3, 2],
      [-1, 2],
      [0, -1],
      [Number.NaN, 2],
    ] as const)
      expect(() => shareInterval(k, n)).toThrow(RangeError);
  });
});

describe("the facts of a job", () => {
  it("are read off its log, and hold no word of the customer's", () => {
    const b = plannedJob("C").until(null);
    b.do("job.closed", { outcome: "handedOver", reason: "" });
    const counted = counting(b.events);
    const s = fold(b.events, snapshots);
    const f = jobFacts("x", counted, s, {
      handsMin: handsOnMinutes(counted),
      plannedMin: 40,
      family: "C",
      code: "GV140FHB-K31",
      tape: { "tape/3x0.25": 700 },
      opened: timesOpen(counted, snapshots),
    })!;
    expect(f).toMatchObject({
      number: "H-1",
      outcome: "handedOver",
      seller: "Brightwater Panels",
      partsMinor: 8420,
      priceMinor: null,
      orders: 1,
      returns: 0,
    });
    // It was opened and shut again in one go, and its one order came.
    expect(f.opened.takenUp).toBeGreaterThan(0);
    expect(f.opened.longestMin).toBe(f.opened.openMin);
    expect(f.placed).toEqual([
      { seller: "Brightwater Panels", goodsMinor: 8420, currency: "EUR", line: null, came: true, back: null },
    ]);
    const order = [f.openedIso, f.orderedIso!, f.arrivedIso!, f.begunIso!, f.closedIso!];
    expect([...order].sort()).toEqual(order);
    expect(JSON.stringify(f)).not.toContain(s.job!.customer);
  });
});

describe("a table", () => {
  it("is quoted where it must be, and no cell is a formula", () => {
    expect(
      csvText(
        ["a", "b"],
        [
          ['say "so"', "x,y"],
          ["=1+1", "@x"],
          ["-3", -3],
          [null, "two\r\nlines"],
        ],
      ),
    ).toBe('a,b\r\n"say ""so""","x,y"\r\n\'=1+1,\'@x\r\n\'-3,-3\r\n,"two\r\nlines"\r\n');
    // A formula that has to be quoted as well.
    expect(csvText(["a"], [['=A1,"x"']])).toBe('a\r\n"\'=A1,""x"""\r\n');
  });
});
