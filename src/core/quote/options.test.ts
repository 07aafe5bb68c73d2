import { readFileSync } from "node:fs";
import { builds, panels } from "@tests/bench";
import { describe, expect, it } from "vitest";
import type { Offer } from "../catalogue";
import { NO_LOG, panelParts, priceMoved, type QuoteInput, QuotePolicy, quoteOptions } from ".";
import { pooledLabour } from "./options";

const shipped = QuotePolicy.parse(JSON.parse(readFileSync("data/reference/quote.json", "utf8")));
/** Round numbers, so that what is expected can be worked out on paper. */
const policy: QuotePolicy = {
  ...shipped,
  taxPercent: 10,
  benchRateMinorPerHour: 6000,
  replacementMinor: 50_000,
  cover: { excessMinor: 5000, days: 10, keeps: "cover stays" },
  makerService: { priceMinor: 30_000, days: 12, keeps: "warranty stays" },
  assemblies: [{ machineModel: "Ostrel Kestrel 14", priceMinor: 20_000, days: 4, minutes: 30 }],
  familyMinutes: { ...shipped.familyMinutes, C: [40, 52] },
  mishaps: [
    { id: "cable", name: "Cable", chance: { C: 0.1 }, otherwise: 0.2, costMinor: 1000, note: "" },
    { id: "bezelClip", name: "Clip", chance: {}, otherwise: 0.5, costMinor: 400, note: "" },
    { id: "films", name: "Films", chance: { C: 0 }, otherwise: 0.3, costMinor: 900, note: "" },
  ],
  usedFails: 0.25,
};
/** Labour without a spread: sixty minutes cost 6000, whatever happens. */
const sure = { p50: 60, p80: 60 };
const input = (more: Partial<QuoteInput> = {}): QuoteInput => ({
  policy,
  family: "C",
  machineModel: "Ostrel Kestrel 14",
  plan: sure,
  panelNew: { name: "new one", priceMinor: 10_000, days: 2 },
  panelUsed: { name: "used one", priceMinor: 4000, days: 3 },
  cover: "yes",
  replacementMinor: null,
  log: NO_LOG,
  ...more,
});
const of = (i: QuoteInput, id: string) => quoteOptions(i).find((o) => o.id === id)!;

describe("the prices, worked out on paper", () => {
  it("cover costs its excess without tax, the maker's service what the policy says with it", () => {
    expect(of(input(), "cover")).toMatchObject({
      likelyMinor: 5000,
      expectedMinor: 5000,
      p80Minor: 5000,
      days: 10,
      whyNot: null,
    });
    expect(of(input(), "makerService")).toMatchObject({ likelyMinor: 33_000, expectedMinor: 33_000, p80Minor: 33_000, days: 12 });
    expect(of(input(), "makerService").mishaps).toEqual([]);
  });
  it("a new panel: part, an hour, and what may go wrong by its chance", () => {
    const o = of(input(), "panelNew");
    // 10 000 + 6000 + 0.1 x 1000 + 0.5 x 400 = 16 300, and a tenth of tax.
    expect(o.expectedMinor).toBe(17_930);
    // No mishap 0.45, the clip 0.45 more, the cable 0.05, both 0.05: the middle is with the clip, so is four in five.
    expect(o.likelyMinor).toBe(18_040);
    expect(o.p80Minor).toBe(18_040);
    expect(o.partsMinor).toBe(10_000);
    expect(o.labour).toEqual(sure);
    expect(o.ratio).toBeCloseTo(17_930 / 50_000, 9);
    expect(o.mishaps).toEqual([
      { name: "Cable", chance: 0.1, costMinor: 1000, from: "default (A)" },
      { name: "Clip", chance: 0.5, costMinor: 400, from: "default (A)" },
    ]);
    expect(o.notes.at(-1)).toBe("new one");
  });
  it("a used panel fails by the policy's chance and costs its price and the work again", () => {
    const o = of(input(), "panelUsed");
    // 4000 + 6000 + 300 + 0.25 x (4000 + 6000) = 12 800, and tax.
    expect(o.expectedMinor).toBe(14_080);
    expect(o.mishaps.at(-1)).toEqual({
      name: "Used panel fails or disappoints",
      chance: 0.25,
      costMinor: 10_000,
      from: "default (A)",
    });
    expect(of(input({ panelUsed: null }), "panelUsed").mishaps).toHaveLength(2);
  });
  it("a lid assembly: its own minutes with a third more at worst, and of the mishaps only what a lid has", () => {
    const o = of(input(), "lidAssembly");
    expect(o.labour).toEqual({ p50: 30, p80: 39 });
    expect(o.days).toBe(4);
    expect(o.mishaps.map((m) => m.name)).toEqual(["Cable"]);
    expect(o.likelyMinor).toBeGreaterThanOrEqual(Math.round(1.1 * (20_000 + 3000)));
    const without = of(input({ machineModel: "Marrick Holm 15" }), "lidAssembly");
    expect(without.whyNot).toBe("No price for a lid of Marrick Holm 15 on record.");
    expect(without.notes).toEqual([]);
    expect(of(input({ machineModel: "" }), "lidAssembly").whyNot).toBe("No price for a lid of this machine on record.");
  });
  it("not repairing costs nothing here", () => {
    expect(of(input(), "none")).toMatchObject({ likelyMinor: 0, expectedMinor: 0, p80Minor: 0, days: 0, ratio: 0, mishaps: [] });
  });
  it("what it is held against is what the job says another machine costs, else the policy's; nothing known is no ratio", () => {
    expect(of(input({ replacementMinor: 20_000 }), "cover").ratio).toBeCloseTo(0.25, 9);
    expect(of(input(), "cover").ratio).toBeCloseTo(0.1, 9);
    expect(of(input({ replacementMinor: 0 }), "cover").ratio).toBe(0);
  });
});

