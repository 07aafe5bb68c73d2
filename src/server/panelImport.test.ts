import { panels, TestBench } from "@tests/bench";
import { panelCsv } from "@tests/panelTableRows";
import { ISO, serverDb } from "@tests/serverDb";
import { sql } from "kysely";
import Papa from "papaparse";
import { beforeAll, describe, expect, it } from "vitest";
import { conflictsOf, type Panel } from "@/core/panel";
import { connection } from "@/data/connection";
import { catalogueEntries, panelsNearSize } from "@/data/panelStore";
import { saveReference } from "@/data/referenceStore";
import { appendOne } from "./append";
import { cancelPanelImport, panelImport, panelImportRows, SLICE, startPanelImport, takePanelImport } from "./panelImport";
import { exportPanels, readPanel, savePanel } from "./panels";
import { pastOrders, refreshOffers, tellFeed, tradeOf } from "./sellers";

const NOW = Date.parse(ISO);
const kestrel = panels["gv140fhb-k31"]!;
serverDb("import", { reference: false });
beforeAll(async () => {
  for (const p of Object.values(panels)) await saveReference(connection().db, "panel", p.id, p, null, ISO);
});

async function dryRun(text: string, format: "csv" | "json" = "csv", name = "list.csv") {
  const { id, done } = await startPanelImport({ name, format, bytes: Buffer.from(text) }, ISO);
  await done;
  return { id, record: (await panelImport(id))! };
}
const count = async () => (await catalogueEntries(connection().db)).length;

describe("10,000 rows", () => {
  it("are read in slices, appends complete between them, nothing changes before it is taken over, then all at once", async () => {
    const before = await count();
    const b = new TestBench("device-a", "00000000-0000-7000-8000-000000000077");
    const opened = b.make({
      type: "job.opened",
      payload: {
        number: "H-77",
        customer: "Reading Room",
        words: "",
        machineModel: "Ostrel Kestrel 14",
        serial: "",
        promiseAt: null,
        happened: "",
      },
    });
    expect(await appendOne(opened, NOW)).toMatchObject({ ok: true });
    const { id, done } = await startPanelImport(
      { name: "ten-thousand.csv", format: "csv", bytes: Buffer.from(panelCsv(10_000, 77)) },
      ISO,
    );
    let reading = true;
    const ended = done.then(() => {
      reading = false;
    });
    const rowsAt: number[] = [];
    while (reading) {
      // A request comes by a turn of the event loop of its own.
      await new Promise((turn) => setImmediate(turn));
      const e = b.make({ type: "job.noted", payload: { text: "still working" } });
      expect(await appendOne(e, NOW)).toMatchObject({ ok: true, late: false });
      rowsAt.push((await panelImport(id))?.rows ?? 0);
    }
    await ended;
    const steps = new Set(rowsAt);
    expect(steps.size, "appends that completed at different places of the reading").toBeGreaterThan(50);
    const jumps = [...steps].sort((a, z) => a - z).map((n, i, all) => (i ? n - all[i - 1]! : 0));
    expect(Math.max(...jumps), "rows read between two completed appends").toBeLessThanOrEqual(SLICE * 8);
    const record = (await panelImport(id))!;
    expect(record).toMatchObject({ state: "ready", rows: 10_000, part: 1 });
    expect(record.counts.wrong).toBe(Math.floor(10_000 / 77));
    expect(record.counts.new).toBe(10_000 - record.counts.wrong!);
    const wrong = await panelImportRows(id, "wrong", 0);
    expect(wrong[0]).toMatchObject({ row: 78, says: ['contacts: "many" is not a number'] });
    expect(await count()).toBe(before);
    expect(await takePanelImport(id, ISO)).toEqual({ ok: true, panels: record.counts.new });
    expect(await count()).toBe(before + record.counts.new!);
    expect(await takePanelImport(id, ISO)).toMatchObject({ ok: false, status: 409 });
    const near = await panelsNearSize(connection().db, 14, 0.1, 150);
    expect(near).toHaveLength(150);
    for (const p of near) expect(p.data.diagonalIn.value).toBe(14);
  }, 120_000);
  it("once more are all the same, and nothing is written", async () => {
    const before = await count();
    const { id, record } = await dryRun(panelCsv(10_000, 77).split("\r\n").slice(0, 2001).join("\r\n"));
    expect(record.counts).toEqual({ same: 2_000 - Math.floor(2_000 / 77), wrong: Math.floor(2_000 / 77) });
    expect(await cancelPanelImport(id)).toBe(true);
    expect(await panelImport(id)).toBeNull();
    expect(await count()).toBe(before);
  }, 60_000);
});

