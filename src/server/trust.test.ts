import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import BetterSqlite from "better-sqlite3";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { closeConnection, connection, migrate } from "@/data/connection";
import { shopCaution } from "./caution";
import { guarded } from "./guarded";
import { readHealth } from "./health";
import { isTrusted, mayWrite, trustAnother, trustWhenRead } from "./trust";

const dir = mkdtempSync(join(tmpdir(), "helvane-trust-"));
const file = join(dir, "shop.sqlite");
const was = process.env.HELVANE_DB;
process.env.HELVANE_DB = file;
afterAll(() => {
  trustAnother();
  closeConnection();
  rmSync(dir, { recursive: true, force: true });
  if (was === undefined) delete process.env.HELVANE_DB;
  else process.env.HELVANE_DB = was;
});

/** A reading that ends when told. */
function reading(): { said: Promise<string | null>; say: (whole: string | null) => void } {
  let say: (whole: string | null) => void = () => undefined;
  const said = new Promise<string | null>((done) => {
    say = done;
  });
  return { said, say };
}
let written = 0;
const route = guarded(async (req: Request) => {
  if (req.method !== "GET") written++;
  return Response.json({ done: true });
});
const ask = (method: string, path = "/api/jobs/x/events") => route(new Request(`http://127.0.0.1${path}`, { method }));

beforeEach(async () => {
  trustAnother();
  closeConnection();
  for (const tail of ["", "-wal", "-shm"]) rmSync(file + tail, { force: true });
  await migrate(connection());
  connection().raw.pragma("wal_checkpoint(TRUNCATE)");
  written = 0;
});

describe("a file that takes long to read through", () => {
  it("is looked at meanwhile; what writes waits, and goes through when it is whole", async () => {
    const r = reading();
    expect(await trustWhenRead(r.said, 5)).toBeNull();
    expect(isTrusted()).toBe(false);
    expect((await ask("GET")).status).toBe(200);
    const before = readFileSync(file);
    expect(await readHealth()).toMatchObject({ ok: true, readThrough: false });
    expect(readFileSync(file).equals(before)).toBe(true);
    const act = ask("POST");
    // Whatever else runs meanwhile, it has not been let in.
    for (let i = 0; i < 20; i++) await new Promise((next) => setImmediate(next));
    expect(written).toBe(0);
    r.say("ok");
    expect((await act).status).toBe(200);
    expect(written).toBe(1);
    expect(isTrusted()).toBe(true);
    expect(await readHealth()).toMatchObject({ ok: true, readThrough: true });
  });
  it("that is found damaged takes nothing, says so on every page, and is still looked at and put back", async () => {
    const r = reading();
    expect(await trustWhenRead(r.said, 5)).toBeNull();
    const acts = [ask("POST"), ask("PUT"), ask("DELETE")];
    r.say("row 3 missing from index x");
    for (const a of acts) {
      const res = await a;
      expect(res.status).toBe(500);
      expect(((await res.json()) as { problem: string }).problem).toMatch(
        /shop\.sqlite is damaged \(row 3 missing from index x\)\. There is no backup.*Nothing is written to it; what you enter is kept/,
      );
    }
    expect(written).toBe(0);
    expect((await ask("GET")).status).toBe(200);
    expect((await shopCaution())?.words).toMatch(/is damaged/);
    expect(await readHealth()).toMatchObject({ ok: false, status: 500 });
    expect((await ask("POST", "/api/backup/restore")).status).toBe(200);
    trustAnother();
    expect(await mayWrite()).toBeNull();
    expect((await ask("POST")).status).toBe(200);
    expect((await readHealth()).ok).toBe(true);
  });
  it("put back from a backup while the old one is still read: what is said of that one counts for nothing", async () => {
    const r = reading();
    const before = readFileSync(file);
    expect(await trustWhenRead(r.said, 5)).toBeNull();
    // The start itself has written nothing to it.
    expect(readFileSync(file).equals(before)).toBe(true);
    const waiting = mayWrite();
    trustAnother();
    r.say("row 3 missing from index x");
    expect(await waiting).toBeNull();
    expect(isTrusted()).toBe(true);
    expect(await shopCaution()).not.toMatchObject({ stop: true });
    expect((await ask("POST")).status).toBe(200);
  });
  it("is read here when the other thread could not, and the start ends when it is known in time", async () => {
    const r = reading();
    expect(await trustWhenRead(r.said, 5)).toBeNull();
    r.say(null);
    expect(await mayWrite()).toBeNull();
    expect(isTrusted()).toBe(true);
    expect(await trustWhenRead(Promise.resolve("page 9 is never used"), 1000)).toMatch(/damaged \(page 9 is never used\)/);
    expect(await trustWhenRead(null)).toBeNull();
  });
  it("is refused at once for what needs no reading: a newer one, or no database at all", async () => {
    closeConnection();
    const raw = new BetterSqlite(file);
    raw.exec("insert into kysely_migration values ('2031-01-later', '2031')");
    raw.close();
    expect(await trustWhenRead(reading().said, 5)).toMatch(/written by a newer Helvane/);
    for (const tail of ["-wal", "-shm"]) rmSync(file + tail, { force: true });
    writeFileSync(file, "not a database, but long enough to look like one. ".repeat(99));
    expect(await trustWhenRead(reading().said, 5)).toMatch(/is damaged/);
  });
});
