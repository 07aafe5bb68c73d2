import { builds, plannedJob } from "@tests/bench";
import { seededRandom } from "@tests/randomActs";
import { describe, expect, it } from "vitest";
import { planTimes, slipped } from "./durations";
import { makePlan } from "./plan";
import { stepTimes } from "./stepTimes";

/** A normal deviate from two uniform ones. */
const normal = (random: () => number) => Math.sqrt(-2 * Math.log(Math.max(1e-12, random()))) * Math.cos(2 * Math.PI * random());

describe("the shop's own times", () => {
  it("P80 covers 77 to 83 % of jobs, mean over 200 simulated shops of 40 jobs each, whose steps share a factor per job", () => {
    const build = builds["ostrel-kestrel-14"]!;
    const r = makePlan(build);
    if (!r.ok) throw new Error(r.problem);
    const medians = [...r.plan.out, ...r.plan.in].map((s) => s.minutes);
    const planned = planTimes(medians, []).p50;
    let covered = 0;
    let early = 0;
    let jobs = 0;
    for (let shop = 1; shop <= 200; shop++) {
      const random = seededRandom(shop * 7919);
      const pace = Math.exp(0.3 * normal(random));
      const sigmaJob = 0.15 + 0.2 * random();
      const sigmaStep = 0.25 + 0.2 * random();
      // Every shop has steps it is better or worse at than the build says.
      const own = medians.map((m) => m * pace * Math.exp(0.15 * normal(random)));
      const ratios: number[] = [];
      for (let job = 0; job < 40; job++) {
        const factor = Math.exp(sigmaJob * normal(random));
        const total = own.reduce((n, m) => n + m * factor * Math.exp(sigmaStep * normal(random)), 0);
        const p80 = planTimes(medians, ratios).p80;
        if (total <= p80) {
          covered += 1;
          if (job < 5) early += 1;
        }
        jobs += 1;
        ratios.push(total / planned);
      }
    }
    expect(covered / jobs).toBeGreaterThan(0.77);
    expect(covered / jobs).toBeLessThan(0.83);
    // Not only on average over a long log: the first jobs of a shop are foretold about as well.
    expect(early / 1000).toBeGreaterThan(0.73);
    expect(early / 1000).toBeLessThan(0.87);
  });
  it("learns: a shop that is a third slower is told so, and a long log narrows the range", () => {
    const slow = Array.from({ length: 30 }, (_, i) => 1.33 * Math.exp(0.1 * Math.sin(i * 2.4)));
    const none = planTimes([5, 10, 8], []);
    const much = planTimes([5, 10, 8], slow);
    expect(much.pace).toBeGreaterThan(1.25);
    expect(much.p50 / none.p50).toBeCloseTo(much.pace, 9);
    expect(much.p80 / much.p50).toBeLessThan(none.p80 / none.p50);
    expect(planTimes([5, 10, 8], slow.slice(0, 2)).pace).toBeLessThan(much.pace);
    expect(much.jobs).toBe(30);
  });
  it("with nothing to go on gives nothing, and takes no nonsense", () => {
    expect(planTimes([], [])).toEqual({ p50: 0, p80: 0, jobs: 0, pace: 1 });
    expect(planTimes([5], [0, -1, Number.NaN]).jobs).toBe(0);
  });
});

describe("what each step took", () => {
  it("is told from the clocks of what was recorded, breaks left out", () => {
    const b = plannedJob("C").follow((s) => s.subject === "out");
    const build = builds["ostrel-kestrel-14"]!;
    const r = makePlan(build);
    if (!r.ok) throw new Error(r.problem);
    const all = [...r.plan.out, ...r.plan.in];
    const times = stepTimes(b.events, b.view, all);
    // Every act of the test bench takes half a minute.
    expect(times.find((t) => t.id === "screwsOut:base-screws")!.actual).toBeCloseTo(3, 6);
    expect(times.find((t) => t.id === "partOut:bezel")!.actual).toBeCloseTo(0.5, 6);
    const late = b.events.map((e, i) => (i === b.events.length - 1 ? { ...e, clock: `9${e.clock.slice(1)}` } : e));
    expect(stepTimes(late, b.view, all).some((t) => t.actual > 20)).toBe(false);
  });
  it("what slipped is named, worst first", () => {
    const list = slipped([
      { id: "a", title: "A", planned: 3, actual: 3.5 },
      { id: "b", title: "B", planned: 3, actual: 9 },
      { id: "c", title: "C", planned: 1, actual: 12 },
      { id: "d", title: "D", planned: 0.2, actual: 0.5 },
    ]);
    expect(list.map((s) => s.id)).toEqual(["c", "b"]);
    // Half a minute more than planned is no slip, whatever it is of what was planned; nor is its own spread.
    const tight = (planned: number, actual: number) => slipped([{ id: "x", title: "X", planned, actual }]).length;
    expect(tight(0.5, 1)).toBe(0);
    expect(tight(0.5, 1.01)).toBe(1);
    expect(tight(60, 61)).toBe(0);
    expect(slipped([])).toEqual([]);
  });
});
