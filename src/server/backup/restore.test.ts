import { execFileSync, spawn } from "node:child_process";
import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { plannedJob, TestBench } from "@tests/bench";
import { serverDb } from "@tests/serverDb";
import BetterSqlite from "better-sqlite3";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type JobEvent, makeClock } from "@/core/job";
import { closeConnection, connection } from "@/data/connection";
import { holderOf, takeLock } from "@/data/lock";
import { appendOne } from "../append";
import { knownGood, startProblem, troubleOf } from "../trouble";
import { makeBackup } from ".";
import { listBackups, noteVerified } from "./make";
import { backupsHere } from "./place";
import { restoreBackup } from "./restore";
import { verifyFile } from "./verify";

const dir = serverDb("restore", { jobs: true });
const more = mkdtempSync(join(tmpdir(), "helvane-restore-"));
afterAll(() => rmSync(more, { recursive: true, force: true }));
const NOW = "2026-06-01T08:00:00.000Z";
const ms = Date.parse(NOW);
const JOB = "00000000-0000-7000-8000-000000000001";
let n = 0;
const id = () => `0190cccc-0000-7000-8000-${String(++n).padStart(12, "0")}`;
const note = (i: number): JobEvent => ({
  id: id(),
  jobId: JOB,
  type: "job.noted",
  v: 1,
  payload: { text: `after ${i}` },
  who: "Bench 1",
  device: "device-x",
  clock: makeClock(ms + i * 1000, 0),
  seen: 9999,
});
const count = () => (connection().raw.prepare("select count(*) as n from events").get() as { n: number }).n;

beforeAll(async () => {
  for (const e of plannedJob("C", new TestBench("device-a", JOB)).until(null).events)
    expect(await appendOne({ ...e, id: id() }, ms + 9e9)).toMatchObject({ ok: true });
});

describe("putting a shop back", () => {
  it("brings every job to the state it had, ends all sessions, keeps the shop as it was, and goes on counting where it stopped", async () => {
    const { db, raw } = connection();
    await db
      .insertInto("sessions")
      .values({ token_hash: "t", name: "Tablet", address: "a", opened_at: NOW, seen_at: NOW, expires_at: "2030" })
      .execute();
    const made = await makeBackup(backupsHere(), NOW);
    const then = await verifyFile(made.file);
    for (let i = 0; i < 5; i++) await appendOne(note(i), ms + 9e9);
    const top = count();
    expect(raw.pragma("wal_checkpoint", { simple: true })).toBe(0);
    const done = await restoreBackup(made.file, NOW);
    expect(done).toMatchObject({ ok: true });
    expect(count()).toBe(made.events);
    expect((await verifyFile(connection().raw.name)).stateHash).toBe(then.stateHash);
    expect(connection().raw.prepare("select count(*) as n from sessions").get()).toEqual({ n: 0 });
    expect(connection().raw.pragma("journal_mode", { simple: true })).toBe("wal");
    if (!done.ok || !done.before) throw new Error("nothing kept");
    const before = new BetterSqlite(done.before, { readonly: true });
    expect(before.prepare("select count(*) as n from events").get()).toEqual({ n: top });
    before.close();
    const next = await appendOne(note(99), ms + 9e9);
    expect(next.ok && next.seq).toBe(top + 1);
  });
  it("from a file that is not whole changes nothing", async () => {
    const made = await makeBackup(more, NOW);
    const bad = join(more, "bad.sqlite");
    copyFileSync(made.file, bad);
    truncateSync(bad, 8192);
    const before = count();
    expect(await restoreBackup(bad, NOW)).toMatchObject({ ok: false, problems: [expect.stringMatching(/cut off/)] });
    expect(await restoreBackup(join(more, "none.sqlite"), NOW)).toMatchObject({ ok: false });
    expect(count()).toBe(before);
    expect(existsSync(`${connection().raw.name}.restoring`)).toBe(false);
  });
  it("into an empty folder, on a machine that never had a shop", async () => {
    const made = await makeBackup(more, "2026-06-01T10:00:00.000Z");
    const was = process.env.HELVANE_DB;
    closeConnection();
    process.env.HELVANE_DB = join(more, "fresh", "shop.sqlite");
    try {
      const done = await restoreBackup(made.file, NOW);
      expect(done.ok ? [] : done.problems).toEqual([]);
      expect((await verifyFile(process.env.HELVANE_DB)).stateHash).toBe((await verifyFile(made.file)).stateHash);
    } finally {
      closeConnection();
      process.env.HELVANE_DB = was;
    }
  });
  it("over a file that is damaged, which is when it is needed", async () => {
    const made = await makeBackup(more, "2026-06-01T11:00:00.000Z");
    const was = process.env.HELVANE_DB;
    closeConnection();
    const file = join(more, "damaged.sqlite");
    for (const damage of [
      (b: Buffer) => b.fill(0x41, 0, 4096),
      (b: Buffer) => b.fill(0x41, 4096, 4096 * 12),
      (b: Buffer) => b.subarray(0, 5000),
    ]) {
      writeFileSync(file, damage(readFileSync(made.file)));
      process.env.HELVANE_DB = file;
      try {
        const done = await restoreBackup(made.file, NOW);
        expect(done.ok ? [] : done.problems).toEqual([]);
        expect((await verifyFile(file)).stateHash).toBe((await verifyFile(made.file)).stateHash);
      } finally {
        closeConnection();
        process.env.HELVANE_DB = was;
      }
    }
  });
  it("killed at any moment leaves the shop as it was or as it is to be, whole", async () => {
    const made = await makeBackup(more, "2026-06-02T08:00:00.000Z");
    const home = mkdtempSync(join(tmpdir(), "helvane-killed-"));
    const file = join(home, "shop.sqlite");
    await appendOne(note(200), ms + 9e9);
    const now = await makeBackup(more, "2026-06-02T09:00:00.000Z");
    const hashes = new Set<string>();
    const wanted = [await verifyFile(made.file), await verifyFile(now.file)].map((v) => v.stateHash);
    for (const [i, wait] of [900, 1400, 1900].entries()) {
      copyFileSync(now.file, file);
      const child = spawn(process.execPath, ["--import", "tsx", "src/process/restore.ts", made.file, "--yes"], {
        env: { ...process.env, HELVANE_DB: file, HELVANE_BACKUPS: join(home, "backups") },
        stdio: "ignore",
      });
      await new Promise((done) => setTimeout(done, wait));
      child.kill("SIGKILL");
      await new Promise((done) => child.once("close", done));
      const read = await verifyFile(file);
      expect(read.ok, `kill ${i}: ${read.problems[0]}`).toBe(true);
      expect(wanted).toContain(read.stateHash);
      hashes.add(read.stateHash);
    }
    rmSync(home, { recursive: true, force: true });
  });
});

