import { readFileSync } from "node:fs";
import { plannedJob, TestBench } from "@tests/bench";
import { ISO, serverDb } from "@tests/serverDb";
import { describe, expect, it } from "vitest";
import { addPart, setPart } from "@/core/build";
import { fold, handoverSheet, type JobEvent } from "@/core/job";
import { pdfText } from "../../e2e/pdfText";
import { appendOne } from "./append";
import { readEdidPort } from "./edid";
import { estimatePdf, readEstimate } from "./estimate";
import { sheetPdf } from "./handover";
import { readJobPage } from "./jobPage";
import { readMeter } from "./meter";
import { importBuild, readReference, saveTriageTable, shippedTriageText } from "./reference";

const NOW = Date.parse(ISO);
const JOB = "00000000-0000-7000-8000-000000000042";
serverDb("docs", { jobs: true });
process.env.HELVANE_METER_SEED = "1";

const pages = (pdf: Buffer) => pdf.toString("latin1").match(/\/Type \/Page\b/g)?.length;

describe("printed sheets", () => {
  it("a hand-over of a whole job is one page, fonts embedded, names beyond Latin-1 whole", async () => {
    const b = plannedJob("C", new TestBench("device-a", JOB));
    b.do("triage.intakeAgreed", { words: "Упал со стола, Łódź", agreedBy: "Žofie Kovářová", login: "guest" });
    b.do("triage.conditionNoted", { view: "base", kind: "missingFoot", xMm: 20, yMm: 190, note: "vorne links" });
    b.until(null);
    const pdf = await sheetPdf(handoverSheet(b.view, 55)!, new Date(NOW));
    const text = pdfText(pdf);
    expect(pages(pdf)).toBe(1);
    expect(pdf.toString("latin1")).toContain("/FontFile");
    for (const s of [
      "Hand-over H-1",
      "GV140FHB-K31",
      "7 out, 7 back",
      "Упал со стола, Łódź",
      "Žofie Kovářová",
      "base, 20, 190 mm: vorne links",
    ])
      expect(text).toContain(s);
  });
  it("a long sheet stays on one page", async () => {
    const b = plannedJob("C", new TestBench("device-a", JOB));
    for (let i = 0; i < 8; i++)
      b.do("triage.conditionNoted", {
        view: "lid",
        kind: "mark",
        xMm: i,
        yMm: i,
        note: "a scratch that runs from the camera to the hinge and back again",
      });
    b.until(null);
    expect(pages(await sheetPdf(handoverSheet(b.view, 55)!, new Date(NOW)))).toBe(1);
  });
  it("an estimate says price, bad case, tax, expiry and what it stands on; without a choice there is none", async () => {
    const b = plannedJob("C", new TestBench("device-a", JOB));
    expect(await readEstimate(JOB)).toBeNull();
    b.do("quote.chosen", {
      option: "panelNew",
      expectedMinor: 13_345,
      p80Minor: 15_210,
      currency: "EUR",
      taxPercent: 20,
      days: 2,
      validUntil: "2026-06-15T08:00:00.000Z",
      assumptions: ["Labour from the plan", "Bezel clip breaks: 8 % at 18.00 EUR"],
      labourMinutes: 55,
      marginPercent: 15,
      agreedBy: "Łukasz",
    });
    const pdf = await estimatePdf(b.state, new Date(NOW));
    const text = pdfText(pdf);
    expect(pages(pdf)).toBe(1);
    for (const s of [
      "Estimate H-1",
      "133.45 EUR",
      "152.10 EUR",
      "20 %",
      "2026-06-15",
      "Bezel clip breaks: 8 % at 18.00 EUR",
      "Łukasz",
      "The screen itself is broken, 90 % sure",
    ])
      expect(text).toContain(s);
  });
});

