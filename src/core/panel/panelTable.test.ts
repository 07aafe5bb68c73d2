import { panels } from "@tests/bench";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  agreedFacts,
  compareFit,
  conflictsOf,
  DESTROYING,
  FACT_NAMES,
  mergePanel,
  overallVerdict,
  PANEL_COLUMNS,
  type Panel,
  readPanelRow,
  settleConflict,
  writePanelRow,
} from ".";
import { FACTS } from "./schema";

const cells = (p: Panel) => Object.fromEntries(Object.entries(writePanelRow(p)).map(([k, v]) => [k, String(v)]));
const kestrel = panels["gv140fhb-k31"]!;
const problems = (row: Record<string, string>) => {
  const r = readPanelRow({ code: "GV140FHB-K99", source: "D", ...row });
  return r.ok ? [] : r.problems.map((p) => `${p.column}: ${p.message}`);
};

describe("a panel as a row of a table", () => {
  it("comes back as it went, for every panel of the catalogue", () => {
    for (const p of Object.values(panels)) {
      const read = readPanelRow(cells(p));
      expect(read.ok, p.code).toBe(true);
      if (!read.ok) continue;
      const merged = mergePanel(null, read.patch, "test").panel;
      for (const f of FACT_NAMES)
        if (p[f] && p[f]!.value !== null) expect(merged[f], `${p.code} ${f}`).toEqual(p[f]);
        else if (f !== "diagonalIn" && f !== "pixels") expect(merged[f]?.value ?? null, `${p.code} ${f}`).toBeNull();
    }
  });
  it("every column is named once, and every fact has a column, a source and a confidence", () => {
    expect(new Set(PANEL_COLUMNS).size).toBe(PANEL_COLUMNS.length);
    for (const f of FACT_NAMES)
      expect(Object.keys(cells({ ...kestrel, [f]: { value: null, source: "D" } })).length).toBeGreaterThan(0);
    expect(PANEL_COLUMNS.filter((c) => c.endsWith("_source"))).toHaveLength(Object.keys(FACTS).length);
  });
  it("other names carry their kind in front, anything else is kept whole, and a wrong one is named", () => {
    const read = readPanelRow({
      code: "GV140FHB-K99",
      source: "D",
      other_names: "sparePart 5SP-2218; makerNumber K99-A; LM 140",
    });
    expect(read.ok && read.patch.otherNames).toEqual([
      { kind: "sparePart", text: "5SP-2218" },
      { kind: "makerNumber", text: "K99-A" },
      { kind: "other", text: "LM 140" },
    ]);
    expect(problems({ other_names: "sparePart X" })).toEqual(['other_names: "sparePart X": a number of 2 to 40 characters']);
    expect(problems({ code: "G" })[0]).toMatch(/^code: "G": 2 to 40 characters/);
    expect(problems({ code: "G".repeat(41) })[0]).toMatch(/^code: .*2 to 40 characters/);
    expect(problems({ code: `G${"1".repeat(39)}` })).toEqual([]);
    expect(problems({ code: "G1" })).toEqual([]);
    expect(problems({ code: "--" })[0]).toMatch(/2 to 40 characters with a letter or digit/);
  });
  it("an empty cell says nothing, unknown says nobody knows", () => {
    const r = readPanelRow({ code: "GV140FHB-K99", source: "D", contacts: "", pitch_mm: "unknown" });
    expect(r).toEqual({ ok: true, patch: { code: "GV140FHB-K99", facts: { pitchMm: { value: null, source: "D" } } } });
  });
  it("names every cell that is wrong and what was expected", () => {
    expect(problems({ contacts: "thirty" })).toEqual(['contacts: "thirty" is not a number']);
    expect(problems({ thickness_mm: "3,2" })[0]).toContain("write a decimal point");
    expect(problems({ outline_width_mm: "300" })).toEqual(["outline_height_mm: missing beside outline_width_mm"]);
    expect(problems({ contacts: "30", contacts_source: "Q" })[0]).toContain("not a source");
    expect(problems({ contacts: "30", confidence: "1.2" })[0]).toContain("0 to 1");
    expect(problems({ tabs: "left 12" })[0]).toContain("left 12 8 6.5");
    expect(problems({ tabs: "side 12 8 6.5" })[0]).toContain("tabs");
    expect(problems({ family: "SATA" })[0]).toContain("family");
    expect(problems({ contact_count: "30" })).toEqual(["contact_count: not a column of a panel table"]);
    expect(problems({ code: "" })[0]).toBe("code: missing");
    const bare = readPanelRow({ code: "GV140FHB-K99", contacts: "30" });
    expect(bare.ok ? "" : bare.problems[0]!.message).toContain("where contacts comes from");
  });
  it("a confidence is from 0 to 1, both ends with it, and the row's stands for every fact that has none of its own", () => {
    const row = (confidence: string, own = "") =>
      readPanelRow({ code: "GV140FHB-K99", contacts: "30", source: "S", confidence, contacts_confidence: own });
    for (const [said, is] of [
      ["0", 0],
      ["1", 1],
      ["0.5", 0.5],
      [".25", 0.25],
    ] as const) {
      const r = row(said);
      expect(r.ok && r.patch.facts.contacts?.confidence, said).toBe(is);
    }
    for (const wrong of ["1.01", "-0.1", "high", "1e9"]) {
      const r = row(wrong);
      expect(r.ok ? "" : r.problems[0]!.message, wrong).toContain("is not a confidence from 0 to 1");
    }
    const own = row("0.5", "0.75");
    expect(own.ok && own.patch.facts.contacts?.confidence).toBe(0.75);
    const none = row("");
    expect(none.ok && none.patch.facts.contacts?.confidence).toBeUndefined();
  });
  it("text that a spreadsheet would run is led by an apostrophe, which is no part of it", () => {
    const r = readPanelRow({ code: "'=GV140", source: "D" });
    expect(r.ok && r.patch.code).toBe("=GV140");
  });
  it("never throws, whatever the cells say", () => {
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...PANEL_COLUMNS), fc.string({ maxLength: 30 })), (row) => {
        const r = readPanelRow(row);
        if (!r.ok) expect(r.problems.length).toBeGreaterThan(0);
      }),
    );
  });
});

