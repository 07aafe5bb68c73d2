import { createCanvas, DOMMatrix, ImageData, Path2D } from "@napi-rs/canvas";
import { builds } from "@tests/bench";
import { randomBuild } from "@tests/randomBuild";
import { describe, expect, it } from "vitest";
import { qrModules, screwSheetPdf } from "@/server/screwSheet";
import { CODE_MM, cellCode, makePlan, PAPERS, type Paper, printScale, readScrewScan, screwSheet, screwSheetSvg } from ".";

const sheetOf = (id: string, paper: Paper) => {
  const build = builds[id]!;
  const r = makePlan(build);
  if (!r.ok) throw new Error(r.problem);
  return screwSheet(build, r.plan.out, paper, "H-2417, Ostrel Kestrel 14", "http://127.0.0.1/jobs/x/open");
};

/** Renders a page of a PDF at 300 dpi; returns where black runs along a row of pixels. */
async function rowRuns(pdf: Buffer, page: number, yMm: number): Promise<{ fromMm: number; toMm: number }[]> {
  Object.assign(globalThis, { DOMMatrix, ImageData, Path2D });
  const { getDocument } = await import("pdfjs-dist/legacy/build/pdf.mjs");
  const doc = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false, verbosity: 0 }).promise;
  const p = await doc.getPage(page);
  const viewport = p.getViewport({ scale: 300 / 72 });
  const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
  const context = canvas.getContext("2d");
  context.fillStyle = "#fff";
  context.fillRect(0, 0, canvas.width, canvas.height);
  await p.render({ canvas: canvas as never, canvasContext: context as never, viewport }).promise;
  const mm = 25.4 / 300;
  const y = Math.round(yMm / mm);
  const runs: { fromMm: number; toMm: number }[] = [];
  let from = -1;
  // The line is thinner than the places its middle may fall between: three rows count as one.
  const rows = [-1, 0, 1].map((d) => context.getImageData(0, y + d, canvas.width, 1).data);
  for (let x = 0; x <= canvas.width; x++) {
    const dark = x < canvas.width && rows.some((r) => r[x * 4]! < 128);
    if (dark && from < 0) from = x;
    if (!dark && from >= 0) {
      runs.push({ fromMm: from * mm, toMm: x * mm });
      from = -1;
    }
  }
  await doc.destroy();
  return runs;
}