describe("a dry run", () => {
  it("says row by row what would change: conflicts kept beside, repeats named, columns it does not know said once", async () => {
    const { id, record } = await dryRun(
      [
        "code;source;contacts;thickness_mm;colour of the box",
        `${kestrel.code};M;40;${kestrel.thicknessMm.value};blue`,
        "NEW140FHB-A1;D;30;2.8;red",
        "new140fhb a1;D;30;2.8;red",
        "NEW140FHB-A1;M;40;;red",
        "BAD;D;30;3,1;",
      ].join("\n"),
    );
    expect(record.notes).toEqual(["Not read, no column of a panel table: colour of the box."]);
    const rows = await panelImportRows(id, null, 0);
    expect(rows.map((r) => [r.row, r.outcome])).toEqual([
      [2, "conflict"],
      [3, "new"],
      [4, "repeated"],
      [5, "conflict"],
      [6, "wrong"],
    ]);
    expect(rows[0]!.says.join()).toContain("speaks against the record: contacts");
    expect(rows[2]!.says[0]).toBe("the same panel as in row 3");
    expect(rows[4]!.says.join()).toContain("decimal point");
    expect(await takePanelImport(id, ISO)).toEqual({ ok: true, panels: 2 });
    const kept = (await readPanel(kestrel.id))!;
    expect(kept.data.contacts).toEqual(kestrel.contacts);
    expect(conflictsOf(kept.data)).toMatchObject([{ fact: "contacts", against: [{ value: 40, source: "M", from: "list.csv" }] }]);
    expect(conflictsOf((await readPanel("new140fhb-a1"))!.data)).toHaveLength(1);
  });
  it("taken over after somebody else changed a record is refused whole, naming it", async () => {
    const { id } = await dryRun("code,source,lanes\nTQ116WHA-R02,D,4\nFRESH116-Z1,D,2\n");
    const r = (await readPanel("tq116wha-r02"))!;
    expect(
      await savePanel(r.id, { ...r.data, otherNames: [{ kind: "sparePart", text: "5D10-0116" }] }, r.version, ISO),
    ).toMatchObject({ ok: true });
    expect(await takePanelImport(id, ISO)).toMatchObject({ ok: false, problem: expect.stringContaining("tq116wha-r02") });
    expect(await readPanel("fresh116-z1")).toBeNull();
  });
  it("says what is wrong with the whole file", async () => {
    const notes = async (text: string, format: "csv" | "json" = "csv") => (await dryRun(text, format)).record;
    expect(await notes("contacts,source\n30,D\n")).toMatchObject({
      state: "failed",
      notes: [expect.stringContaining('"code" among them')],
    });
    expect(await notes("code,code\nA,B\n")).toMatchObject({ state: "failed", notes: [expect.stringContaining("there twice")] });
    expect(await notes("code,source\n")).toMatchObject({ state: "failed", notes: [expect.stringContaining("no rows")] });
    expect(await notes("{", "json")).toMatchObject({ state: "failed", notes: [expect.stringContaining("JSON")] });
    expect(await notes('{"a":1}', "json")).toMatchObject({ state: "failed", notes: [expect.stringContaining("helvane.panels")] });
  });
  it("can be called off while it reads: nothing is left of it", async () => {
    const { id, done } = await startPanelImport({ name: "x.csv", format: "csv", bytes: Buffer.from(panelCsv(4000, 0, 99)) }, ISO);
    while (((await panelImport(id))?.rows ?? 0) < SLICE) await new Promise((r) => setTimeout(r, 1));
    await cancelPanelImport(id);
    await done;
    expect(await panelImport(id)).toBeNull();
  }, 30_000);
});

