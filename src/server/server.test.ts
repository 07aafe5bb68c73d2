import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { plannedJob, snapshots, TestBench } from "@tests/bench";
import { unzipSync, zipSync } from "fflate";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { fold, type JobEvent } from "@/core/job";
import { connection, migrate, openConnection } from "@/data/connection";
import { jobNumbers, readLog } from "@/data/eventStore";
import { canonicalJson, contentHash, saveReference } from "@/data/referenceStore";
import { appendEvents, appendOne } from "./append";
import { benchCards } from "./jobList";
import { exportJob, importJob } from "./transfer";

const dir = mkdtempSync(join(tmpdir(), "helvane-"));
const NOW = Date.parse("2026-06-01T08:00:00Z");

beforeAll(async () => {
  process.env.HELVANE_DB = join(dir, "server.sqlite");
  const c = connection();
  await migrate(c);
  for (const [hash, s] of Object.entries(snapshots))
    await c.db
      .insertInto("reference")
      .values({
        kind: s.kind,
        id: hash.slice(0, 30),
        hash,
        version: 1,
        json: JSON.stringify(s.data),
        updated_at: "2026",
      } as never)
      .execute();
});
afterAll(() => {
  connection().raw.close();
  rmSync(dir, { recursive: true, force: true });
});

