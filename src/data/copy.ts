import { closeSync, fsyncSync, openSync } from "node:fs";
import BetterSqlite from "better-sqlite3";

/** Pages copied at a time: an append waits for no more than one such slice. */
const SLICE_PAGES = 1000;

/** Makes sure that what a file or folder says is on the disk. */
export function sync(path: string): void {
  const fd = openSync(path, "r");
  try {
    fsyncSync(fd);
  } finally {
    closeSync(fd);
  }
}

/**
 * Copies an open database into a file while it is written to, in slices. A copy of the file alone would miss what stands in the
 * write-ahead log. The copy is one whole file without one.
 */
export async function copyOnline(raw: BetterSqlite.Database, file: string): Promise<void> {
  await raw.backup(file, { progress: () => SLICE_PAGES });
  const copy = new BetterSqlite(file);
  try {
    copy.pragma("journal_mode = DELETE");
  } finally {
    copy.close();
  }
  sync(file);
}

export interface Counts {
  events: number;
  lastSeq: number;
  jobs: number;
  photos: number;
}
/** How much a shop holds. */
export function countsOf(raw: BetterSqlite.Database): Counts {
  const n = (sql: string): number => (raw.prepare(sql).get() as { n: number | null }).n ?? 0;
  return {
    events: n("select count(*) as n from events"),
    lastSeq: n("select max(seq) as n from events"),
    jobs: n("select count(*) as n from events where type = 'job.opened'"),
    photos: n("select count(*) as n from blobs"),
  };
}

export const openReadOnly = (file: string): BetterSqlite.Database =>
  new BetterSqlite(file, { readonly: true, fileMustExist: true });

/** What SQLite itself finds wrong with a file's pages, indexes and references; none when it is whole. */
export function structureProblems(raw: BetterSqlite.Database): string[] {
  const rows = raw.pragma("integrity_check(20)") as { integrity_check: string }[];
  const broken = rows.map((r) => r.integrity_check).filter((x) => x !== "ok");
  const loose = (raw.pragma("foreign_key_check") as { table: string; rowid: number }[]).slice(0, 20);
  return [...broken, ...loose.map((f) => `${f.table}, row ${f.rowid}: refers to something that is not there`)];
}

/** Names of the migrations a file has been through; none for a file that is no shop. */
export function migrationsOf(raw: BetterSqlite.Database): string[] {
  const there = raw.prepare("select 1 from sqlite_master where name = 'kysely_migration'").get();
  return there
    ? (raw.prepare("select name from kysely_migration order by name").all() as { name: string }[]).map((r) => r.name)
    : [];
}

/** Sessions never travel: whoever had one unlocks anew. */
export function dropSessions(file: string): void {
  const raw = new BetterSqlite(file, { fileMustExist: true });
  try {
    raw.exec("delete from sessions");
    raw.pragma("journal_mode = DELETE");
  } finally {
    raw.close();
  }
  sync(file);
}

/** Brings everything of the write-ahead log into the main file. */
export function wholeFile(raw: BetterSqlite.Database): void {
  raw.pragma("wal_checkpoint(TRUNCATE)");
}

/**
 * Numbers go on where the shop put back stopped counting: a page that has seen cursor 500 would never ask for a new event 450.
 * @param oldTop the greatest number the shop as it was had given
 */
export function keepCursor(file: string, oldTop: number): void {
  const raw = new BetterSqlite(file, { fileMustExist: true });
  try {
    const had = raw.prepare("select seq from sqlite_sequence where name = 'events'").get();
    if (had) raw.prepare("update sqlite_sequence set seq = max(seq, ?) where name = 'events'").run(oldTop);
    else raw.prepare("insert into sqlite_sequence (name, seq) values ('events', ?)").run(oldTop);
  } finally {
    raw.close();
  }
  sync(file);
}

/** Some jobs of a copy, the newest first, with the numbers their pages have to show. */
export function newestJobs(file: string, most: number): { id: string; number: string }[] {
  const raw = new BetterSqlite(file, { readonly: true });
  try {
    return raw
      .prepare(
        "select job_id as id, json_extract(payload, '$.number') as number from events where type = 'job.opened' order by seq desc limit ?",
      )
      .all(most) as { id: string; number: string }[];
  } finally {
    raw.close();
  }
}
