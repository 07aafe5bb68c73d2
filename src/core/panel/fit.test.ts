import { builds, panels } from "@tests/bench";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compareFit, DESTROYING, overallVerdict, type Panel, readPartCode, unknownPanel } from ".";
import { SHIPPED_GRAMMAR } from "./partCode";

const build = builds["ostrel-kestrel-14"]!;
const old = panels["gv140fhb-k31"]!;
const withField = <K extends keyof Panel>(p: Panel, field: K, value: unknown, source = "D"): Panel =>
  ({ ...p, [field]: { value, source } }) as Panel;
const row = (cand: Panel, field: string, o = old, b: typeof build | null = build) =>
  compareFit(o, cand, b).find((r) => r.field === field)!;

describe("fit, destroying fields", () => {
  const other: Record<string, unknown> = {
    family: "LVDS",
    contacts: 40,
    pitchMm: 0.4,
    contactSide: "glass",
    logicSupplyV: 5,
    backlight: "ledFromBoard",
    backlightSupplyV: 20,
  };
  for (const field of DESTROYING) {
    it(`${field}: equal is same, other stops, unknown and hearsay never pass`, () => {
      expect(row(old, field).verdict).toBe("same");
      expect(row(withField(old, field, other[field]), field).verdict).toBe("stop");
      for (const source of ["S", "G"]) {
        // What only suggests neither lets in nor keeps out: it is looked at, and the other word is said.
        const r = row(withField(old, field, other[field], source), field);
        expect(r.verdict).toBe("unknown");
        expect(r.reason).toContain(" not ");
        expect(row(withField(old, field, old[field].value, source), field).verdict).toBe("unknown");
      }
      expect(row(withField(old, field, null), field).verdict).toBe("unknown");
      expect(row(old, field, withField(old, field, null)).verdict).toBe("unknown");
      // Unknown on both sides is not the same.
      expect(row(withField(old, field, null), field, withField(old, field, null)).verdict).toBe("unknown");
    });
  }
  it("no panel is the same as anything while a destroying field is unknown", () => {
    fc.assert(
      fc.property(fc.constantFrom(...Object.values(panels)), fc.constantFrom(...DESTROYING), (p, field) => {
        const rows = compareFit(withField(p, field, null), p, null);
        const o = overallVerdict(rows);
        expect(o.kind).not.toBe("same");
        expect(o.conditional).toBe(true);
      }),
    );
  });
});