describe("other numbers of a panel", () => {
  const named = (...texts: string[]) => ({
    code: kestrel.code,
    facts: {},
    otherNames: texts.map((text) => ({ text, kind: "sparePart" as const })),
  });
  const bare = { ...kestrel, otherNames: [] };
  it("a new one is added and told, one that is there in other letters is not", () => {
    const once = mergePanel(bare, named("SP-1"), "a.csv");
    expect(once.outcome).toBe("fills");
    expect(once.panel.otherNames).toEqual([{ text: "SP-1", kind: "sparePart" }]);
    const again = mergePanel(once.panel, named("sp-1"), "b.csv");
    expect(again.outcome).toBe("same");
    expect(again.panel.otherNames).toEqual(once.panel.otherNames);
    expect(mergePanel(once.panel, named("SP-2"), "b.csv").panel.otherNames!.map((n) => n.text)).toEqual(["SP-1", "SP-2"]);
  });
  it("twenty are kept, no more, and the same one twice in a row counts once", () => {
    const many = mergePanel(bare, named(...Array.from({ length: 25 }, (_, i) => `N-${i}`)), "a.csv");
    expect(many.panel.otherNames).toHaveLength(20);
    expect(mergePanel(many.panel, named("N-99"), "a.csv").outcome).toBe("same");
    expect(mergePanel(bare, named("A-1", "a-1"), "a.csv").panel.otherNames).toHaveLength(1);
    expect(mergePanel(bare, named(), "a.csv").panel.otherNames ?? []).toEqual([]);
  });
});

