import { panels } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { confidenceColumn, FACT_NAMES, factColumns, panelOfCells, promised, sourceColumn, writePanelRow } from ".";

const cellsOf = (id: string): Record<string, string> =>
  Object.fromEntries(Object.entries(writePanelRow(panels[id]!)).map(([k, v]) => [k, String(v)]));
const keep = { id: "x1", claims: [] };

describe("a record typed into a form", () => {
  it("comes back as it was for every panel of the demo", () => {
    for (const [id, p] of Object.entries(panels)) {
      const read = panelOfCells(cellsOf(id), { id, claims: p.claims ?? [] });
      expect(read.ok, id).toBe(true);
      if (read.ok)
        for (const f of FACT_NAMES) expect(read.panel[f] ?? { value: null }, `${id} ${f}`).toMatchObject(p[f] ?? { value: null });
    }
  });
  it("what is left empty is unknown, never a default", () => {
    const read = panelOfCells({ code: "QH140FHZ-T77" }, keep);
    expect(read).toMatchObject({ ok: true });
    if (read.ok) for (const f of FACT_NAMES) expect(read.panel[f]?.value ?? null, f).toBeNull();
  });
  it("emptying any one fact of a whole record makes that one unknown and no other", () => {
    const id = "gv140fhb-k31";
    const whole = cellsOf(id);
    for (const f of FACT_NAMES) {
      const cells = { ...whole };
      for (const c of factColumns(f)) cells[c] = "";
      const read = panelOfCells(cells, { id, claims: [] });
      if (!read.ok) throw new Error(`${f}: ${read.problems[0]?.message}`);
      for (const g of FACT_NAMES)
        expect(read.panel[g]?.value ?? null, `${g} without ${f}`).toEqual(f === g ? null : (panels[id]![g]?.value ?? null));
    }
  });
  it("a value without a source is refused: where it comes from is part of it", () => {
    expect(panelOfCells({ code: "QH140FHZ-T77", contacts: "30" }, keep)).toMatchObject({
      ok: false,
      problems: [{ column: "contacts_source" }],
    });
  });
  it("half a pair, a comma for a point, a word for a number: each is named by its cell", () => {
    const wrong = (cells: Record<string, string>) => {
      const r = panelOfCells({ code: "QH140FHZ-T77", source: "M", ...cells }, keep);
      return r.ok ? [] : r.problems.map((p) => p.column);
    };
    expect(wrong({ outline_width_mm: "315.8" })).toEqual(["outline_height_mm"]);
    expect(wrong({ thickness_mm: "2,6" })).toEqual(["thickness_mm"]);
    expect(wrong({ contacts: "many", pitch_mm: "0.5" })).toEqual(["contacts"]);
    expect(wrong({ contacts: "9" })).toEqual(["contacts"]);
    expect(wrong({ contacts: "30", [confidenceColumn("contacts")]: "1.2" })).toEqual([confidenceColumn("contacts")]);
    expect(wrong({ contacts: "30", [sourceColumn("contacts")]: "Z" })).toEqual([sourceColumn("contacts")]);
    expect(wrong({ code: "" })).toEqual(["code"]);
  });
});

describe("what comes with a panel", () => {
  const p = panels["gv140fhb-k36"]!;
  it("is promised, not promised, or not said; not said is neither", () => {
    const box = (value: string[] | null) => ({ ...p, inTheBox: { value, source: "D" as const } });
    expect(promised(box(["tape strips", "two brackets"]), "tape")).toBe(true);
    expect(promised(box(["tape strips", "two brackets"]), "brackets")).toBe(true);
    expect(promised(box(["tape strips"]), "sensor")).toBe(false);
    expect(promised(box(null), "films")).toBeNull();
    expect(promised({ ...p, tabs: { value: null, source: "G" } }, "tabs")).toBeNull();
    expect(promised({ ...p, tabs: { value: [], source: "D" } }, "tabs")).toBe(false);
  });
});