describe("a table as spreadsheets write it", () => {
  const notesOf = async (bytes: Uint8Array) => {
    const { id, done } = await startPanelImport({ name: "sheet.csv", format: "csv", bytes }, ISO);
    await done;
    const rows = await panelImportRows(id, null, 0);
    return { notes: (await panelImport(id))!.notes, codes: rows.map((r) => r.code) };
  };
  const line = "code,source,outline_source\nSHEET140-A1,D,M\n";
  it("is read in UTF-8 and UTF-16 with or without its mark; an older code page is read and said", async () => {
    for (const bytes of [
      Buffer.from(line),
      Buffer.from(`\uFEFF${line}`),
      Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(line, "utf16le")]),
      Buffer.concat([Buffer.from([0xfe, 0xff]), Buffer.from(line, "utf16le").swap16()]),
    ])
      expect(await notesOf(bytes)).toMatchObject({ codes: ["SHEET140-A1"] });
    const old = Buffer.concat([Buffer.from("code,source,größe\n", "latin1"), Buffer.from("SHEET140-A1,D,x\n")]);
    const { notes, codes } = await notesOf(old);
    expect(codes).toEqual(["SHEET140-A1"]);
    expect(notes[0]).toContain("Windows-1252");
    expect(notes[1]).toContain("größe");
  });
  it("that was being read when the server stopped says so, and can be put away", async () => {
    await connection()
      .db.insertInto("imports")
      .values({ id: "cut-off", name: "cut.csv", state: "reading", rows: 40, part: 0.1, notes: "[]", created_at: ISO })
      .execute();
    expect(await panelImport("cut-off")).toMatchObject({ state: "failed", notes: [expect.stringContaining("Read it again")] });
    expect(await cancelPanelImport("cut-off")).toBe(true);
    expect(await panelImport("cut-off")).toBeNull();
  });
});

describe("export", () => {
  // Of the ten thousand taken over above an eighth says the same in less time.
  beforeAll(async () => {
    await connection()
      .db.deleteFrom("reference")
      .where("kind", "=", "panel")
      .where("id", "not in", Object.keys(panels))
      .where(sql<number>`rowid % 8`, "<>", 0)
      .execute();
    expect(await count()).toBeGreaterThan(1000);
  });
  const text = async (format: "csv" | "json") => {
    let all = "";
    for await (const part of exportPanels(format)) all += part;
    return all;
  };
  it("as JSON and as CSV reads back as it was: nothing new, nothing against", async () => {
    for (const format of ["json", "csv"] as const) {
      const { record } = await dryRun(await text(format), format, "back");
      expect(record.state).toBe("ready");
      expect(Object.keys(record.counts).sort(), format).toEqual(["same"]);
    }
  }, 120_000);
  it("no cell is a formula", async () => {
    const row = (await readPanel(kestrel.id))!;
    await savePanel(row.id, { ...row.data, otherNames: [{ kind: "other", text: "=1+1" }] } as Panel, row.version, ISO);
    const cells = Papa.parse<string[]>(await text("csv"), { skipEmptyLines: true }).data.flat();
    expect(cells.filter((c) => /^[=+@\t\r]/.test(c) || /^-[^\d.]/.test(c))).toEqual([]);
  });
});

