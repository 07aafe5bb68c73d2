import { builds, panels } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { compareFit, type FactName, type FitRow, overallVerdict, type Panel } from ".";

const lid = builds["pellow-lune-13"]!;
const alone = Object.values(builds).find((b) => b.subject.kind === "panel")!;
const base = panels["pd133wub-l08"]!;
const LID_FACTS: FactName[] = [
  "soldAs",
  "hingeSpanMm",
  "hingeOpensDeg",
  "lidLeads",
  "lidCamera",
  "colour",
  "lidSensor",
  "logoWindow",
];
/** A whole lid as a shop that had it in hand would record it. */
const KNOWN: Record<string, unknown> = {
  soldAs: "lidAssembly",
  hingeSpanMm: 212,
  hingeOpensDeg: 135,
  lidLeads: [
    { serves: "picture", plug: "flat, 30 wide", lengthMm: 96 },
    { serves: "lidSensor", plug: "ribbon, 6 wide", lengthMm: 60 },
  ],
  lidCamera: "camera",
  colour: "slate grey",
  lidSensor: "onLead",
  logoWindow: "no",
};
const withFacts = (code: string, over: Record<string, unknown> = {}, source: "M" | "S" | "D" = "D"): Panel => {
  const p: Record<string, unknown> = { ...base, code, id: code.toLowerCase() };
  for (const f of LID_FACTS) delete p[f];
  for (const [f, value] of Object.entries({ ...KNOWN, ...over }))
    if (value !== undefined) p[f] = { value, source, ...(source === "M" ? { pm: 0.1 } : {}) };
  return p as Panel;
};
const silent = (code: string): Panel => withFacts(code, Object.fromEntries(LID_FACTS.map((f) => [f, undefined])));
const OLD = withFacts("OLD-LID");
const compared = (over: Record<string, unknown>, old = OLD) => compareFit(old, withFacts("NEW-LID", over), lid);
const of = (rows: readonly FitRow[], field: string): FitRow => {
  const r = rows.find((x) => x.field === field);
  expect(r, field).toBeDefined();
  return r!;
};
const verdict = (over: Record<string, unknown>, field: string) => of(compared(over), field).verdict;