describe("meter and EDID port of a job", () => {
  it("the server's meter obeys the power state of the log, whatever it is asked", async () => {
    const b = plannedJob("B", new TestBench("device-a", JOB)).until("partOut:bezel");
    for (const e of b.events as JobEvent[]) expect(await appendOne(e, NOW)).toMatchObject({ ok: true });
    expect(await readMeter(JOB, "driverInput", "dcVolts")).toMatchObject({
      ok: false,
      status: 409,
      problem: expect.stringContaining("isolated"),
    });
    // Board 1 of the stand-in has an open fuse.
    expect(await readMeter(JOB, "backlightFuse", "continuity")).toEqual({ ok: true, value: null, unit: "ohm" });
    expect(await readMeter(JOB, "nowhere", "continuity")).toMatchObject({ ok: false, status: 400 });
    expect(await readMeter("00000000-0000-7000-8000-000000000099", "backlightFuse", "continuity")).toMatchObject({
      ok: false,
      status: 404,
    });
  });
  it("the port serves the same EDID each time, of a panel seen in the model", async () => {
    const one = await readEdidPort(JOB);
    expect(one.ok).toBe(true);
    expect(await readEdidPort(JOB)).toEqual(one);
    expect(await readEdidPort("00000000-0000-7000-8000-000000000099")).toMatchObject({ ok: false, status: 404 });
  });
  it("a job's page carries its machine's build, panels near its size and what the shop's log says", async () => {
    const page = await readJobPage(JOB);
    expect(page!.reference.builds.map((x) => x.data.machineModel)).toEqual(["Tollund Cairn 11 CB"]);
    for (const p of page!.reference.panels) expect(Math.abs(p.data.diagonalIn.value! - 11.6)).toBeLessThan(0.8);
    expect(page!.reference.shopLog).toEqual({ jobs: 0, ratios: [], mishaps: {} });
    expect(await readJobPage("00000000-0000-7000-8000-000000000099")).toBeNull();
  });
});

describe("reference data through the interface", () => {
  it("the fault model: stale, broken and wrong writes save nothing; shipped comes back", async () => {
    const shipped = shippedTriageText();
    const version = (await readReference()).triage!.version;
    expect(await saveTriageTable(shipped, version + 5, ISO)).toMatchObject({ ok: false, problems: [{ where: "version" }] });
    expect(await saveTriageTable("{ not", version, ISO)).toMatchObject({ ok: false, problems: [{ where: "file" }] });
    const t = JSON.parse(shipped);
    t.faults[0].prior = -1;
    expect(await saveTriageTable(JSON.stringify(t), version, ISO)).toMatchObject({
      ok: false,
      problems: [{ where: "faults.0.prior" }],
    });
    expect((await readReference()).triage!.version).toBe(version);
    t.faults[0].prior = 50;
    expect(await saveTriageTable(JSON.stringify(t), version, ISO)).toMatchObject({ ok: true, version: version + 1 });
    expect((await readReference()).triage!.data.faults[0]!.prior).toBe(50);
    expect(await saveTriageTable(shipped, version + 1, ISO)).toMatchObject({ ok: true });
    expect((await readReference()).triage!.data.faults[0]!.prior).toBe(34);
  });
  it("the plan a page starts with is that of the build the job was matched with, whatever the record says by now", async () => {
    const id = "00000000-0000-7000-8000-000000000061";
    const b = plannedJob("C", new TestBench("device-p", id));
    Object.assign(b.events[0]!, { payload: { ...b.events[0]!.payload, number: "H-61" } });
    const planned = b.events.findIndex((e) => e.type === "plan.made");
    for (const e of b.events.slice(0, planned)) {
      const done = await appendOne(e, NOW);
      if (!done.ok) throw new Error(`${e.type}: ${done.reason}`);
    }
    const known = (await readReference()).builds.find((x) => x.id === "ostrel-kestrel-14")!;
    const more = addPart(known.data, "Card reader", "base");
    const bezel = more.parts.find((p) => p.role === "bezel")!;
    const changed = setPart(more, { ...bezel, blockedBy: [...bezel.blockedBy, "card-reader"] });
    expect(await importBuild(JSON.stringify(changed), known.version, ISO)).toMatchObject({ ok: true });
    const page = await readJobPage(id, "plan");
    const made = page!.plan!.made;
    if (!made.ok) throw new Error(made.problem);
    expect(made.plan.out.map((s) => s.id)).not.toContain("partOut:card-reader");
    expect(page!.plan!.key).toContain(fold(page!.events, page!.snapshots).match.chosen!.buildHash);
    // A job that has not spoken of any build yet is planned with the one of today.
    expect((await readJobPage(id, "triage"))!.plan).toBeNull();
  });
  it("a build read anew takes the next version, and its machine keeps the panels seen in it", async () => {
    const text = readFileSync("data/demo/builds/tollund-cairn-11-cb.json", "utf8");
    const before = (await readReference()).machines.find((m) => m.model === "Tollund Cairn 11 CB")!;
    const b = JSON.parse(text);
    b.machineCodes = [...b.machineCodes, "TC11CB-2E99"];
    const done = await importBuild(JSON.stringify(b), null, ISO);
    expect(done).toMatchObject({ ok: true, version: 2, replaced: true });
    const after = (await readReference()).machines.find((m) => m.model === "Tollund Cairn 11 CB")!;
    expect(after.panels).toEqual(before.panels);
    expect(after.seen).toEqual(before.seen);
    expect(after.codes).toContain("TC11CB-2E99");
    expect(await importBuild(text, 1, ISO)).toMatchObject({ ok: false, problems: [{ where: "version" }] });
  });
});