describe("what cannot be offered says why", () => {
  it("cover: no, not known, yes", () => {
    expect(of(input({ cover: "no" }), "cover").whyNot).toBe("No cover on this machine.");
    expect(of(input({ cover: "unknown" }), "cover").whyNot).toMatch(/not known/);
    expect(of(input({ cover: "yes" }), "cover").whyNot).toBeNull();
  });
  it("panels not on offer", () => {
    const none = input({ panelNew: null, panelUsed: null });
    expect(of(none, "panelNew")).toMatchObject({ whyNot: "No new panel that fits is on offer.", partsMinor: 0, days: 0 });
    expect(of(none, "panelUsed")).toMatchObject({ whyNot: "No used panel that fits is on offer.", partsMinor: 0, days: 0 });
    expect(of(none, "panelNew").notes).toHaveLength(1);
    expect(of(input(), "panelNew").whyNot).toBeNull();
  });
});

describe("where the labour comes from is said", () => {
  const note = (more: Partial<QuoteInput>) => of(input(more), "panelNew").notes[0];
  it("plan, family, guess; and by how many timed jobs", () => {
    expect(note({})).toMatch(/^Labour from the plan, default spread \(A\), 0 timed jobs: /);
    expect(note({ plan: null })).toMatch(/^Labour of family C, no plan yet, default/);
    expect(note({ plan: null, family: null })).toMatch(/^Labour guessed, family not known, default/);
    expect(note({ log: { ...NO_LOG, ratios: [1, 1] } })).toMatch(/default spread \(A\), 2 timed jobs/);
    expect(note({ log: { ...NO_LOG, ratios: [1, 1, 1] } })).toMatch(/with 3 timed jobs/);
    expect(of(input({ plan: null }), "panelNew").labour).toEqual({ p50: 40, p80: 52 });
    expect(of(input({ plan: null, family: null }), "panelNew").labour).toEqual({ p50: 60, p80: 90 });
  });
  it("a family without a chance of its own takes the chance of any other", () => {
    expect(of(input({ family: "D" }), "panelNew").mishaps.find((m) => m.name === "Cable")?.chance).toBe(0.2);
    expect(of(input({ family: null }), "panelNew").mishaps.find((m) => m.name === "Films")?.chance).toBe(0.3);
  });
  it("the shop's own jobs move a chance, twenty of them as much as the default", () => {
    const log = { ratios: [], jobs: 20, mishaps: { cable: 10 } };
    const m = of(input({ log }), "panelNew").mishaps.find((x) => x.name === "Cable")!;
    // (0.1 x 20 + 10) / 40
    expect(m.chance).toBeCloseTo(0.3, 12);
    expect(m.from).toBe("default and 20 jobs here");
    expect(of(input({ log: { ...log, jobs: 2 } }), "panelNew").mishaps[0]!.from).toBe("default (A)");
    expect(of(input({ log: { ...log, jobs: 3 } }), "panelNew").mishaps[0]!.from).toBe("default and 3 jobs here");
  });
  it("four timed jobs pull the median half way to where they are; what cannot be a time is left out", () => {
    const twice = pooledLabour({ p50: 50, p80: 50 }, [2, 2, 2, 2]);
    expect(twice.p50).toBeCloseTo(50 * Math.SQRT2, 9);
    expect(pooledLabour({ p50: 50, p80: 60 }, [0.05, 20, 400])).toEqual({ p50: 50, p80: 60 });
    expect(pooledLabour({ p50: 0, p80: 0 }, [2])).toEqual({ p50: 0, p80: 0 });
    // Many jobs that take exactly as planned: the spread narrows, the median stays.
    const steady = pooledLabour({ p50: 50, p80: 70 }, Array(60).fill(1));
    expect(steady.p50).toBeCloseTo(50, 9);
    // sigma^2 shrinks to 4 / 64 of what it was: sigma to a quarter.
    expect(Math.log(steady.p80 / 50)).toBeCloseTo(Math.log(70 / 50) / 4, 9);
  });
});