describe("fit, geometry on both sides of each limit", () => {
  const { pocket, pocketDepthMm } = build.lid;
  const wide = (widthMm: number, heightMm = old.outline.value!.heightMm) => withField(old, "outline", { widthMm, heightMm });
  it("outline against the pocket and the old one", () => {
    const w = old.outline.value!.widthMm;
    expect(row(wide(w + 0.2), "outline").verdict).toBe("same");
    expect(row(wide(w - 0.3), "outline").verdict).toBe("unknown");
    expect(row(wide(w - 0.5), "outline").verdict).toBe("change");
    expect(row(wide(w - 4), "outline").verdict).toBe("change");
    expect(row(wide(w - 4.2), "outline").verdict).toBe("stop");
    expect(row(wide(pocket.widthMm), "outline").verdict).not.toBe("stop");
    expect(row(wide(pocket.widthMm + 0.1), "outline").verdict).toBe("unknown");
    expect(row(wide(pocket.widthMm + 0.2), "outline")).toMatchObject({ verdict: "stop", words: "0.2 too wide" });
    expect(row(wide(w, pocket.heightMm + 0.2), "outline")).toMatchObject({ verdict: "stop", words: "0.2 too high" });
    // Without a build a different outline cannot be judged.
    expect(row(wide(w + 1), "outline", old, null).verdict).toBe("unknown");
  });
  it("thickness against the depth", () => {
    const t = old.thicknessMm.value!;
    const thick = (v: number) => withField(old, "thicknessMm", v);
    const deep = { ...build, lid: { ...build.lid, pocketDepthMm: t + 1 } };
    expect(row(thick(t + 0.1), "thicknessMm", old, deep).verdict).toBe("same");
    expect(row(thick(t + 0.2), "thicknessMm", old, deep).verdict).toBe("unknown");
    expect(row(thick(t + 0.41), "thicknessMm", old, deep)).toMatchObject({ verdict: "change", change: { part: "thinner tape" } });
    expect(row(thick(t - 0.4), "thicknessMm")).toMatchObject({ verdict: "change", change: { part: "thicker tape" } });
    expect(row(thick(pocketDepthMm), "thicknessMm").verdict).not.toBe("stop");
    // The tape under it is part of the depth.
    expect(row(thick(pocketDepthMm), "thicknessMm").reason).toMatch(/stand 0.2 mm proud/);
    expect(row(thick(pocketDepthMm + 0.05), "thicknessMm").verdict).toBe("unknown");
    expect(row(thick(pocketDepthMm + 0.2), "thicknessMm").verdict).toBe("stop");
  });
  it("tabs: none on a screwed seat is tape; tabs that do not go in stop; elsewhere they lie unused", () => {
    const tab = (outMm: number, edge = "left") => [{ edge, atMm: 10, widthMm: 8, outMm }];
    expect(row(old, "tabs").verdict).toBe("same");
    expect(row(withField(old, "tabs", tab(40)), "tabs").verdict).toBe("stop");
    const tabbed = withField(old, "tabs", tab(0.05));
    expect(row(old, "tabs", tabbed)).toMatchObject({ verdict: "change", change: { part: "mounting tape" } });
    // Clear in the pocket and over no boss: tape holds it.
    expect(row(withField(old, "tabs", tab(0.05, "right")), "tabs", tabbed)).toMatchObject({
      verdict: "change",
      change: { part: "mounting tape" },
    });
  });
  it("finish is the customer's to decide; resolution is held against the link", () => {
    expect(row(withField(old, "finish", "glossy"), "finish").verdict).toBe("ask");
    expect(row(withField(old, "finish", "matt", "G"), "finish").verdict).toBe("unknown");
    expect(row(withField(old, "pixels", { h: 2560, v: 1440 }), "pixels").verdict).toBe("stop");
    expect(row(withField(old, "pixels", { h: 2560, v: 1440 }), "pixels", old, null).verdict).toBe("unknown");
  });
  it("picture fields are same only when both are known and equal", () => {
    for (const f of ["refreshHz", "colourBits", "touch", "technology"] as const) {
      expect(row(old, f).verdict, f).toBe("same");
      expect(row(withField(old, f, null), f).verdict, f).toBe("unknown");
      expect(row(withField(old, f, old[f].value, "S"), f).verdict, f).toBe("unknown");
    }
  });
});

