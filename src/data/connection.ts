import { mkdirSync } from "node:fs";
import { dirname, resolve } from "node:path";
import BetterSqlite from "better-sqlite3";
import { Kysely, Migrator } from "kysely";
import { MIGRATION_NAMES, migrations } from "./migrations";
import { OneWriterDialect } from "./oneWriter";
import type { Database } from "./schema";

export interface Connection {
  db: Kysely<Database>;
  raw: BetterSqlite.Database;
}

/** Opens a database file: write-ahead log, full sync (an acknowledged event survives a power cut), foreign keys on. */
export function openConnection(file: string): Connection {
  if (file !== ":memory:") mkdirSync(dirname(resolve(file)), { recursive: true });
  const raw = new BetterSqlite(file);
  raw.pragma("journal_mode = WAL");
  raw.pragma("synchronous = FULL");
  raw.pragma("foreign_keys = ON");
  // Short: it is the dialect that waits, without holding everything up.
  raw.pragma("busy_timeout = 5");
  return { raw, db: new Kysely<Database>({ dialect: new OneWriterDialect({ database: raw }) }) };
}

/** Brings the database to the newest schema. Called at start, never at import. */
export async function migrate({ db }: Connection): Promise<void> {
  const { error, results } = await new Migrator({ db, provider: migrations }).migrateToLatest();
  if (error)
    throw new Error(
      `the database could not be brought up to date (${results?.find((r) => r.status === "Error")?.migrationName ?? "?"}): ${(error as Error).message}`,
    );
}

/** Migrations still to run on a database; none for one that is new. */
export function migrationsAhead({ raw }: Connection): string[] {
  const there = raw.prepare("select 1 from sqlite_master where name = 'kysely_migration'").get();
  if (!there) return [];
  const done = new Set((raw.prepare("select name from kysely_migration").all() as { name: string }[]).map((r) => r.name));
  return MIGRATION_NAMES.filter((m) => !done.has(m));
}

const store = globalThis as typeof globalThis & { helvaneConnection?: Connection | undefined };

/** The one connection of this process, opened at first use. */
export function connection(): Connection {
  store.helvaneConnection ??= openConnection(process.env.HELVANE_DB ?? "data-local/helvane.sqlite");
  return store.helvaneConnection;
}

/**
 * Runs `swap` while nobody reads or writes and the file is closed and whole, then opens it anew. What waits for the old connection
 * fails, and is asked again by whoever sent it.
 */
export async function whileClosed<T>(swap: (oldTop: number) => T): Promise<T> {
  let c: Connection;
  try {
    c = connection();
  } catch {
    // Not to be opened at all, as a damaged file is: all the more it is put back.
    return swap(0);
  }
  return c.db.connection().execute(async () => {
    const oldTop = greatestNumber(c.raw);
    try {
      c.raw.pragma("wal_checkpoint(TRUNCATE)");
    } catch {
      // Damaged further in.
    }
    c.raw.close();
    store.helvaneConnection = undefined;
    return swap(oldTop);
  });
}

/** The greatest number the log has given; 0 for a file that was never a shop, or cannot say. */
function greatestNumber(raw: BetterSqlite.Database): number {
  try {
    const row = raw.prepare("select seq as n from sqlite_sequence where name = 'events'").get() as { n: number } | undefined;
    return row?.n ?? 0;
  } catch {
    return 0;
  }
}

/** Brings everything of the write-ahead log into the main file and closes it, so that the file alone is the whole shop. */
export function closeConnection(): void {
  const c = store.helvaneConnection;
  store.helvaneConnection = undefined;
  if (!c?.raw.open) return;
  try {
    c.raw.pragma("wal_checkpoint(TRUNCATE)");
  } finally {
    c.raw.close();
  }
}