describe("the screw sheet", () => {
  it("prints its bar 100 mm long, measured at 300 dpi, on A4 and on Letter", async () => {
    for (const paper of ["a4", "letter"] as const) {
      const pdf = await screwSheetPdf(sheetOf("ostrel-kestrel-14", paper), new Date(0));
      const bar = (await rowRuns(pdf, 1, 28)).sort((a, b) => b.toMm - b.fromMm - (a.toMm - a.fromMm))[0]!;
      expect(Math.abs(bar.toMm - bar.fromMm - 100), paper).toBeLessThan(0.2);
      expect(bar.fromMm).toBeCloseTo(10, 0);
      expect(pdf.toString("latin1")).toContain("/PrintScaling /None");
    }
  }, 60_000);
  it("takes a measured bar from 80 to 120 mm, both ends, and no other", () => {
    expect(printScale(80)).toBeCloseTo(1.25, 9);
    expect(printScale(120)).toBeCloseTo(100 / 120, 9);
    expect([79.99, 120.01].map(printScale)).toEqual([null, null]);
  });
  it("is corrected by what a ruler says of the bar", async () => {
    const scale = printScale(98)!;
    const pdf = await screwSheetPdf(sheetOf("ostrel-kestrel-14", "a4"), new Date(0), scale);
    const bar = (await rowRuns(pdf, 1, 28 * scale)).sort((a, b) => b.toMm - b.fromMm - (a.toMm - a.fromMm))[0]!;
    // What this printer makes of it is 98 % of that: 100 mm on paper.
    expect(Math.abs((bar.toMm - bar.fromMm) * 0.98 - 100)).toBeLessThan(0.2);
    expect(printScale(100)).toBe(1);
    for (const bad of [79, 121, 0, Number.NaN]) expect(printScale(bad), String(bad)).toBeNull();
  }, 60_000);
  it("has one cell per step that takes screws, every screw once, in its cell, on the paper", () => {
    for (const id of Object.keys(builds))
      for (const paper of ["a4", "letter"] as const) {
        const build = builds[id]!;
        const r = makePlan(build);
        if (!r.ok) throw new Error(r.problem);
        const taken = r.plan.out.filter((s) => s.kind === "screwsOut");
        const sheet = sheetOf(id, paper);
        const cells = sheet.pages.flat();
        expect(
          cells.filter((c) => c.screws.length > 0),
          id,
        ).toHaveLength(taken.length);
        expect(sheet.count, id).toBe(
          taken.reduce((n, s) => n + build.screwGroups.find((g) => g.id === s.target)!.screws.length, 0),
        );
        const { widthMm, heightMm } = PAPERS[paper];
        for (const page of sheet.pages)
          for (const c of page) {
            expect(c.xMm + c.widthMm).toBeLessThanOrEqual(widthMm - 9.9);
            expect(c.yMm + c.heightMm, `${id} ${c.title}`).toBeLessThanOrEqual(heightMm - 9.9);
            for (const s of c.screws) {
              expect(s.xMm).toBeGreaterThan(0);
              expect(s.xMm).toBeLessThan(c.widthMm);
              expect(s.yMm).toBeLessThan(c.heightMm + 8);
            }
            for (const [i, a] of c.screws.entries())
              for (const b of c.screws.slice(i + 1))
                expect(Math.abs(a.xMm - b.xMm) >= 7 || Math.abs(a.yMm - b.yMm) >= 12, `${id}: ${a.where}, ${b.where}`).toBe(true);
          }
      }
  });
  it("what is only loosened has its cell and no screw on paper", () => {
    const cell = sheetOf("marrick-fjell-15", "a4")
      .pages.flat()
      .find((c) => c.title === "Hinge screws")!;
    expect(cell.screws).toEqual([]);
    expect(cell.notes.join(" ")).toMatch(/Tighten on the way back/);
  });
  it("a group left in place keeps its cell and its count, says so, and takes no room for screws", () => {
    const build = builds["ostrel-kestrel-14"]!;
    const r = makePlan(build);
    if (!r.ok) throw new Error(r.problem);
    const all = screwSheet(build, r.plan.out, "a4", "x", "y");
    const group = all.pages.flat()[0]!;
    const kept = screwSheet(build, r.plan.out, "a4", "x", "y", new Set(["base-screws"]));
    const cell = kept.pages.flat().find((c) => c.code === "HV:SCREWS:BASE-SCREWS")!;
    expect(cell.screws).toEqual([]);
    expect(cell.count).toBe(group.count);
    expect(cell.notes.join(" ")).toContain("Leave in place");
    expect(kept.count).toBe(all.count - group.count);
  });
  it("what stands beside the code of a cell never runs into it, however long the name", () => {
    const build = structuredClone(builds["marrick-holm-15"]!);
    for (const g of build.screwGroups) g.name = "Screws below the strip above the keys, hinge edge, both lengths";
    const r = makePlan(build);
    if (!r.ok) throw new Error(r.problem);
    for (const c of screwSheet(build, r.plan.out, "letter", "x", "y").pages.flat()) {
      const room = c.widthMm - CODE_MM;
      // Measured widths of the typeface: 0.52 of its size for a mixed line.
      expect(9 + c.title.length * 3.8 * 0.52).toBeLessThanOrEqual(room + 1);
      for (const n of c.notes) expect(2 + n.length * 3 * 0.5).toBeLessThanOrEqual(room + 1);
      expect(c.notes.length).toBeLessThanOrEqual(2);
    }
  });
  it("a scan of a cell names its group, digits are a count, anything else is neither", () => {
    for (const b of Object.values(builds))
      for (const g of b.screwGroups) expect(readScrewScan(cellCode(g.id))).toEqual({ group: g.id });
    expect(readScrewScan(" 12 ")).toEqual({ count: 12 });
    for (const no of ["", "0", "007", "123", "HV:SCREWS:", "HV:SCREWS:-A", "GV140FHB-K31", "http://127.0.0.1/jobs/x"])
      expect(readScrewScan(no), no).toBeNull();
    // The code of a cell holds exactly that: as many modules as text of its length needs, the finder pattern in its corner.
    const qr = qrModules(cellCode("base-screws"));
    expect([...qr[0]!.slice(0, 7)].every(Boolean)).toBe(true);
    expect(qr[1]!.slice(0, 7)).toEqual([true, false, false, false, false, false, true]);
  });
  it("as SVG says its size in millimetres, and escapes what people write", () => {
    const sheet = sheetOf("ostrel-kestrel-14", "a4");
    const svg = screwSheetSvg({ ...sheet, title: `<b>"&'` }, 0, qrModules(sheet.address));
    expect(svg).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"');
    expect(svg).not.toContain("<b>");
    expect(svg.match(/data-bar/g)).toHaveLength(1);
    expect(qrModules(sheet.address).length).toBeGreaterThanOrEqual(21);
  });
  it("takes as many pages as a large machine needs", () => {
    const build = randomBuild(7, 60);
    const r = makePlan(build);
    if (!r.ok) throw new Error(r.problem);
    const sheet = screwSheet(build, r.plan.out, "letter", "H-1", "http://x");
    expect(sheet.pages.length).toBeGreaterThan(2);
  });
});
