import { mkdirSync } from "node:fs";
import { dirname, resolve } from "node:path";
import BetterSqlite from "better-sqlite3";
import { Kysely, Migrator, SqliteDialect } from "kysely";
import { migrations } from "./migrations";
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
  raw.pragma("busy_timeout = 4000");
  return { raw, db: new Kysely<Database>({ dialect: new SqliteDialect({ database: raw }) }) };
}

/** Brings the database to the newest schema. Called at start, never at import. */
export async function migrate({ db }: Connection): Promise<void> {
  const { error, results } = await new Migrator({ db, provider: migrations }).migrateToLatest();
  if (error)
    throw new Error(
      `the database could not be brought up to date (${results?.find((r) => r.status === "Error")?.migrationName ?? "?"}): ${(error as Error).message}`,
    );
}

const store = globalThis as typeof globalThis & { helvaneConnection?: Connection };

/** The one connection of this process, opened at first use. */
export function connection(): Connection {
  store.helvaneConnection ??= openConnection(process.env.HELVANE_DB ?? "data-local/helvane.sqlite");
  return store.helvaneConnection;
}