describe("overall verdict", () => {
  it("an older record of the same part says nothing against what is known of it today; another part's stays a look", () => {
    const today = {
      ...old,
      brightnessNits: { value: 300, source: "D" as const },
      cell: { value: "IPS", source: "D" as const },
    } as Panel;
    expect(overallVerdict(compareFit(old, today, build))).toMatchObject({ kind: "same", looks: 0 });
    const other = { ...today, code: "GV140FHB-K77" };
    expect(
      compareFit(old, other, build)
        .filter((r) => r.verdict === "unknown")
        .map((r) => r.field),
    ).toEqual(["brightnessNits", "cell"]);
    // What was written down as unknown stays unknown.
    const asked = { ...old, cell: { value: null, source: "D" as const } } as Panel;
    expect(compareFit(asked, today, build).find((r) => r.field === "cell")!.verdict).toBe("unknown");
  });
  it("never says same in every field where a difference is known, though nobody knows what it comes to", () => {
    const sizeless = { ...withField(old, "outline", null), diagonalIn: { value: 15.6, source: "G" as const } };
    const o = overallVerdict(compareFit(old, sizeless, build));
    expect(o.words).toBe("Nothing known against it; differs in outline, if 1 look agrees");
    expect(overallVerdict(compareFit(old, withField(old, "outline", null), build)).words).toMatch(
      /^Same in every field compared, if/,
    );
  });
  it("is the worst class, says its counts, and is unconditional only when nothing is unknown", () => {
    const all = Object.values(panels);
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.constantFrom(...all), (a, b) => {
        const rows = compareFit(a, b, build);
        const o = overallVerdict(rows);
        const has = (v: string) => rows.some((r) => r.verdict === v);
        expect(o.kind === "stop").toBe(has("stop"));
        expect(o.conditional).toBe(has("unknown"));
        expect(o.looks).toBe(rows.filter((r) => r.verdict === "unknown").length);
        if (!has("stop") && rows.some((r) => r.destroying && r.verdict === "unknown")) expect(o.kind).toBe("doNotConnect");
        if (o.kind === "change") expect(o.words).toContain(String(o.changes));
        if (o.looks && o.kind !== "stop") expect(o.words).toMatch(/if \d+ looks? agrees?/);
      }),
    );
  });
  it("every verdict carries a reason, every unknown a look", () => {
    for (const c of Object.values(panels))
      for (const r of compareFit(old, c, build)) {
        expect(r.reason.length, r.field).toBeGreaterThan(10);
        if (r.verdict === "unknown") expect(r.look, r.field).toBeTruthy();
      }
  });
  it("look-alikes of the demo must not be ordered", () => {
    const kind = (o: string, c: string, b: typeof build | null) => overallVerdict(compareFit(panels[o]!, panels[c]!, b)).kind;
    expect(kind("gv140fhb-k31", "pd140fht-40b1", build)).toBe("stop");
    expect(kind("tq116wha-r02", "ze116xtc-n30", builds["tollund-cairn-11-cb"]!)).toBe("stop");
    expect(kind("gv140fhb-k31", "gv140fhb-k31g", build)).toBe("ask");
    expect(kind("gv140fhb-k31", "pd140fhb-u02", build)).toBe("doNotConnect");
  });
});

describe("part code", () => {
  it("reads digits and letters, and says so when there is nothing to read", () => {
    expect(readPartCode("GV140FHB-K31")).toMatchObject({ diagonalIn: 14, pixels: [{ h: 1920, v: 1080 }], source: "G" });
    expect(readPartCode("tq156wha-r02")).toMatchObject({ diagonalIn: 15.6, pixels: [{ h: 1366, v: 768 }] });
    for (const none of ["", "S/N 123", "GV14FH", "GV079FH-1", "GV185FH-1", "123456", "ABCD"])
      expect(readPartCode(none), none).toMatchObject({ diagonalIn: null, pixels: [] });
    // A notebook's diagonal: 8.0 to 18.4 inch, both ends with it.
    expect(readPartCode("GV080FHB").diagonalIn).toBe(8);
    expect(readPartCode("GV184FHB").diagonalIn).toBe(18.4);
    expect(readPartCode("GV079FHB")).toMatchObject({
      diagonalIn: null,
      reason: "No inference: 079 is not a diagonal of 8.0 to 18.4 inch.",
    });
    expect(readPartCode("GV185FHB").diagonalIn).toBeNull();
    expect(readPartCode("GV140ZZB").reason).toBe("Digits 140: 14 inch, rounded. ZZ has no steady meaning.");
    expect(readPartCode("GV140ZZ-1").pixels).toEqual([]);
  });
  it("every diagonal from 8.0 to 18.4 inch and every pair of the table", () => {
    for (let tenths = 80; tenths <= 184; tenths++)
      expect(readPartCode(`GV${String(tenths).padStart(3, "0")}FHB-1`).diagonalIn).toBe(tenths / 10);
    for (const [pair, list] of Object.entries(SHIPPED_GRAMMAR.pairs))
      expect(readPartCode(`GV140${pair}A`).pixels).toEqual(list.map(([h, v]) => ({ h, v })));
  });
  it("a panel not in the catalogue is unknown in every field that matters", () => {
    const u = unknownPanel("GV140FHB-K99");
    for (const f of DESTROYING) expect(u[f].value, f).toBeNull();
    expect(u.pixels).toEqual({ value: { h: 1920, v: 1080 }, source: "G" });
    expect(overallVerdict(compareFit(u, old, build)).kind).toBe("doNotConnect");
  });
});