describe("a backup killed at any moment", () => {
  it("leaves nothing under a backup's name that is not whole, and the next one clears up", async () => {
    const made = await makeBackup(more, "2026-06-03T08:00:00.000Z");
    const home = mkdtempSync(join(tmpdir(), "helvane-half-"));
    const file = join(home, "shop.sqlite");
    copyFileSync(made.file, file);
    const folder = join(home, "backups");
    const env = { ...process.env, HELVANE_DB: file, HELVANE_BACKUPS: folder };
    for (const wait of [800, 1200]) {
      const child = spawn(process.execPath, ["--import", "tsx", "src/process/backup.ts"], { env, stdio: "ignore" });
      await new Promise((done) => setTimeout(done, wait));
      child.kill("SIGKILL");
      await new Promise((done) => child.once("close", done));
      for (const b of listBackups(folder))
        if (existsSync(b.file)) expect((await verifyFile(b.file)).problems, `after ${wait} ms`).toEqual([]);
    }
    execFileSync(process.execPath, ["--import", "tsx", "src/process/backup.ts"], { env, stdio: "pipe" });
    expect(readdirSync(folder).filter((f) => f.includes("partial"))).toEqual([]);
    expect(listBackups(folder)[0]).toMatchObject({ problems: [], events: made.events });
    rmSync(home, { recursive: true, force: true });
  });
});

describe("one writer", () => {
  it("a second one is refused and told who has it; the lock ends with the process however it dies", async () => {
    const db = join(more, "locked.sqlite");
    const script = `import("./src/data/lock.ts").then(({ takeLock }) => { const r = takeLock(${JSON.stringify(db)}, { port: 4180, what: "serving", since: "now" }); process.stdout.write(String(r.ok)); setInterval(() => {}, 1000); })`;
    const child = spawn(process.execPath, ["--import", "tsx", "-e", script]);
    await new Promise((done) => child.stdout.once("data", done));
    expect(takeLock(db, { port: null, what: "backing up", since: NOW })).toMatchObject({
      ok: false,
      holder: { pid: child.pid, port: 4180, what: "serving" },
    });
    child.kill("SIGKILL");
    await new Promise((done) => child.once("close", done));
    // It did not stop by itself: it is still named, with its last sign of life.
    expect(holderOf(db)?.aliveMs).toBeGreaterThan(0);
    const mine = takeLock(db, { port: null, what: "backing up", since: NOW });
    expect(mine.ok).toBe(true);
    if (mine.ok) mine.lock.release();
    expect(holderOf(db)).toBeNull();
  });
});