describe("the editor's save", () => {
  it("refuses a stale version, a wrong value, another's id and a second record of one code", async () => {
    const r = (await readPanel(kestrel.id))!;
    expect(await savePanel(r.id, r.data, r.version - 1, ISO)).toMatchObject({ ok: false, status: 409 });
    expect(await savePanel(r.id, { ...r.data, contacts: { value: 3, source: "M" } }, r.version, ISO)).toMatchObject({
      ok: false,
      details: [{ where: "contacts.value" }],
    });
    expect(await savePanel("other-id", r.data, 0, ISO)).toMatchObject({ ok: false, status: 400 });
    expect(await savePanel("gv140fhbk31", { ...r.data, id: "gv140fhbk31", code: "GV140 FHB K31" }, 0, ISO)).toMatchObject({
      ok: false,
      status: 409,
    });
    expect((await readPanel(kestrel.id))!.version).toBe(r.version);
  });
});

describe("sellers", () => {
  const offer = { panel: kestrel.id, seller: "Norrow Parts", condition: "new", priceMinor: 8000, currency: "EUR", days: 5 };
  const norrow = async () =>
    (await connection().db.selectFrom("reference").select(["id", "json"]).where("kind", "=", "offer").execute()).map((r) =>
      JSON.parse(r.json),
    );
  it("an outage keeps the old offers with their date, bad rows are named, and stock comes in", async () => {
    await saveReference(connection().db, "offer", "k31-norrow", offer, null, ISO);
    await tellFeed("outage");
    expect(await refreshOffers(NOW)).toEqual([
      { seller: "Norrow Parts", ok: false, words: "Norrow Parts does not answer.", problems: [], asOf: null },
    ]);
    expect(await norrow()).toEqual([offer]);
    await tellFeed("badRows");
    const [a] = await refreshOffers(NOW);
    expect(a).toMatchObject({ ok: true, asOf: ISO });
    expect(a!.problems).toHaveLength(4);
    const [now] = await norrow();
    expect(now).toMatchObject({ panel: kestrel.id, asOf: ISO });
    expect(now.stock).toBeGreaterThanOrEqual(0);
    expect(now.priceMinor).toBeGreaterThan(7000);
  });
  it("counts orders, days and returns from the logs, without what was taken back", async () => {
    const b = new TestBench("device-b", "00000000-0000-7000-8000-000000000078");
    const put = async (type: string, payload: unknown, days = 0) => {
      b.ms += days * 86_400_000;
      const e = b.make({ type, payload } as never);
      await connection()
        .db.insertInto("events")
        .values({
          id: e.id,
          job_id: e.jobId,
          type: e.type,
          v: e.v,
          payload: JSON.stringify(e.payload),
          who: e.who,
          device: e.device,
          clock: e.clock,
          placed: e.clock,
          seen: 0,
          received_at: ISO,
        })
        .execute();
      return e.id;
    };
    const order = { seller: "Norrow Parts", dueDays: 5 };
    await put("match.ordered", order);
    await put("match.arrived", { codeRead: "X" }, 8);
    await put("match.returned", { reason: "cracked" }, 1);
    await put("match.ordered", order);
    await put("match.arrived", { codeRead: "X" }, 6);
    const wrong = await put("match.returned", { reason: "wrongPart" });
    await put("job.takenBack", { eventId: wrong });
    const past = await pastOrders();
    expect(past).toHaveLength(2);
    expect(past[0]).toMatchObject({ seller: "Norrow Parts", quotedDays: 5, returned: "cracked" });
    expect(past[0]!.tookDays).toBeCloseTo(8, 2);
    expect(past[1]).toMatchObject({ returned: null });
    const trade = await tradeOf([offer as never]);
    expect(trade.sellers["Norrow Parts"]!.record).toMatchObject({
      orders: 2,
      returned: 1,
      reasons: [{ reason: "cracked", times: 1 }],
    });
    expect(trade.offers[0]!.lead).toMatchObject({ orders: 2 });
    expect(trade.offers[0]!.lead.p50Days).toBeGreaterThan(5.5);
  });
});
