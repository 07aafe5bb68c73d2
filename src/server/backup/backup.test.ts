import {
  closeSync,
  copyFileSync,
  existsSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
  writeSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { plannedJob, TestBench } from "@tests/bench";
import { serverDb } from "@tests/serverDb";
import BetterSqlite from "better-sqlite3";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type JobEvent, makeClock } from "@/core/job";
import { connection } from "@/data/connection";
import { appendOne } from "../append";
import { makeBackup, verifyBackup } from ".";
import { listBackups } from "./make";
import { verifyFile } from "./verify";

serverDb("backup", { jobs: true });
const dir = mkdtempSync(join(tmpdir(), "helvane-copies-"));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

const NOW = "2026-06-01T08:00:00.000Z";
const ms = Date.parse(NOW);
let n = 0;
const id = () => `0190bbbb-0000-7000-8000-${String(++n).padStart(12, "0")}`;
const jobId = (i: number) => `00000000-0000-7000-8000-${String(i).padStart(12, "0")}`;
const note = (job: string, device: string, i: number): JobEvent => ({
  id: id(),
  jobId: job,
  type: "job.noted",
  v: 1,
  payload: { text: `${device} ${i}` },
  who: "Bench 1",
  device,
  clock: makeClock(ms + i * 1000, 0),
  seen: 9999,
});

beforeAll(async () => {
  for (const i of [1, 2]) {
    const b = plannedJob("C", new TestBench("device-a", jobId(i))).until(null);
    b.events[0] = { ...b.events[0]!, payload: { ...b.state.job!, number: `H-${i}` } } as JobEvent;
    for (const e of b.events) expect(await appendOne({ ...e, id: id() }, ms + 9e9)).toMatchObject({ ok: true });
  }
});

describe("a backup", () => {
  it("taken while two devices append is whole, a prefix of the log, and lacks nothing acknowledged before it began", async () => {
    let stop = false;
    const acknowledged: string[] = [];
    const device = async (name: string, job: string) => {
      for (let i = 0; !stop; i++) {
        const e = note(job, name, i);
        expect(await appendOne(e, ms + 9e9)).toMatchObject({ ok: true });
        acknowledged.push(e.id);
        await new Promise((next) => setImmediate(next));
      }
    };
    const both = [device("device-x", jobId(1)), device("device-y", jobId(2))];
    const live = () =>
      (connection().raw.prepare("select id from events order by seq").all() as { id: string }[]).map((r) => r.id);
    for (let i = 0; i < 20; i++) {
      const before = acknowledged.length;
      const made = await makeBackup(dir, new Date(ms + i * 1000).toISOString());
      const copy = new BetterSqlite(made.file, { readonly: true });
      const there = (copy.prepare("select id from events order by seq").all() as { id: string }[]).map((r) => r.id);
      expect(copy.pragma("integrity_check", { simple: true })).toBe("ok");
      expect(copy.pragma("journal_mode", { simple: true })).toBe("delete");
      copy.close();
      expect(there).toEqual(live().slice(0, there.length));
      expect(acknowledged.slice(0, before).filter((x) => !there.includes(x))).toEqual([]);
      expect(made).toMatchObject({ events: there.length, lastSeq: there.length });
    }
    stop = true;
    await Promise.all(both);
    expect(acknowledged.length).toBeGreaterThan(20);
    expect(readdirSync(dir).filter((f) => f.includes("partial"))).toEqual([]);
    expect(listBackups(dir)).toHaveLength(20);
  });
  it("is read back in a process of its own and held against the running shop", async () => {
    const made = await makeBackup(dir, "2026-06-02T08:00:00.000Z");
    const read = await verifyBackup(made.file, connection().raw.name);
    expect(read).toMatchObject({ ok: true, problems: [], jobs: 2, events: made.events, lastSeq: made.lastSeq });
    expect(read.stateHash).toMatch(/^[0-9a-f]{64}$/);
    // The running shop goes on: what came after the backup is no difference.
    await appendOne(note(jobId(1), "device-x", 9_000), ms + 9e9);
    expect((await verifyFile(made.file, connection().raw.name)).ok).toBe(true);
  });
  it("cut in half is refused, naming where; so is one with a byte turned, wherever that is", async () => {
    const { file, bytes } = await makeBackup(dir, "2026-06-03T08:00:00.000Z");
    const bad = join(dir, "bad.sqlite");
    const again = (withManifest: boolean) => {
      copyFileSync(file, bad);
      rmSync(`${bad}.json`, { force: true });
      if (withManifest) copyFileSync(`${file}.json`, `${bad}.json`);
    };
    for (const told of [true, false]) {
      again(told);
      truncateSync(bad, Math.floor(bytes / 2));
      const read = await verifyFile(bad);
      expect(read.ok).toBe(false);
      expect(read.problems[0]).toBe(
        told
          ? `cut off: it ends at byte ${Math.floor(bytes / 2)}, it was ${bytes} bytes`
          : `cut off: it ends at byte ${Math.floor(bytes / 2)}, its own head says ${bytes}`,
      );
    }
    for (let at = 120; at < bytes; at += Math.floor(bytes / 9)) {
      again(true);
      const fd = openSync(bad, "r+");
      const was = readFileSync(bad)[at]!;
      writeSync(fd, Uint8Array.of(was ^ 0x55), 0, 1, at);
      closeSync(fd);
      const read = await verifyFile(bad);
      expect(read.ok, `byte ${at}`).toBe(false);
      expect(read.problems[0], `byte ${at}`).toMatch(/hash differs|cannot be read/);
    }
    writeFileSync(bad, "no shop at all, but long enough to be looked at. ".repeat(9));
    rmSync(`${bad}.json`, { force: true });
    expect((await verifyFile(bad)).problems).toEqual(["byte 0: not a database of a shop"]);
    expect((await verifyFile(join(dir, "nowhere.sqlite"))).problems[0]).toMatch(/is not there/);
  });
  it("finds an event, a snapshot and a photo that are not what they were, each by its name", async () => {
    const { file } = await makeBackup(dir, "2026-06-04T08:00:00.000Z");
    const change = async (sql: string) => {
      const bad = join(dir, "changed.sqlite");
      copyFileSync(file, bad);
      const raw = new BetterSqlite(bad);
      raw.exec(sql);
      raw.close();
      return (await verifyFile(bad, connection().raw.name)).problems.join("\n");
    };
    expect(await change("update events set type = 'open.magic' where seq = 3")).toMatch(/event 0190bbbb.*open\.magic/);
    expect(await change("update events set payload = '{' where seq = 3")).toMatch(/job 0{8}-.*cannot be folded/);
    expect(await change("update events set payload = replace(payload, 'Reading Room', 'Writing Room')")).toMatch(
      /folds to another state/,
    );
    expect(await change("update snapshots set json = replace(json, '1', '2')")).toMatch(/snapshot .*changed since it was kept/);
    expect(await change(`insert into blobs values ('${"a".repeat(64)}', 'image/jpeg', 1, 1, x'00')`)).toMatch(
      /photo aaaaaaaaaaaa: changed/,
    );
    expect(await change("insert into kysely_migration values ('2031-01-later', '2031')")).toMatch(
      /written by a newer Helvane \(2031-01-later\)/,
    );
  });
  it("into a folder that cannot be written to says so, and leaves nothing", async () => {
    const file = join(dir, "a-file");
    writeFileSync(file, "x");
    await expect(makeBackup(join(file, "under"), NOW)).rejects.toThrow(/The folder .*a-file\/under cannot be made/);
    expect(existsSync(join(file, "under"))).toBe(false);
  });
});
