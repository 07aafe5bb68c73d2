import { readFileSync } from "node:fs";
import { builds, panels } from "@tests/bench";
import { seededRandom } from "@tests/randomActs";
import { runs } from "@tests/scale";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Offer } from "../catalogue";
import { NO_LOG, panelParts, priceMoved, type QuoteInput, QuotePolicy, quoteOptions } from ".";
import { type Cost, expectedMinor, quantileMinor } from "./distribution";
import { pooledLabour } from "./options";

const policy = QuotePolicy.parse(JSON.parse(readFileSync("data/reference/quote.json", "utf8")));
const offers = JSON.parse(readFileSync("data/demo/offers.json", "utf8")).offers as Offer[];
const input = (more: Partial<QuoteInput> = {}): QuoteInput => ({
  policy,
  family: "C",
  machineModel: "Ostrel Kestrel 14",
  plan: { p50: 55, p80: 69 },
  panelNew: { name: "new", priceMinor: 6140, days: 2 },
  panelUsed: { name: "used", priceMinor: 2900, days: 3 },
  cover: "no",
  replacementMinor: null,
  log: NO_LOG,
  ...more,
});
const of = (i: QuoteInput, id: string) => quoteOptions(i).find((o) => o.id === id)!;

describe("distribution of a cost", () => {
  /** A slow reference: many drawn jobs. */
  function drawn(c: Cost, n: number, seed: number): number[] {
    const r = seededRandom(seed);
    const sigma = c.labour.p80 > c.labour.p50 ? Math.log(c.labour.p80 / c.labour.p50) / 0.8416212335729143 : 0;
    return Array.from({ length: n }, () => {
      const z = Math.sqrt(-2 * Math.log(1 - r())) * Math.cos(2 * Math.PI * r());
      const labour = ((c.labour.p50 * Math.exp(sigma * z)) / 60) * c.rateMinorPerHour;
      return c.risks.reduce((s, k) => s + (r() < k.chance ? k.costMinor : 0), c.fixedMinor + labour);
    }).sort((a, b) => a - b);
  }
  it("agrees with a simulation within one percent, mean and every fifth", () => {
    const costs: Cost[] = [
      {
        fixedMinor: 6140,
        labour: { p50: 55, p80: 69 },
        rateMinorPerHour: 4200,
        risks: [
          { chance: 0.1, costMinor: 1800 },
          { chance: 0.03, costMinor: 9500 },
        ],
      },
      { fixedMinor: 0, labour: { p50: 150, p80: 230 }, rateMinorPerHour: 4200, risks: [{ chance: 0.22, costMinor: 26000 }] },
      { fixedMinor: 500, labour: { p50: 30, p80: 40 }, rateMinorPerHour: 6000, risks: [] },
    ];
    for (const c of costs) {
      const slow = drawn(c, 80_000, 7);
      const mean = slow.reduce((a, b) => a + b, 0) / slow.length;
      expect(Math.abs(expectedMinor(c) / mean - 1)).toBeLessThan(0.01);
      for (const q of [0.2, 0.5, 0.6, 0.8])
        expect(Math.abs(quantileMinor(c, q) / slow[Math.floor(q * slow.length)]! - 1), String(q)).toBeLessThan(0.015);
    }
  });
  it("published values: a log-normal's 80th percentile is the P80 it was given", () => {
    const c: Cost = { fixedMinor: 0, labour: { p50: 60, p80: 90 }, rateMinorPerHour: 6000, risks: [] };
    expect(quantileMinor(c, 0.5)).toBeCloseTo(6000, 0);
    expect(quantileMinor(c, 0.8)).toBeCloseTo(9000, 0);
  });
  it("quantiles rise, more risk never costs less, and it is the same each time", () => {
    const risk = fc.record({
      chance: fc.double({ min: 0, max: 1, noNaN: true }),
      costMinor: fc.integer({ min: 0, max: 50_000 }),
    });
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 50_000 }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 2, noNaN: true }),
        fc.array(risk, { maxLength: 5 }),
        risk,
        (fixedMinor, p50, k, risks, more) => {
          const c: Cost = { fixedMinor, labour: { p50, p80: p50 * k }, rateMinorPerHour: 4200, risks };
          const a = [0.1, 0.5, 0.8, 0.95].map((q) => quantileMinor(c, q));
          for (let i = 1; i < a.length; i++) expect(a[i]!).toBeGreaterThanOrEqual(a[i - 1]! - 0.01);
          expect(quantileMinor({ ...c, risks: [...risks, more] }, 0.8)).toBeGreaterThanOrEqual(a[2]! - 0.01);
          expect(quantileMinor(c, 0.8)).toBe(a[2]);
          expect(a[0]).toBeGreaterThanOrEqual(fixedMinor);
        },
      ),
      { numRuns: runs(60) },
    );
  });
});

