import { plannedJob, snapshots } from "@tests/bench";
import { at, factsOf, START } from "@tests/jobFacts";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { counting, type JobEvent, makeClock, msOf, placeOf, timesOpen } from "../job";
import { earnedBy, earnedOf, fittedBy, type JobFacts, shopFigures, sideCosts, spreadOf } from ".";

const placed = (more: Partial<JobFacts["placed"][number]> = {}): JobFacts["placed"][number] => ({
  seller: "Norrow Parts",
  goodsMinor: 6000,
  currency: "EUR",
  line: null,
  came: true,
  back: null,
  ...more,
});
const job = (n: number, more: Partial<JobFacts> = {}): JobFacts => factsOf(n, { placed: [placed()], ...more });

describe("what a job left, worked by hand", () => {
  const metre = (item: string) => (item === "tape/3x0.25" ? 88 : null);
  const postage = (o: { seller: string }) => (o.seller === "Norrow Parts" ? 490 : null);
  it("tape by the metre, and every parcel that came, those sent back too; one that never came was not paid", () => {
    // 742 mm at 0.88 a metre is 0.65.
    const j = job(1, {
      tape: { "tape/3x0.25": 742 },
      placed: [placed({ back: "wrongPart" }), placed({ back: "neverCame", came: false }), placed()],
    });
    expect(sideCosts(j, metre, postage)).toEqual({ tapeMinor: 65, postageMinor: 980 });
  });
  it("what nobody said is unknown, not nothing: the job is in the sum, and said to have left this much at most", () => {
    const known = job(1, { tape: { "tape/3x0.25": 1000 } });
    const noTape = job(2, { tape: { "tape/4x0.5": 300 } });
    const noPost = job(3, { placed: [placed({ seller: "Nobody knows" })] });
    const f = shopFigures([known, noTape, noPost], {
      nowIso: at(40),
      rateMinorPerHour: 4200,
      costs: (j) => sideCosts(j, metre, postage),
    });
    expect(f.earned.map((e) => e.leftMinor)).toEqual([
      15000 - 6000 - 88 - 490 - 4200,
      15000 - 6000 - 490 - 4200,
      15000 - 6000 - 4200,
    ]);
    expect(f.earned.map((e) => e.lacks)).toEqual([[], ["tape"], ["postage"]]);
    expect(f.atMost).toEqual(["H-2", "H-3"]);
    expect(f.byFamily[0]!.leftMinor).toBe(f.earned.reduce((n, e) => n + e.leftMinor!, 0));
  });
  it("a machine that came back and was repaired for nothing costs the panel that was fitted first", () => {
    const first = job(1);
    const again = job(2, {
      cameBack: "H-1",
      priceMinor: null,
      code: null,
      family: null,
      partsMinor: 0,
      placed: [],
      handsMin: 30,
    });
    const other = job(3, { code: "PD133WUB-L08" });
    const done = [first, again, other];
    const earned = earnedOf(done, 4200, () => ({ tapeMinor: 0, postageMinor: 0 }));
    expect(earned.map((e) => e.leftMinor)).toEqual([4800, -2100, 4800]);
    expect(earnedBy(earned, done, (j) => j.code)).toEqual([
      { key: "PD133WUB-L08", jobs: ["H-3"], leftMinor: 4800 },
      { key: "GV140FHB-K31", jobs: ["H-1", "H-2"], leftMinor: 2700 },
    ]);
    // A price nobody wrote down in an ordinary job stays unknown.
    expect(earnedOf([job(4, { priceMinor: null })], 4200, () => ({ tapeMinor: 0, postageMinor: 0 }))[0]!.leftMinor).toBeNull();
  });
});