describe("thickness against the pocket", () => {
  const old = panels["gv140fhb-k31"]!;
  const base = builds["ostrel-kestrel-14"]!;
  const d = (value: number | null) => ({ value, source: "D" as const });
  const of = (was: number | null, is: number | null, pocket: number | null) => {
    const build = pocket === null ? null : { ...base, lid: { ...base.lid, pocketDepthMm: pocket } };
    return compareFit({ ...old, thicknessMm: d(was) }, { ...old, thicknessMm: d(is) }, build).find(
      (r) => r.field === "thicknessMm",
    )!;
  };
  it("too thick for the pocket stops, whatever the old one was; what is not known is never the same", () => {
    expect(of(3, 4.1, 4)).toMatchObject({ verdict: "stop", words: expect.stringMatching(/too thick/) });
    expect(of(null, 4.1, 4).verdict).toBe("stop");
    expect(of(null, 3, 4)).toMatchObject({ verdict: "unknown", words: "old not measured" });
    expect(of(3, null, 4).verdict).toBe("unknown");
    expect(of(3, 3, 4)).toMatchObject({ verdict: "same" });
    // As deep as the pocket goes in.
    expect(of(4, 4, 4).verdict).toBe("same");
  });
  it("thicker takes thinner tape, thinner takes thicker; without the pocket's depth neither is promised", () => {
    expect(of(2.6, 3.6, 4)).toMatchObject({
      verdict: "change",
      words: expect.stringMatching(/thicker$/),
      reason: expect.stringMatching(/Take thinner tape/),
    });
    expect(of(3.6, 2.6, 4)).toMatchObject({
      verdict: "change",
      words: expect.stringMatching(/thinner$/),
      reason: expect.stringMatching(/Take thicker tape/),
    });
    expect(of(2.6, 3.6, null)).toMatchObject({ verdict: "unknown", words: expect.stringMatching(/thicker$/) });
    expect(of(3.6, 2.6, null)).toMatchObject({ verdict: "unknown", words: expect.stringMatching(/thinner$/) });
  });
});

describe("fit, rows that name their reason", () => {
  it("tabs need a source that decides on both sides", () => {
    for (const [o, c] of [
      [withField(old, "tabs", null), old],
      [old, withField(old, "tabs", null)],
      [withField(old, "tabs", old.tabs.value, "G"), old],
      [old, withField(old, "tabs", old.tabs.value, "S")],
    ] as const)
      expect(row(c, "tabs", o)).toMatchObject({ verdict: "unknown", words: "not certain" });
    expect(row(old, "tabs").verdict).toBe("same");
  });
  it("a thinner panel wants thicker tape, a thicker one thinner tape, and says by how much", () => {
    const at = (mm: number) => row(withField(old, "thicknessMm", mm), "thicknessMm");
    const t = old.thicknessMm.value!;
    expect(at(t - 0.5)).toMatchObject({ verdict: "change", words: "0.5 thinner", change: { part: "thicker tape", minutes: 3 } });
    expect(at(t - 0.5).reason).toMatch(/Take thicker tape/);
  });
  it("nobody says what comes with it: not known, never empty", () => {
    expect(row(withField(old, "inTheBox", null), "inTheBox")).toMatchObject({ verdict: "unknown", words: "not known" });
    expect(row(withField(old, "inTheBox", []), "inTheBox")).toMatchObject({ verdict: "same", words: "panel only" });
    expect(row(withField(old, "inTheBox", ["tape"]), "inTheBox")).toMatchObject({ verdict: "same", words: "comes with it" });
  });
});
