import { createHash } from "node:crypto";
import { createReadStream, existsSync, readFileSync, statSync } from "node:fs";
import type BetterSqlite from "better-sqlite3";
import { Kysely, SqliteDialect } from "kysely";
import { fold, type JobEvent, parseEvent } from "@/core/job";
import { countsOf, migrationsOf, openReadOnly, structureProblems } from "@/data/copy";
import { readLog, storedSnapshots } from "@/data/eventStore";
import { MIGRATION_NAMES } from "@/data/migrations";
import { contentHash } from "@/data/referenceStore";
import type { Database } from "@/data/schema";

/** What is written beside a backup. */
export interface Manifest {
  format: "helvane.backup";
  version: 1;
  at: string;
  kind: "timed" | "beforeMigration";
  bytes: number;
  events: number;
  lastSeq: number;
  jobs: number;
  photos: number;
  sha256: string;
  /** Set once it has been read back whole. */
  verifiedAt: string | null;
  problems?: string[];
}
export const manifestOf = (file: string): Manifest | null => {
  try {
    const m = JSON.parse(readFileSync(`${file}.json`, "utf8")) as Manifest;
    return m.format === "helvane.backup" ? m : null;
  } catch {
    return null;
  }
};

export interface Verified {
  ok: boolean;
  /** What is wrong and where, in words. */
  problems: string[];
  jobs: number;
  events: number;
  lastSeq: number;
  photos: number;
  /** Hash over the folded state of every job. */
  stateHash: string;
}
const NOTHING = { jobs: 0, events: 0, lastSeq: 0, photos: 0, stateHash: "" };

/** The hash of a file, read in slices. */
export async function hashOfFile(file: string): Promise<string> {
  const h = createHash("sha256");
  for await (const chunk of createReadStream(file)) h.update(chunk as Buffer);
  return h.digest("hex");
}

/** Whether a file is as long as it says, before anything in it is believed. */
function lengthProblem(file: string): string | null {
  const { size } = statSync(file);
  const told = manifestOf(file)?.bytes;
  if (told !== undefined && size !== told)
    return `${size < told ? "cut off" : "longer than it was"}: it ends at byte ${size}, it was ${told} bytes`;
  if (size < 100) return `cut off: it ends at byte ${size}, not even its head is there`;
  const head = readFileSync(file).subarray(0, 100);
  if (head.toString("latin1", 0, 15) !== "SQLite format 3") return "byte 0: not a database of a shop";
  const page = head.readUInt16BE(16) === 1 ? 65_536 : head.readUInt16BE(16);
  const whole = page * head.readUInt32BE(28);
  return size < whole ? `cut off: it ends at byte ${size}, its own head says ${whole}` : null;
}

/** Every event, snapshot and photo of a file is what it says; every job folds. */
async function contentProblems(
  raw: BetterSqlite.Database,
  upTo: number,
): Promise<{ problems: string[]; states: Map<string, string> }> {
  const problems: string[] = [];
  const states = new Map<string, string>();
  const db = new Kysely<Database>({ dialect: new SqliteDialect({ database: raw }) });
  const jobs = raw.prepare("select distinct job_id as id from events order by job_id").all() as { id: string }[];
  for (const { id } of jobs) {
    try {
      const log = await readLog(db, id);
      const events: JobEvent[] = [];
      for (const e of log.events) {
        if ((log.seqs.get(e.id) ?? 0) > upTo) continue;
        const read = parseEvent(e);
        if (read.ok) events.push(e);
        else problems.push(`job ${id}, event ${e.id}: ${read.problem}`);
      }
      for (const [hash, s] of Object.entries(await storedSnapshots(db, id)))
        if (contentHash(JSON.parse(s.json)) !== hash)
          problems.push(`job ${id}, snapshot ${hash.slice(0, 12)}: changed since it was kept`);
      states.set(id, contentHash(fold(events, log.snapshots)));
    } catch (e) {
      problems.push(`job ${id}: cannot be folded: ${(e as Error).message}`);
    }
  }
  for (const b of raw.prepare("select hash, bytes from blobs").iterate() as IterableIterator<{ hash: string; bytes: Buffer }>)
    if (createHash("sha256").update(b.bytes).digest("hex") !== b.hash)
      problems.push(`photo ${b.hash.slice(0, 12)}: changed since it was kept`);
  return { problems, states };
}

/**
 * Reads a backup back: its length and hash, its pages, every event, every snapshot, every photo, the fold of every job; held against
 * the running shop where one is given. Long work: run it in a process of its own.
 * @param live the running shop's database, whose jobs have to fold to the same states up to the backup's last event
 * @returns what is wrong in words; never throws
 */
export async function verifyFile(file: string, live: string | null = null): Promise<Verified> {
  const fail = (problem: string): Verified => ({ ok: false, problems: [problem], ...NOTHING });
  if (!existsSync(file)) return fail(`${file}: is not there`);
  const short = lengthProblem(file);
  if (short) return fail(short);
  const told = manifestOf(file);
  if (told && (await hashOfFile(file)) !== told.sha256) {
    const inside = await read(file, null).catch(() => null);
    return {
      ...(inside ?? fail("")),
      ok: false,
      problems: ["its content is not what was written: its hash differs", ...(inside?.problems ?? [])],
    };
  }
  try {
    return await read(file, live);
  } catch (e) {
    return fail(`cannot be read: ${(e as Error).message}`);
  }
}

async function read(file: string, live: string | null): Promise<Verified> {
  const raw = openReadOnly(file);
  try {
    const structure = structureProblems(raw);
    if (structure.length) return { ok: false, problems: structure, ...NOTHING };
    const newer = migrationsOf(raw).filter((m) => !MIGRATION_NAMES.includes(m));
    if (newer.length)
      return { ok: false, problems: [`written by a newer Helvane (${newer.join(", ")}): this one cannot read it`], ...NOTHING };
    if (migrationsOf(raw).length === 0) return { ok: false, problems: ["not a database of a shop"], ...NOTHING };
    const counts = countsOf(raw);
    const { problems, states } = await contentProblems(raw, counts.lastSeq);
    if (live) problems.push(...(await differences(live, counts.lastSeq, states)));
    return { ok: problems.length === 0, problems: problems.slice(0, 20), ...counts, stateHash: contentHash([...states]) };
  } finally {
    raw.close();
  }
}

/** Jobs that fold to another state in the running shop, up to the same event. */
async function differences(live: string, upTo: number, states: Map<string, string>): Promise<string[]> {
  const raw = openReadOnly(live);
  try {
    const now = (await contentProblems(raw, upTo)).states;
    return [...states].flatMap(([id, hash]) =>
      now.get(id) === hash ? [] : [`job ${id}: folds to another state than in the running shop`],
    );
  } finally {
    raw.close();
  }
}