describe("a price that moved", () => {
  it("is told when it is beyond the margin, either way, and not at it", () => {
    expect(priceMoved(10_000, 11_500, 15)).toBeNull();
    expect(priceMoved(10_000, 11_501, 15)).toBeCloseTo(15.01, 9);
    expect(priceMoved(10_000, 8500, 15)).toBeNull();
    expect(priceMoved(10_000, 8400, 15)).toBeCloseTo(-16, 9);
    expect(priceMoved(0, 1, 15)).toBe(100);
    expect(priceMoved(0, 0, 15)).toBeNull();
  });
});

describe("the part behind a price", () => {
  const build = builds["ostrel-kestrel-14"]!;
  const all = Object.values(panels);
  const offer = (panel: string, condition: Offer["condition"], priceMinor: number, days: number): Offer =>
    ({ panel, seller: "Brightwater Panels", condition, priceMinor, currency: "EUR", days }) as Offer;
  const old = panels["gv140fhb-k31"]!;
  it("is the cheapest that fits, the sooner of two at one price, new and used apart", () => {
    const offers = [
      offer("gv140fhb-k31", "new", 9000, 1),
      offer("gv140fhb-k31", "new", 8000, 5),
      offer("gv140fhb-k31", "new", 8000, 3),
      offer("gv140fhb-k31", "used", 3000, 2),
      offer("no-such-panel", "new", 10, 1),
    ];
    const got = panelParts(old, [], all, offers, build);
    expect(got.panelNew).toMatchObject({ priceMinor: 8000, days: 3 });
    expect(got.panelUsed).toMatchObject({ priceMinor: 3000, days: 2 });
    expect(got.panelNew!.name).toMatch(/^GV140FHB-K31, new, Brightwater Panels, .*80\.00.* before tax$/);
    expect(got.basis).toBe("Parts that fit GV140FHB-K31");
  });
  it("is never one that stops or must not be connected", () => {
    // An OLED panel, and one of another connector family, in a machine that had neither.
    for (const p of all.filter((x) => x.technology.value !== old.technology.value || x.family.value !== old.family.value))
      expect(panelParts(old, [], all, [offer(p.id, "new", 1, 1)], build).panelNew, p.code).toBeNull();
  });
  it("without the old panel read, only one seen in this machine model", () => {
    const offers = [offer("gv140fhb-k31", "new", 9000, 1), offer("gv140fhb-k36", "new", 1000, 1)];
    const got = panelParts(null, ["gv140fhb-k31"], all, offers, null);
    expect(got.panelNew?.priceMinor).toBe(9000);
    expect(got.basis).toMatch(/not read yet/);
    expect(panelParts(null, [], all, offers, null)).toMatchObject({ panelNew: null, panelUsed: null });
  });
});