describe("what held", () => {
  it("is told of panels out for 90 days, or back sooner; the young are in no share", () => {
    const now = at(200);
    const closed = (d: number) => ({ closedIso: at(d) });
    const jobs = [
      job(1, closed(10)),
      job(2, closed(20)),
      job(3, closed(150)),
      job(4, closed(160)),
      // Back on day 60 of the first, on day 95 of the second, on day 12 of the young fourth.
      job(11, { cameBack: "H-1", openedIso: at(70), outcome: null, closedIso: null, code: null, arrivedIso: null }),
      job(12, { cameBack: "H-2", openedIso: at(115), outcome: null, closedIso: null, code: null, arrivedIso: null }),
      job(14, { cameBack: "H-4", openedIso: at(172), outcome: null, closedIso: null, code: null, arrivedIso: null }),
    ];
    const done = jobs.filter((j) => j.closedIso);
    const [row] = fittedBy(jobs, done, now, (j) => j.code);
    expect(row).toMatchObject({ key: "GV140FHB-K31", fitted: 4, young: 1 });
    expect(row!.held).toMatchObject({ of: 3, times: 1, jobs: ["H-1", "H-4"] });
    expect(row!.ageDays).toMatchObject({ of: 4, p50: (200 - 20 + 200 - 150) / 2 });
  });
});

describe("a spread", () => {
  it("is the figures themselves at whole places, and between two elsewhere; the order they come in says nothing", () => {
    expect(spreadOf([])).toBeNull();
    expect(spreadOf([7])).toEqual({ p10: 7, p50: 7, p90: 7, of: 1 });
    expect(spreadOf([0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 100])).toEqual({ p10: 10, p50: 50, p90: 90, of: 11 });
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 1, maxLength: 30 }), (a) => {
        const s = spreadOf(a)!;
        expect(spreadOf([...a].reverse())).toEqual(s);
        expect(s.p10).toBeLessThanOrEqual(s.p50);
        expect(s.p50).toBeLessThanOrEqual(s.p90);
        expect(Math.min(...a)).toBeLessThanOrEqual(s.p10);
        expect(Math.max(...a)).toBeGreaterThanOrEqual(s.p90);
      }),
    );
  });
});

describe("how long a machine lay open", () => {
  /** The same acts, each a minute after the one before, with a night after the `n`th from the end. */
  const timed = (events: readonly JobEvent[], gapsMin: Readonly<Record<number, number>>): JobEvent[] => {
    let ms = START;
    return events.map((e, k) => {
      ms += (gapsMin[k] ?? 1) * 60_000;
      return { ...e, clock: makeClock(ms, k + 1), seen: 0 };
    });
  };
  const whole = counting(plannedJob("C").until(null).events);
  const plain = timed(whole, {});
  const isHands = (e: JobEvent) => /^(open|swap|bond|close|bench|prove)\./.test(e.type);
  const firstOut = plain.findIndex((e) => /^open\.(screw|part|tape)/.test(e.type));
  it("counts from the first thing taken away until the last is back, in one go", () => {
    const t = timesOpen(plain, snapshots);
    const lastBack = plain.findLastIndex((e) => /^close\.(screw|part)/.test(e.type));
    expect(t.takenUp).toBe(1);
    expect(t.longestMin).toBe(t.openMin);
    expect(t.openMin).toBeGreaterThan(0);
    expect(t.openMin).toBeLessThanOrEqual((msOf(placeOf(plain[lastBack]!)) - msOf(placeOf(plain[firstOut]!))) / 60_000);
  });
  it("a night in the middle is time it lay open, and one more set-up; the same night before it was opened is not", () => {
    const base = timesOpen(plain, snapshots);
    const seat = plain.findIndex((e) => e.type === "bond.panelSeated");
    const night = 16 * 60;
    const open = timesOpen(timed(whole, { [seat]: night + 1 }), snapshots);
    expect(open.openMin - base.openMin).toBeCloseTo(night, 9);
    expect(open.takenUp).toBe(2);
    const firstHand = plain.findIndex(isHands);
    expect(timesOpen(timed(whole, { [firstHand]: night + 1 }), snapshots)).toEqual(base);
  });
  it("one still open counts up to its last entry", () => {
    const cut = plain.slice(
      0,
      plain.findIndex((e) => e.type === "bond.panelSeated"),
    );
    const t = timesOpen(cut, snapshots);
    expect(t.openMin).toBeGreaterThan(0);
    expect(t.openMin).toBeLessThanOrEqual((msOf(placeOf(cut.at(-1)!)) - msOf(placeOf(plain[firstOut]!))) / 60_000);
    expect(timesOpen([], {})).toEqual({ openMin: 0, longestMin: 0, takenUp: 0 });
  });
});
