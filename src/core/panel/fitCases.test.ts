import { readFileSync } from "node:fs";
import { builds, panels } from "@tests/bench";
import { type FitCase, fitPair } from "@tests/fitPair";
import { describe, expect, it } from "vitest";
import { compareFit, overallVerdict, type Panel } from ".";

const read = (file: string) => JSON.parse(readFileSync(file, "utf8")) as FitCase[];
/** Those of the first round, and those from the trade and from physics that were written before the rules they judge. */
const first = read("tests/fitCases.json");
const cases = [...first, ...read("tests/fitPrinciples.json")];

describe("pairs judged by an experienced technician", () => {
  it("are more than 120, each with its reason, with at least twenty where two rules pull apart", () => {
    expect(cases.length).toBeGreaterThanOrEqual(120);
    expect(new Set(cases.map((c) => c.name)).size).toBe(cases.length);
    expect(cases.filter((c) => c.why.length < 10)).toEqual([]);
    expect(first.filter((c) => c.name.startsWith("rules apart")).length).toBeGreaterThanOrEqual(20);
  });
  for (const c of cases)
    it(c.name, () => {
      const { old, candidate, build } = fitPair(c);
      const rows = compareFit(old, candidate, build);
      const o = overallVerdict(rows);
      for (const [field, verdict] of Object.entries(c.rows)) {
        const r = rows.find((x) => x.field === field);
        expect(r?.verdict, `${field}: ${r?.words}. ${r?.reason}`).toBe(verdict);
      }
      for (const [field, said] of Object.entries(c.says ?? {})) {
        const r = rows.find((x) => x.field === field)!;
        expect(`${r.words}. ${r.reason}`).toContain(said);
      }
      expect(o.kind, o.words).toBe(c.overall);
      if (c.conditional !== undefined) expect(o.conditional, o.words).toBe(c.conditional);
      if (c.changes !== undefined) expect(o.changes).toBe(c.changes);
      if (c.asks !== undefined) expect(o.asks).toBe(c.asks);
    });
  it("a cable kit that answers contacts and pitch is paid once", () => {
    const kit = cases.find((c) => c.name.startsWith("more: a kit that ends in the finer plug"))!;
    const { old, candidate, build } = fitPair(kit);
    const parts = compareFit(old, candidate, build).flatMap((r) =>
      r.verdict === "change" && r.change ? [r.change.costMinor] : [],
    );
    expect(parts).toEqual([1900]);
  });
});

describe("properties of the whole comparison", () => {
  const all = Object.values(panels);
  const demo = ["ostrel-kestrel-14", "tollund-cairn-11-cb"].map((id) => builds[id]!);
  it("symmetric fields give symmetric verdicts", () => {
    for (const b of demo)
      for (const x of all)
        for (const y of all)
          for (const f of ["contacts", "pitchMm", "family", "finish"]) {
            const one = compareFit(x, y, b).find((r) => r.field === f)!.verdict;
            const two = compareFit(y, x, b).find((r) => r.field === f)!.verdict;
            expect(one, `${x.code} and ${y.code}, ${f}`).toBe(two);
          }
  });
  const FIELDS = [
    "family",
    "contacts",
    "pitchMm",
    "contactSide",
    "logicSupplyV",
    "backlight",
    "backlightSupplyV",
    "outline",
    "thicknessMm",
    "active",
    "tabs",
    "pixels",
    "refreshHz",
    "colourBits",
    "finish",
    "technology",
    "touch",
    "connectorAt",
    "inTheBox",
  ] as const;
  const without = (p: Panel, f: (typeof FIELDS)[number]) => ({ ...p, [f]: { value: null, source: "D" } }) as Panel;
  const RANK = { same: 0, ask: 1, change: 2, doNotConnect: 3, stop: 4 };
  it("making a field unknown leaves a stop or a condition, never an unconditional yes; filling it in with the same never makes it worse", () => {
    for (const b of demo)
      for (const x of all)
        for (const y of all)
          for (const f of FIELDS) {
            const o = overallVerdict(compareFit(x, without(y, f), b));
            expect(o.kind === "stop" || o.conditional, `${y.code} without ${f}`).toBe(true);
            if (["family", "contacts", "pitchMm", "contactSide", "logicSupplyV", "backlight", "backlightSupplyV"].includes(f))
              expect(["stop", "doNotConnect"]).toContain(o.kind);
            // Fields another rule needs as well are left out: filled in, they may show for the first time that the link does
            // not carry it, or that its tabs and picture do not sit where they did.
            if (["pixels", "refreshHz", "colourBits", "outline", "active"].includes(f)) continue;
            const filled = { ...y, [f]: x[f] } as Panel;
            const row = compareFit(x, filled, b).find((r) => r.field === (f === "active" ? "window" : f));
            if (row?.verdict === "same")
              expect(RANK[overallVerdict(compareFit(x, filled, b)).kind], `${y.code}, ${f} filled in`).toBeLessThanOrEqual(
                RANK[o.kind],
              );
          }
  });
});