const jobId = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, "0")}`;
/** A job's log under ids of its own. */
function logOf(n: number, until: string | null = "drain"): JobEvent[] {
  const b = plannedJob("C", new TestBench("device-a", jobId(n))).until(until);
  return b.events.map((e, i) => ({
    ...e,
    id: `0190${String(n).padStart(4, "0")}-0000-7000-8000-${String(i).padStart(12, "0")}`,
  }));
}

describe("append", () => {
  it("the server's fold of what it stored equals the device's, and a repeat is one append", async () => {
    const log = logOf(1, null);
    for (const e of log) expect(await appendOne(e, NOW)).toMatchObject({ ok: true, repeated: false, late: false });
    for (const e of log) expect(await appendOne(e, NOW)).toMatchObject({ ok: true, repeated: true });
    const stored = await readLog(connection().db, jobId(1));
    expect(stored.events).toHaveLength(log.length);
    expect(fold(stored.events, stored.snapshots)).toEqual(fold(log, snapshots));
  });
  it("a batch stops at the first refused; those before it are kept, those after it not looked at", async () => {
    const log = logOf(2);
    const wrong = {
      ...log[3]!,
      id: "01900002-0000-7000-8000-00000000ffff",
      type: "swap.cableDisconnected",
      payload: { connector: "display-plug" },
    };
    const reply = await appendEvents(jobId(2), [...log.slice(0, 3), wrong, log[4]], NOW);
    expect(reply.accepted).toHaveLength(3);
    expect(reply.refused?.id).toBe(wrong.id);
    expect((await readLog(connection().db, jobId(2))).events).toHaveLength(3);
  });
  it("an id used for another act is refused, whatever differs", async () => {
    const log = logOf(3);
    for (const e of log) await appendOne(e, NOW);
    for (const over of [{ jobId: jobId(1) }, { who: "Somebody else" }, { payload: { text: "other" }, type: "job.noted" }])
      expect(await appendOne({ ...log[1]!, ...over } as JobEvent, NOW), JSON.stringify(over)).toMatchObject({
        ok: false,
        gate: "id",
      });
  });
  it("a shape that is refused names the event, however long an id somebody wrote", async () => {
    const reply = await appendEvents(jobId(3), [{ ...logOf(3)[0], id: "x".repeat(100_000) }], NOW);
    expect(reply.refused).toMatchObject({ gate: "shape", id: "x".repeat(64) });
    expect(JSON.stringify(reply).length).toBeLessThan(1000);
  });
  it("late acts have happened; late orders and late corrections have not", async () => {
    const log = logOf(4, "cableOff:battery-plug");
    for (const e of log) await appendOne(e, NOW);
    const last = log.at(-1)!;
    const after = (n: number) => `${String(Number(last.clock.slice(0, 15)) + n).padStart(15, "0")}-000000`;
    const other = (n: number, type: string, payload: unknown) =>
      ({
        ...last,
        id: `01900004-0000-7000-8000-0000000001${n}0`,
        device: "device-z",
        clock: after(n),
        seen: 0,
        type,
        payload,
      }) as JobEvent;
    expect(await appendOne(other(1, "swap.cableDisconnected", { connector: "display-plug" }), NOW)).toMatchObject({
      ok: true,
      late: true,
    });
    const plan = log.find((e) => e.type === "plan.made")!;
    expect(await appendOne(other(2, "job.takenBack", { eventId: plan.id }), NOW)).toMatchObject({
      ok: false,
      gate: "takeBack",
    });
    const order = log.find((e) => e.type === "match.ordered")!;
    expect(await appendOne(other(3, "match.ordered", order.payload), NOW)).toMatchObject({ ok: false, gate: "stale" });
    const stored = await readLog(connection().db, jobId(4));
    expect(fold(stored.events, stored.snapshots).breaches).toHaveLength(1);
  });
  it("an event that relies on data nobody has is refused whole", async () => {
    const log = logOf(5);
    for (const e of log.slice(0, -4)) await appendOne(e, NOW);
    const before = (await readLog(connection().db, jobId(5))).events.length;
    const e = { ...log.at(-1)!, type: "plan.rebuilt", payload: { buildHash: "f".repeat(64), why: "x" } } as JobEvent;
    expect(await appendOne(e, NOW)).toMatchObject({ ok: false, gate: "snapshot" });
    expect((await readLog(connection().db, jobId(5))).events).toHaveLength(before);
  });
});

describe("lists", () => {
  it("dropping the cache of cards changes nothing", async () => {
    const first = await benchCards();
    const cached = await benchCards();
    expect(first.making).toBe(0);
    await connection().db.deleteFrom("job_list").execute();
    expect(cached).toEqual(first);
    expect(await benchCards()).toEqual(first);
    expect(first.open.length + first.closed).toBe((await jobNumbers(connection().db)).length);
  });
});

describe("export and import", () => {
  it("into an empty database, and again, lose and double nothing", async () => {
    // Snapshots travel under the hash of their content, so this job's references are stored under theirs.
    const zip = await exportJob(jobId(1));
    const files = unzipSync(zip!);
    const renamed: Record<string, Uint8Array> = {};
    let log = new TextDecoder().decode(files["log.json"]!);
    for (const [name, bytes] of Object.entries(files)) {
      const m = /^snapshots\/([0-9a-f]{64})\.json$/.exec(name);
      if (!m) renamed[name] = bytes;
      else {
        const hash = contentHash(JSON.parse(new TextDecoder().decode(bytes)).data);
        log = log.replaceAll(m[1]!, hash);
        renamed[`snapshots/${hash}.json`] = bytes;
      }
    }
    const other = log.replaceAll(jobId(1), jobId(77)).replaceAll("01900001-", "01900077-").replaceAll('"H-1"', '"H-77"');
    const manifest = JSON.parse(new TextDecoder().decode(files["manifest.json"]!));
    const out = zipSync({
      ...renamed,
      "log.json": new TextEncoder().encode(other),
      "manifest.json": new TextEncoder().encode(JSON.stringify({ ...manifest, jobId: jobId(77) })),
    });
    const done = await importJob(out);
    expect(done).toMatchObject({ ok: true, repeated: 0 });
    expect(await importJob(out)).toMatchObject({ ok: true, added: 0 });
    const stored = await readLog(connection().db, jobId(77));
    const state = fold(stored.events, stored.snapshots);
    expect(state.breaches).toEqual([]);
    expect(state.close.handedOver).not.toBeNull();
  });
});

describe("reference data", () => {
  it("equal content has one hash whatever the order of its keys", () => {
    expect(contentHash({ b: 1, a: [2, { d: 3, c: 4 }] })).toBe(contentHash({ a: [2, { c: 4, d: 3 }], b: 1 }));
    expect(canonicalJson({ a: undefined, b: null })).toBe('{"b":null}');
  });
  it("a stale write is refused and says what is current", async () => {
    const { db } = connection();
    expect(await saveReference(db, "offer", "o1", { n: 1 }, 0, "t")).toMatchObject({ ok: true, version: 1 });
    expect(await saveReference(db, "offer", "o1", { n: 2 }, 0, "t")).toEqual({ ok: false, current: 1 });
    expect(await saveReference(db, "offer", "o1", { n: 2 }, 1, "t")).toMatchObject({ ok: true, version: 2 });
  });
});

describe("the live connection", () => {
  it("is in write-ahead mode with full sync and foreign keys", () => {
    const c = openConnection(join(dir, "other.sqlite"));
    expect(c.raw.pragma("journal_mode", { simple: true })).toBe("wal");
    expect(c.raw.pragma("synchronous", { simple: true })).toBe(2);
    expect(c.raw.pragma("foreign_keys", { simple: true })).toBe(1);
    c.raw.close();
  });
});
