import { type Kysely, sql } from "kysely";
import { type JobEvent, liftEvent, placeOf, type Snapshot, type Snapshots } from "@/core/job";
import { readStored, type Stored } from "./referenceStore";
import type { Database } from "./schema";

export interface JobLog {
  events: JobEvent[];
  /** Cursor of each event, by its id. */
  seqs: Map<string, number>;
  snapshots: Snapshots;
  /** Greatest sequence number of this job; 0 for an empty log. */
  cursor: number;
}

/** An event as it lies in the table. */
export type EventRow = {
  seq: number;
  id: string;
  job_id: string;
  type: string;
  v: number;
  payload: string;
  who: string;
  device: string;
  clock: string;
  placed: string;
  seen: number;
};

const toEvent = (r: EventRow): JobEvent =>
  liftEvent({
    id: r.id,
    jobId: r.job_id,
    type: r.type,
    v: r.v,
    payload: JSON.parse(r.payload),
    who: r.who,
    device: r.device,
    clock: r.clock,
    placed: r.placed,
    seen: r.seen,
  }) as JobEvent;

const COLUMNS = ["seq", "id", "job_id", "type", "v", "payload", "who", "device", "clock", "placed", "seen"] as const;

/** Events of a job after a cursor, in the order they were received. */
export async function eventsAfter(
  db: Kysely<Database>,
  jobId: string,
  after: number,
): Promise<{ event: JobEvent; seq: number }[]> {
  const rows = await db
    .selectFrom("events")
    .select(COLUMNS)
    .where("job_id", "=", jobId)
    .where("seq", ">", after)
    .orderBy("seq")
    .execute();
  return rows.map((r) => ({ event: toEvent(r), seq: r.seq }));
}

/** Snapshots of a job as they lie here, by hash: the text each hash is of. */
export async function storedSnapshots(db: Kysely<Database>, jobId: string): Promise<Record<string, Stored>> {
  const rows = await db.selectFrom("snapshots").select(["hash", "kind", "json"]).where("job_id", "=", jobId).execute();
  return Object.fromEntries(rows.map(({ hash, kind, json }) => [hash, { kind, json }]));
}

/** A stored text as the snapshot it is, at today's version of its shape. */
export const snapshotOf = ({ kind, json }: Stored): Snapshot => ({ kind, data: readStored(kind, json) }) as Snapshot;

/** Snapshots read lately, by hash: what a hash is of never changes, so that a busy job's build is read and taken apart once. */
const lately = new Map<string, Snapshot>();
const MOST_LATELY = 200;

/** Snapshots of a job, at today's version of their shapes. Shared with whoever reads them next: nobody writes into them. */
export async function readSnapshots(db: Kysely<Database>, jobId: string): Promise<Snapshots> {
  const rows = await db.selectFrom("snapshots").select(["hash", "kind"]).where("job_id", "=", jobId).execute();
  const found: Record<string, Snapshot> = {};
  const missing: string[] = [];
  for (const { hash, kind } of rows) {
    const known = lately.get(hash);
    if (known?.kind === kind) found[hash] = known;
    else missing.push(hash);
  }
  if (missing.length === 0) return found;
  const read = await db
    .selectFrom("snapshots")
    .select(["hash", "kind", "json"])
    .where("job_id", "=", jobId)
    .where("hash", "in", missing)
    .execute();
  for (const { hash, kind, json } of read) {
    const s = snapshotOf({ kind, json });
    found[hash] = s;
    lately.set(hash, s);
    if (lately.size > MOST_LATELY) lately.delete(lately.keys().next().value!);
  }
  return found;
}

/** The whole log of a job with its snapshots. */
export async function readLog(db: Kysely<Database>, jobId: string): Promise<JobLog> {
  const rows = await eventsAfter(db, jobId, 0);
  const snapshots = await readSnapshots(db, jobId);
  return {
    events: rows.map((r) => r.event),
    seqs: new Map(rows.map((r) => [r.event.id, r.seq])),
    snapshots,
    cursor: rows.at(-1)?.seq ?? 0,
  };
}

/** The event of an id, as it was stored, and its cursor; undefined when nobody has it. */
export async function findEvent(db: Kysely<Database>, id: string): Promise<{ seq: number; event: JobEvent } | undefined> {
  const r = await db.selectFrom("events").select(COLUMNS).where("id", "=", id).executeTakeFirst();
  return r && { seq: r.seq, event: toEvent(r) };
}

/** Inserts one event and the snapshots it brings. Call inside a transaction. */
export async function insertEvent(
  db: Kysely<Database>,
  e: JobEvent,
  receivedAt: string,
  bring: Readonly<Record<string, Stored>>,
): Promise<number> {
  for (const [hash, s] of Object.entries(bring))
    await db
      .insertInto("snapshots")
      .values({ job_id: e.jobId, hash, kind: s.kind, json: s.json })
      .onConflict((c) => c.doNothing())
      .execute();
  const row = await db
    .insertInto("events")
    .values({
      id: e.id,
      job_id: e.jobId,
      type: e.type,
      v: e.v,
      payload: JSON.stringify(e.payload),
      who: e.who,
      device: e.device,
      clock: e.clock,
      placed: placeOf(e),
      seen: e.seen,
      received_at: receivedAt,
    })
    .returning("seq")
    .executeTakeFirstOrThrow();
  return row.seq;
}

/** The greatest place that comes before an act: of what its own lane did, and of what its device had seen. */
export async function floorOf(db: Kysely<Database>, jobId: string, device: string, seen: number): Promise<string | null> {
  const r = await db
    .selectFrom("events")
    .select(({ fn }) => fn.max("placed").as("placed"))
    .where("job_id", "=", jobId)
    .where((eb) => eb.or([eb("device", "=", device), eb("seq", "<=", seen)]))
    .executeTakeFirst();
  return r?.placed ?? null;
}

/** Numbers of all jobs ever opened here, with their job. */
export async function jobNumbers(db: Kysely<Database>): Promise<{ jobId: string; number: string }[]> {
  const { rows } = await sql<{ jobId: string; number: string }>`
    select job_id as jobId, json_extract(payload, '$.number') as number from events where type = 'job.opened'
  `.execute(db);
  return rows;
}

/** Greatest sequence number of a job's log; 0 for none. */
export async function topSeq(db: Kysely<Database>, jobId: string): Promise<number> {
  const r = await db
    .selectFrom("events")
    .select(({ fn }) => fn.max("seq").as("seq"))
    .where("job_id", "=", jobId)
    .executeTakeFirst();
  return r?.seq ?? 0;
}

/** Greatest sequence number of all logs; 0 for none. */
export async function shopCursor(db: Kysely<Database>): Promise<number> {
  const r = await db
    .selectFrom("events")
    .select(({ fn }) => fn.max("seq").as("seq"))
    .executeTakeFirst();
  return r?.seq ?? 0;
}

/** Jobs with an event after a cursor of the shop. */
export async function grownAfter(db: Kysely<Database>, after: number): Promise<string[]> {
  const rows = await db.selectFrom("events").select("job_id").distinct().where("seq", ">", after).limit(500).execute();
  return rows.map((r) => r.job_id);
}