describe("trouble in plain words", () => {
  const file = join(more, "start.sqlite");
  const at = async (make: () => void): Promise<string | null> => {
    const was = process.env.HELVANE_DB;
    process.env.HELVANE_DB = file;
    for (const tail of ["", "-wal", "-shm"]) rmSync(file + tail, { force: true });
    make();
    try {
      return startProblem();
    } finally {
      process.env.HELVANE_DB = was;
    }
  };
  it("a start names the file, what is wrong with it and what is known good", async () => {
    const made = await makeBackup(more, "2026-06-05T08:00:00.000Z");
    const copy = () => copyFileSync(made.file, file);
    expect(await at(copy)).toBeNull();
    expect(await at(() => writeFileSync(file, ""))).toBeNull();
    expect(await at(() => {})).toBeNull();
    expect(await at(() => writeFileSync(file, "not a database, but long enough to look like one. ".repeat(99)))).toMatch(
      /start\.sqlite is damaged.*There is no backup/s,
    );
    const damaged = await at(() => {
      copy();
      const bytes = readFileSync(file);
      bytes.fill(0x41, 4096 * 3, 4096 * 6);
      writeFileSync(file, bytes);
    });
    expect(damaged).toMatch(/start\.sqlite is damaged/);
    expect(
      await at(() => {
        copy();
        const raw = new BetterSqlite(file);
        raw.exec("insert into kysely_migration values ('2031-01-later', '2031')");
        raw.close();
      }),
    ).toMatch(/written by a newer Helvane \(it has been through 2031-01-later\)\. Nothing is damaged/);
  });
  it("a database that is gone while backups of it are there is no new shop", async () => {
    const gone = join(more, "gone.sqlite");
    const was = process.env.HELVANE_DB;
    process.env.HELVANE_DB = gone;
    try {
      const made = await (async () => {
        process.env.HELVANE_DB = was;
        const m = await makeBackup(`${gone.replace(/\.sqlite$/, "")}-backups`, "2026-06-06T08:00:00.000Z");
        process.env.HELVANE_DB = gone;
        return m;
      })();
      expect(startProblem()).toMatch(
        /gone\.sqlite is not there, but there are backups.*npm run restore -- .*20260606T080000000Z\.sqlite.*HELVANE_NEW=1/s,
      );
      noteVerified(listBackups(backupsHere())[0]!, NOW, []);
      expect(knownGood()).toContain(`${made.file}, of 2026-06-06 08:00 UTC`);
      expect(knownGood()).toContain("read back whole");
    } finally {
      process.env.HELVANE_DB = was;
    }
  });
  it("every error of the disk has its words, and nothing else has", () => {
    const of = (code: string) => troubleOf(Object.assign(new Error("x"), { code }))?.what ?? null;
    expect([of("SQLITE_FULL"), of("ENOSPC"), of("SQLITE_BUSY"), of("SQLITE_BUSY_SNAPSHOT"), of("SQLITE_LOCKED")]).toEqual([
      "full",
      "full",
      "locked",
      "locked",
      "locked",
    ]);
    expect([
      of("SQLITE_READONLY"),
      of("SQLITE_READONLY_DBMOVED"),
      of("EROFS"),
      of("SQLITE_CORRUPT"),
      of("SQLITE_NOTADB"),
      of("SQLITE_IOERR_WRITE"),
    ]).toEqual(["readOnly", "readOnly", "readOnly", "corrupt", "corrupt", "io"]);
    expect([of("SQLITE_CONSTRAINT"), of("X"), troubleOf(null), troubleOf("x")]).toEqual([null, null, null, null]);
  });
  it("a start that cannot be ends with words and a code, by the command line", () => {
    const file = join(more, "cli.sqlite");
    writeFileSync(file, "not a database, but long enough to look like one. ".repeat(99));
    const run = () =>
      execFileSync(process.execPath, ["--import", "tsx", "src/process/backup.ts"], {
        env: { ...process.env, HELVANE_DB: file },
        stdio: "pipe",
      });
    let said = { status: 0, text: "" };
    try {
      run();
    } catch (e) {
      const x = e as { status: number; stderr: Buffer };
      said = { status: x.status, text: String(x.stderr) };
    }
    expect(said.status).toBe(1);
    expect(said.text).toMatch(/cli\.sqlite is damaged/);
  });
});

describe("a lock held by another program", () => {
  it("is waited for, as a write and as a transaction, for four seconds and without holding up what only reads", async () => {
    const other = new BetterSqlite(connection().raw.name);
    other.exec("begin immediate");
    const began = Date.now();
    setTimeout(() => {
      other.exec("commit");
      other.close();
    }, 1500);
    let beats = 0;
    const beat = setInterval(() => {
      beats += 1;
    }, 20);
    expect(await appendOne(note(300), ms + 9e9)).toMatchObject({ ok: true });
    clearInterval(beat);
    expect(Date.now() - began).toBeGreaterThan(1400);
    expect(beats).toBeGreaterThan(20);
  });
  it("a stop leaves everything in the one file", async () => {
    const file = connection().raw.name;
    await appendOne(note(301), ms + 9e9);
    const before = count();
    closeConnection();
    expect(existsSync(`${file}-wal`) && statSync(`${file}-wal`).size > 0).toBe(false);
    const copy = join(more, "alone.sqlite");
    copyFileSync(file, copy);
    const raw = new BetterSqlite(copy, { readonly: true });
    expect(raw.prepare("select count(*) as n from events").get()).toEqual({ n: before });
    raw.close();
    expect(count()).toBe(before);
    expect(dir.length).toBeGreaterThan(0);
  });
});
