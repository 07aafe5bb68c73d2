import { readFileSync } from "node:fs";
import { builds, panels } from "@tests/bench";
import { describe, expect, it } from "vitest";
import type { Build } from "../build";
import { compareFit, overallVerdict, type Panel } from ".";

interface Case {
  name: string;
  old?: Record<string, unknown>;
  cand: Record<string, unknown>;
  machine?: { lanes?: number; cableLanes?: number; link?: null; slackMm?: null; pairing?: boolean | null };
  overall: string;
  rows: Record<string, string>;
  conditional?: boolean;
  changes?: number;
  why: string;
}
const cases = JSON.parse(readFileSync("tests/fitCases.json", "utf8")) as Case[];

/** A panel of the demo with fields put over it, in the short form of the cases; "value:S" names another source. */
function panel(over: Record<string, unknown>, lanes: number): Panel {
  const p = JSON.parse(JSON.stringify(panels["gv140fhb-k31"])) as Record<string, unknown>;
  p.lanes = { value: lanes, source: "D" };
  p.activeAt = { value: { xMm: 3.2, yMm: 3 }, source: "D" };
  for (const [k, v] of Object.entries(over)) {
    const [plain, source] = typeof v === "string" && v.includes(":") ? v.split(":") : [v, "D"];
    const a = plain as number[];
    const value =
      plain === null
        ? null
        : k === "outline" || k === "active"
          ? { widthMm: a[0], heightMm: a[1] }
          : k === "activeAt" || k === "connectorAt"
            ? { xMm: a[0], yMm: a[1] }
            : k === "pixels"
              ? { h: a[0], v: a[1] }
              : k === "lowerModes"
                ? (plain as number[][]).map(([pixelClockKHz, refreshHz]) => ({ pixelClockKHz, refreshHz }))
                : k === "tabs"
                  ? (plain as [string, number, number, number][]).map(([edge, atMm, widthMm, outMm]) => ({
                      edge,
                      atMm,
                      widthMm,
                      outMm,
                    }))
                  : plain;
    p[k] = { value, source };
  }
  return p as unknown as Panel;
}
function machine(m: Case["machine"]): Build {
  const b = JSON.parse(JSON.stringify(builds["ostrel-kestrel-14"])) as Build;
  if (m?.link === null) b.link = undefined;
  else b.link = { ...b.link!, lanes: m?.lanes ?? 2, cableLanes: m?.cableLanes ?? m?.lanes ?? 2 };
  if (m && "pairing" in m) b.pairing = m.pairing ?? undefined;
  if (m?.slackMm === null) for (const c of b.connectors) c.slackMm = undefined;
  return b;
}

describe("pairs judged by an experienced technician", () => {
  it("are many, with at least twenty where two rules pull apart", () => {
    expect(cases.length).toBeGreaterThanOrEqual(45);
    expect(cases.filter((c) => c.name.startsWith("rules apart")).length).toBeGreaterThanOrEqual(20);
  });
  for (const c of cases)
    it(c.name, () => {
      const lanes = c.machine?.lanes ?? 2;
      const rows = compareFit(panel(c.old ?? {}, lanes), panel(c.cand, lanes), machine(c.machine));
      const o = overallVerdict(rows);
      for (const [field, verdict] of Object.entries(c.rows)) {
        const r = rows.find((x) => x.field === field)!;
        expect(r.verdict, `${field}: ${r.words}. ${r.reason}`).toBe(verdict);
      }
      expect(o.kind, o.words).toBe(c.overall);
      if (c.conditional !== undefined) expect(o.conditional).toBe(c.conditional);
      if (c.changes !== undefined) expect(o.changes).toBe(c.changes);
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