describe("a whole lid is compared by what a lid is", () => {
  it("same in everything known is same, and the panel's own place and tabs are no question", () => {
    const rows = compared({});
    for (const f of LID_FACTS) expect(of(rows, f).verdict, f).toBe("same");
    for (const f of ["tabs", "window", "connectorAt", "cableExit", "outline", "inTheBox"])
      expect(
        rows.some((r) => r.field === f),
        f,
      ).toBe(false);
  });
  it("a record that says nothing of the lid leaves every one of its facts to be looked at, on either side", () => {
    for (const rows of [compareFit(OLD, silent("NEW-LID"), lid), compareFit(silent("OLD-LID"), silent("NEW-LID"), lid)]) {
      for (const f of LID_FACTS) {
        expect(of(rows, f).verdict, f).toBe("unknown");
        expect(of(rows, f).look, f).toBeTruthy();
      }
      expect(overallVerdict(rows).conditional).toBe(true);
    }
  });
  it("hinges that miss their bosses are a stop; what their holes may take is held up first; calliper noise is nothing", () => {
    expect(verdict({ hingeSpanMm: 212.3 }, "hingeSpanMm")).toBe("same");
    expect(of(compared({ hingeSpanMm: 213 }), "hingeSpanMm")).toMatchObject({ verdict: "unknown", differs: true });
    for (const mm of [209, 215, 230]) expect(verdict({ hingeSpanMm: mm }, "hingeSpanMm"), String(mm)).toBe("stop");
    expect(overallVerdict(compared({ hingeSpanMm: 209 })).words).toMatch(/^Does not fit: hinges apart 3 mm nearer/);
  });
  it("a lead that is missing, short or ends in another plug comes over from the old lid, each with its minutes", () => {
    const [picture, sensor] = KNOWN.lidLeads as { serves: string; plug: string; lengthMm: number }[];
    const row = (leads: unknown[]) => of(compared({ lidLeads: leads }), "lidLeads");
    expect(row([picture])).toMatchObject({ verdict: "change", words: "lid sensor lead is missing" });
    expect(row([{ ...picture, lengthMm: 70 }, sensor])).toMatchObject({
      verdict: "change",
      words: "picture lead is 26 mm short",
    });
    expect(row([{ ...picture, lengthMm: 93 }, sensor]).verdict).toBe("same");
    expect(row([{ ...picture, lengthMm: 180 }, sensor]).verdict).toBe("same");
    const both = row([{ ...picture, plug: "round, 40 wide" }]);
    expect(both.verdict).toBe("change");
    expect(both.change!.minutes).toBe(24);
    expect(row([{ ...picture, plug: null }, sensor])).toMatchObject({ verdict: "unknown" });
    expect(row([{ ...picture, lengthMm: null }, sensor])).toMatchObject({ verdict: "unknown" });
    expect(row([picture, sensor, { serves: "touch", plug: "ribbon, 10 wide", lengthMm: 80 }])).toMatchObject({
      verdict: "same",
      words: "one more than needed",
    });
  });
  it("two antennas are two leads: one of them gone is seen, whatever order they are written in", () => {
    const ant = (plug: string) => ({ serves: "wireless", plug, lengthMm: 200 });
    const old = withFacts("OLD-LID", { lidLeads: [ant("stud, black"), ant("stud, white")] });
    const row = (leads: unknown[]) => of(compared({ lidLeads: leads }, old), "lidLeads");
    expect(row([ant("stud, white"), ant("stud, black")]).verdict).toBe("same");
    expect(row([ant("stud, white")])).toMatchObject({ verdict: "change", words: "antenna lead is missing" });
  });
  it("the build knows which leads the old lid has where its record is silent", () => {
    const old = withFacts("OLD-LID", { lidLeads: undefined });
    const leads = [
      { serves: "picture" as const, plug: "flat, 30 wide", lengthMm: 96 },
      { serves: "camera" as const, plug: "flat, 8 wide", lengthMm: 60 },
    ];
    const row = of(compared({ lidLeads: leads }, old), "lidLeads");
    expect(row.old.text).toContain("lid sensor");
    expect(row).toMatchObject({ verdict: "change", words: "lid sensor lead is missing" });
  });
  it("what the customer sees is asked; what lets the machine sleep is moved over", () => {
    expect(verdict({ colour: "Slate Grey" }, "colour")).toBe("same");
    expect(verdict({ colour: "silver" }, "colour")).toBe("ask");
    expect(verdict({ lidCamera: "none" }, "lidCamera")).toBe("ask");
    expect(verdict({ lidCamera: "withSlide" }, "lidCamera")).toBe("ask");
    expect(verdict({ logoWindow: "yes" }, "logoWindow")).toBe("ask");
    expect(verdict({ hingeOpensDeg: 180 }, "hingeOpensDeg")).toBe("ask");
    expect(verdict({ hingeOpensDeg: 132 }, "hingeOpensDeg")).toBe("same");
    expect(of(compared({ lidSensor: "none" }), "lidSensor")).toMatchObject({ verdict: "change", change: { at: "swap" } });
  });
  it("a seller's word is enough for what is in the box, and for nothing that has to be measured", () => {
    const rows = compareFit(OLD, withFacts("NEW-LID", {}, "S"), lid);
    expect(of(rows, "soldAs").verdict).toBe("same");
    for (const f of ["hingeSpanMm", "lidLeads", "colour", "lidSensor"]) expect(of(rows, f).verdict, f).toBe("unknown");
  });
});

describe("what is sold is what the repair takes out", () => {
  it("a panel alone is no lid, and a whole lid no panel", () => {
    expect(of(compareFit(OLD, withFacts("P", { soldAs: "panel" }, "S"), lid), "soldAs")).toMatchObject({
      verdict: "stop",
      words: "is the panel alone, not the whole lid",
    });
    expect(of(compareFit(base, withFacts("P", {}, "S"), alone), "soldAs").verdict).toBe("stop");
  });
  it("a panel repair is asked none of this, and compares tabs and place as ever", () => {
    const rows = compareFit(base, silent("P"), alone);
    for (const f of LID_FACTS)
      expect(
        rows.some((r) => r.field === f),
        f,
      ).toBe(false);
    for (const f of ["tabs", "outline", "connectorAt"])
      expect(
        rows.some((r) => r.field === f),
        f,
      ).toBe(true);
  });
  it("a bare cell keeps the old light and frame: what destroys is asked all the same", () => {
    const b = { ...alone, subject: { ...alone.subject, kind: "cell" as const } };
    const rows = compareFit(base, withFacts("CELL", { soldAs: "cell" }), b);
    expect(rows.some((r) => r.field === "tabs")).toBe(false);
    for (const f of ["contacts", "logicSupplyV", "backlightSupplyV"]) expect(of(rows, f), f).toBeDefined();
    expect(of(compareFit(base, silent("CELL"), b), "soldAs").verdict).toBe("unknown");
  });
});
