import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import BetterSqlite from "better-sqlite3";
import { Kysely, sql } from "kysely";
import { afterAll, expect, it } from "vitest";
import { troubleOf } from "@/server/trouble";
import { OneWriterDialect } from "./oneWriter";

const dir = mkdtempSync(join(tmpdir(), "helvane-full-"));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

it("a disk that fills in the middle of a transaction is told as that, undone, and written to again once there is room", async () => {
  const raw = new BetterSqlite(join(dir, "full.sqlite"));
  const db = new Kysely<Record<string, never>>({ dialect: new OneWriterDialect({ database: raw }) });
  await sql`create table t (x blob)`.execute(db);
  await sql`insert into t values (zeroblob(10))`.execute(db);
  // The engine's own refusal, from the engine's own count of pages.
  const pages = raw.pragma("page_count", { simple: true }) as number;
  raw.pragma(`max_page_count = ${pages + 2}`);
  const fill = (size: number) =>
    db.transaction().execute(async (trx) => {
      await sql`insert into t values (zeroblob(100))`.execute(trx);
      await sql`insert into t values (zeroblob(${size}))`.execute(trx);
    });
  const e = await fill(500_000).then(
    () => null,
    (x: unknown) => x,
  );
  expect(troubleOf(e)).toMatchObject({ what: "full", status: 507 });
  const count = () => (raw.prepare("select count(*) as n from t").get() as { n: number }).n;
  expect(count()).toBe(1);
  raw.pragma("max_page_count = 1073741823");
  await fill(500_000);
  expect(count()).toBe(3);
  await db.destroy();
});

it("an error that says there is nothing to undo does not hide the one before it", async () => {
  const raw = new BetterSqlite(join(dir, "ended.sqlite"));
  const db = new Kysely<Record<string, never>>({ dialect: new OneWriterDialect({ database: raw }) });
  const full = Object.assign(new Error("database or disk is full"), { code: "SQLITE_FULL" });
  const e = await db
    .transaction()
    .execute(async () => {
      // As the engine does where a disk is full: the transaction is over before anybody asks for that.
      raw.exec("rollback");
      throw full;
    })
    .then(
      () => null,
      (x: unknown) => x,
    );
  expect(e).toBe(full);
  await db.transaction().execute(async (trx) => void (await sql`create table again (x)`.execute(trx)));
  await db.destroy();
});