describe("merging what a source says", () => {
  const say = (facts: Record<string, unknown>, source = "D") => ({
    code: kestrel.code,
    facts: Object.fromEntries(Object.entries(facts).map(([k, value]) => [k, { value, source }])) as never,
  });
  it("fills in the unknown, keeps the same, never overwrites: both stand, and the fact is unknown until settled", () => {
    const open = { ...kestrel, contacts: { value: null, source: "D" as const } };
    expect(mergePanel(open, say({ contacts: 30 }), "a.csv")).toMatchObject({ outcome: "fills", filled: ["contacts"] });
    expect(mergePanel(kestrel, say({ contacts: 30 }), "a.csv").outcome).toBe("same");
    const both = mergePanel(kestrel, say({ contacts: 40 }, "M"), "a.csv");
    expect(both.outcome).toBe("conflict");
    expect(both.panel.contacts).toEqual(kestrel.contacts);
    expect(conflictsOf(both.panel)).toMatchObject([{ fact: "contacts", against: [{ value: 40, source: "M", from: "a.csv" }] }]);
    expect(agreedFacts(both.panel).contacts.value).toBeNull();
    expect(mergePanel(both.panel, say({ contacts: 40 }, "M"), "a.csv").outcome).toBe("same");
    const row = compareFit(kestrel, both.panel, null).find((r) => r.field === "contacts")!;
    expect(row).toMatchObject({ verdict: "unknown", words: "sources disagree" });
    expect(row.reason).toContain("40 (measured, a.csv)");
    expect(settleConflict(both.panel, "contacts", 0).contacts.value).toBe(40);
    expect(conflictsOf(settleConflict(both.panel, "contacts", "kept"))).toEqual([]);
  });
  it("a better source for the same value strengthens it; a guess is nobody's word", () => {
    const weak = { ...kestrel, finish: { value: "matt" as const, source: "S" as const } };
    expect(mergePanel(weak, say({ finish: "matt" }), "a.csv").panel.finish.source).toBe("D");
    const guess = { ...kestrel, diagonalIn: { value: 14, source: "G" as const } };
    expect(mergePanel(guess, say({ diagonalIn: 13.9 }), "a.csv").panel.diagonalIn).toEqual({ value: 13.9, source: "D" });
  });
  it("a seller against a datasheet is a conflict only where it can destroy a board", () => {
    expect(conflictsOf(mergePanel(kestrel, say({ finish: "glossy" }, "S"), "x").panel)).toEqual([]);
    for (const [f, v] of [
      ["contacts", 40],
      ["logicSupplyV", 5],
    ] as const)
      expect(conflictsOf(mergePanel(kestrel, say({ [f]: v }, "S"), "x").panel).map((c) => c.fact)).toEqual([f]);
  });
  it("a disputed destroying field never leaves a panel connectable, whatever is claimed", () => {
    const other: Record<string, unknown> = {
      family: "LVDS",
      contacts: 40,
      pitchMm: 0.4,
      contactSide: "glass",
      logicSupplyV: 5,
      backlight: "ccfl",
      backlightSupplyV: 20,
    };
    for (const f of DESTROYING)
      for (const source of ["M", "L", "E", "D", "S", "G"]) {
        const disputed = mergePanel(kestrel, say({ [f]: other[f] }, source), "x").panel;
        for (const rows of [compareFit(kestrel, disputed, null), compareFit(disputed, kestrel, null)])
          expect(["stop", "doNotConnect"], `${f} ${source}`).toContain(overallVerdict(rows).kind);
      }
  });
  it("a value somebody doubted does not decide", () => {
    const doubted = { ...kestrel, contacts: { ...kestrel.contacts, confidence: 0.5 } };
    expect(compareFit(kestrel, doubted, null).find((r) => r.field === "contacts")!.verdict).toBe("unknown");
    expect(
      compareFit(kestrel, { ...doubted, contacts: { ...kestrel.contacts, confidence: 0.8 } }, null).find(
        (r) => r.field === "contacts",
      )!.verdict,
    ).toBe("same");
  });
});
