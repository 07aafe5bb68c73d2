import { hashes, jobOn, type TestBench, triageTable } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { advise, type Findings, NOTHING_KNOWN } from "../triage";
import { type Act, isWet } from ".";

const CONTEXT = { backlight: "led", touch: "no", age: "under2", cover: "no" } as const;
const told = (b: TestBench, happened: "liquid" | "drop" = "liquid") => b.do("triage.contextSet", { ...CONTEXT, happened });
const table = { tableHash: hashes.triage };
const CLEARED = { opened: true, cleaned: true, dry: true, how: "rinsed, brushed, two days in the dry cupboard" } as const;
/** Everything that feeds a machine, wakes it, or looks at it running. */
const POWERED: Act[] = [
  { type: "bench.mainsIn", payload: {} },
  { type: "bench.started", payload: {} },
  { type: "swap.looseTested", payload: { supply: "mains", picture: "good" } },
  { type: "prove.checkDone", payload: { pass: "open", check: "power", result: "holds", note: "" } },
  { type: "triage.testDone", payload: { finding: "externalWrong", outcome: "no", ...table } },
  { type: "triage.testDone", payload: { finding: "torchImage", outcome: "yes", ...table } },
  { type: "triage.testDone", payload: { finding: "magnetWakes", outcome: "yes", ...table } },
  { type: "triage.testDone", payload: { finding: "railMissing", outcome: "yes", ...table } },
  { type: "identify.panelRead", payload: { way: "edid", text: "00", code: "GV140FHB-K31", panelHash: null, source: "E" } },
  { type: "swap.cableConnected", payload: { connector: "battery-plug" } },
] as Act[];

describe("liquid", () => {
  it("told of, refuses every act that feeds or wakes the machine, by one reason that says what comes first", () => {
    const b = jobOn("ostrel-kestrel-14");
    told(b);
    for (const a of POWERED) expect(b.why(a.type, a.payload as never), JSON.stringify(a)).toMatch(/^Liquid: press no key/);
  });
  it("marks outside say the same as a word at the desk", () => {
    const b = jobOn("ostrel-kestrel-14");
    b.do("triage.signSeen", { finding: "liquidMarks", outcome: "yes", ...table });
    expect(b.why("bench.mainsIn", {})).toMatch(/^Liquid/);
    b.do("triage.signSeen", { finding: "liquidMarks", outcome: "no", ...table });
    expect(isWet(b.state)).toBe(false);
  });
  it("told and corrected was never there; told with a safety stop stays until it is cleared", () => {
    const b = jobOn("ostrel-kestrel-14");
    told(b);
    told(b, "drop");
    expect(b.why("bench.mainsIn", {})).toBeNull();
    b.do("job.safetyRaised", { hazard: "liquidPowerOn", note: "coffee, it hums" });
    b.do("job.madeSafe", { hazard: "liquidPowerOn", by: "Bench 1", how: "mains pulled" });
    told(b, "drop");
    expect(b.why("bench.started", {})).toMatch(/^Liquid/);
  });
  it("what needs no power goes on: signs, the label, opening, meter tests on an isolated machine", () => {
    const b = jobOn("ostrel-kestrel-14");
    told(b);
    expect(b.why("triage.signSeen", { finding: "cracks", outcome: "yes", ...table })).toBeNull();
    expect(b.why("triage.testDone", { finding: "reseatHelps", outcome: "no", ...table })).toBeNull();
    expect(b.why("triage.testDone", { finding: "externalWrong", outcome: "notDone", ...table })).toBeNull();
    expect(
      b.why("identify.panelRead", { way: "label", text: "GV140FHB-K31", code: "GV140FHB-K31", panelHash: null, source: "L" }),
    ).toBeNull();
    expect(b.why("bench.mainsOut", {})).toBeNull();
  });
  it("is cleared only with mains out and pack off, once, in words; then it may be powered", () => {
    const b = jobOn("ostrel-kestrel-14");
    expect(b.why("triage.liquidCleared", CLEARED)).toBe("No liquid was told of.");
    told(b);
    expect(b.why("triage.liquidCleared", CLEARED)).toMatch(/mains out first/);
    b.do("bench.shutDown");
    b.do("bench.mainsOut");
    expect(b.why("triage.liquidCleared", CLEARED)).toMatch(/pack is still on: open battery plug/);
    b.follow((s) => s.connectors["battery-plug"] === "off");
    b.do("triage.liquidCleared", CLEARED);
    expect(b.why("triage.liquidCleared", CLEARED)).toBe("That is recorded.");
    expect(b.why("bench.mainsIn", {})).toBeNull();
    // Another fact of the machine corrected afterwards does not wet it again.
    told(b);
    expect(isWet(b.state)).toBe(false);
  });
});

describe("the advice where liquid went in", () => {
  const wet = { ...NOTHING_KNOWN, happened: "liquid" as const };
  it("says at once what comes first, and offers no test that wakes it", () => {
    for (const findings of [{}, { dark: "yes" }, { linesVertical: "yes", flicker: "yes" }] as Findings[]) {
      const a = advise(triageTable, wet, findings);
      expect(a.next).toBe("liquid");
      expect(a.sentence).toMatch(/press no key.*Mains out and pack off first/);
      expect(a.tests.filter((t) => t.power !== "isolated")).toEqual([]);
    }
    expect(advise(triageTable, NOTHING_KNOWN, { liquidMarks: "yes" }).next).toBe("liquid");
  });
  it("cleared, it reckons as with any machine", () => {
    const a = advise(triageTable, wet, { dark: "yes" }, { opened: false, openMinutes: null, liquidCleared: true });
    expect(a.next).not.toBe("liquid");
    expect(a.tests.length).toBeGreaterThan(0);
  });
  it("every verdict says what a wrong one costs", () => {
    expect(advise(triageTable, NOTHING_KNOWN, { cracks: "yes", blots: "yes" }).ifWrong).toMatch(
      /\d+\.\d\d EUR is spent for nothing/,
    );
  });
});