describe("options", () => {
  it("are six, with reasons for those that cannot be offered", () => {
    const all = quoteOptions(input({ panelUsed: null, machineModel: "Nobody's 12" }));
    expect(all.map((o) => o.id)).toEqual(["cover", "makerService", "lidAssembly", "panelNew", "panelUsed", "none"]);
    expect(all.filter((o) => o.whyNot).map((o) => o.id)).toEqual(["cover", "lidAssembly", "panelUsed"]);
    expect(of(input({ cover: "unknown" }), "cover").whyNot).toMatch(/not known/);
    expect(of(input({ cover: "yes" }), "cover").whyNot).toBeNull();
  });
  it("money is whole minor units with tax, and the ratio is against another machine", () => {
    for (const o of quoteOptions(input())) {
      for (const m of [o.expectedMinor, o.p80Minor, o.likelyMinor]) expect(Number.isInteger(m)).toBe(true);
      expect(o.ratio).toBeCloseTo(o.expectedMinor / policy.replacementMinor, 9);
    }
    const untaxed = of(input({ policy: { ...policy, taxPercent: 0 } }), "makerService");
    expect(untaxed.expectedMinor).toBe(policy.makerService.priceMinor);
    expect(of(input(), "makerService").expectedMinor).toBe(Math.round(policy.makerService.priceMinor * 1.2));
    expect(of(input({ replacementMinor: 10_000 }), "makerService").ratio).toBeCloseTo(2.34, 9);
  });
  it("a family where films are hurt costs more in the bad case", () => {
    const c = of(input({ family: "C" }), "panelNew");
    const g = of(input({ family: "G" }), "panelNew");
    expect(g.p80Minor).toBeGreaterThan(c.p80Minor);
    expect(g.mishaps.some((m) => /film/i.test(m.name))).toBe(true);
  });
  it("without a plan the family's default stands, and says so", () => {
    expect(of(input({ plan: null }), "panelNew").labour.p50).toBe(policy.familyMinutes.C![0]);
    expect(of(input({ plan: null, family: null }), "panelNew").notes[0]).toMatch(/guessed/);
  });
  it("the shop's log takes over by how much there is", () => {
    expect(pooledLabour({ p50: 50, p80: 62 }, [])).toEqual({ p50: 50, p80: 62 });
    const one = pooledLabour({ p50: 50, p80: 62 }, [2]);
    const many = pooledLabour({ p50: 50, p80: 62 }, Array(60).fill(2));
    expect(one.p50).toBeGreaterThan(50);
    expect(one.p50).toBeLessThan(60);
    expect(many.p50).toBeGreaterThan(93);
    const broken = of(input({ log: { ratios: [], jobs: 200, mishaps: { bezelClip: 60 } } }), "panelNew").mishaps.find((m) =>
      /clip/.test(m.name),
    )!;
    expect(broken.chance).toBeGreaterThan(0.25);
    expect(broken.from).toMatch(/200 jobs/);
  });
  it("a price that moved beyond its margin asks again", () => {
    expect(priceMoved(10_000, 11_500, 15)).toBeNull();
    expect(priceMoved(10_000, 11_501, 15)).toBeCloseTo(15.01, 2);
    expect(priceMoved(10_000, 8_000, 15)).toBeCloseTo(-20, 9);
    expect(priceMoved(0, 100, 15)).toBe(100);
  });
});

describe("panelParts", () => {
  const all = Object.values(panels);
  it("never takes a stop or a part that must not be connected", () => {
    const old = panels["gv140fhb-k31"]!;
    const p = panelParts(old, [], all, offers, builds["ostrel-kestrel-14"]!);
    expect(p.panelNew).not.toBeNull();
    for (const part of [p.panelNew, p.panelUsed]) if (part) expect(part.name).not.toMatch(/PD140FHT-40B1|PD140FHB-U02/);
  });
  it("by machine model when the panel was not read, and says so", () => {
    const p = panelParts(null, ["gv140fhb-k31"], all, offers, null);
    expect(p.panelNew?.name).toMatch(/^GV140FHB-K31, new/);
    expect(p.basis).toMatch(/not read yet/);
    expect(panelParts(null, [], all, offers, null).panelNew).toBeNull();
  });
});
