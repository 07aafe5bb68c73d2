import { type Kysely, sql } from "kysely";
import type { Database } from "./schema";

/** A kept card of a job's list. */
export interface CardRow {
  job_id: string;
  last_seq: number;
  fold_version: number;
  json: string;
}

/** The cards of jobs still open, and how many are closed: a closed job is only counted, its card is not read. */
export async function keptCards(db: Kysely<Database>): Promise<{ open: string[]; closed: number }> {
  const { rows } = await sql<{ json: string }>`
    select json from job_list where json_extract(json, '$.closed') is null order by job_id`.execute(db);
  const all = await sql<{ n: number }>`select count(*) as n from job_list`.execute(db);
  return { open: rows.map((r) => r.json), closed: all.rows[0]!.n - rows.length };
}

/**
 * Jobs whose card is missing, told by other rules than today's, or of an older end of the log: the missing first, then those on the
 * bench. Skips from job to job through the index instead of reading every event.
 */
export async function staleCards(db: Kysely<Database>, foldVersion: number): Promise<{ jobId: string; missing: boolean }[]> {
  const { rows } = await sql<{ jobId: string; missing: number }>`
    with recursive j (id) as (
      select min(job_id) from events
      union all
      select (select min(job_id) from events where job_id > j.id) from j where j.id is not null
    )
    select j.id as jobId, l.job_id is null as missing from j left join job_list l on l.job_id = j.id
    where j.id is not null and (l.job_id is null or l.fold_version <> ${foldVersion}
      or l.last_seq <> (select max(e.seq) from events e where e.job_id = j.id))
      and exists (select 1 from events o where o.job_id = j.id and o.type = 'job.opened')
    order by l.job_id is null desc, json_extract(l.json, '$.closed') is null desc
  `.execute(db);
  return rows.map((r) => ({ jobId: r.jobId, missing: r.missing === 1 }));
}

export async function saveCard(db: Kysely<Database>, row: CardRow): Promise<void> {
  await db
    .insertInto("job_list")
    .values(row)
    .onConflict((c) => c.column("job_id").doUpdateSet(row))
    .execute();
}

/** Of what end of its log the card of each job still open was made. */
export async function cardSeqs(db: Kysely<Database>): Promise<Map<string, number>> {
  const { rows } = await sql<{ job: string; seq: number }>`
    select job_id as job, last_seq as seq from job_list where json_extract(json, '$.closed') is null`.execute(db);
  return new Map(rows.map((r) => [r.job, r.seq]));
}

/** The cards of jobs still open are told anew; until then they are shown as they are. What closed jobs took against their plan stays. */
export async function outdateOpenCards(db: Kysely<Database>): Promise<void> {
  await sql`update job_list set fold_version = 0 where json_extract(json, '$.closed') is null`.execute(db);
}

/** How many cards there are, the ends of the log they are made of, and by which rules, each added up; and the newest end. */
export async function cardsSum(db: Kysely<Database>): Promise<{ n: number; seqs: number; rules: number; newest: number }> {
  const { rows } = await sql<{ n: number; seqs: number; rules: number; newest: number | null }>`
    select count(*) as n, total(last_seq) as seqs, total(fold_version) as rules, max(last_seq) as newest from job_list`.execute(
    db,
  );
  return { ...rows[0]!, newest: rows[0]!.newest ?? 0 };
}

/** Changes with every card that is made anew, added or dropped. */
export const cardsStamp = async (db: Kysely<Database>): Promise<string> => JSON.stringify(await cardsSum(db));

/** Times and mishaps of the jobs of a family that were handed over, as their cards have them. */
export async function handedOverCards(
  db: Kysely<Database>,
  family: string,
  foldVersion: number,
): Promise<{ ratio: number | null; mishaps: string[] }[]> {
  const { rows } = await sql<{ ratio: number | null; mishaps: string }>`
    select json_extract(json, '$.timeRatio') as ratio, json_extract(json, '$.mishaps') as mishaps from job_list
    where json_extract(json, '$.closed') = 'handedOver' and json_extract(json, '$.family') = ${family} and fold_version = ${foldVersion}
  `.execute(db);
  return rows.map((r) => ({ ratio: r.ratio, mishaps: JSON.parse(r.mishaps) as string[] }));
}

/** What jobs, open and closed, are found by, and what a list of closed jobs shows. */
export interface JobEntry {
  id: string;
  number: string;
  customer: string;
  contact: string;
  machine: string;
  serial: string;
  oldCode: string | null;
  newCode: string | null;
  station: string;
  closed: string | null;
  promiseAt: string | null;
  openedAtIso: string | null;
  closedAtIso: string | null;
}
const ENTRY = [
  "number",
  "customer",
  "contact",
  "machine",
  "serial",
  "oldCode",
  "newCode",
  "station",
  "closed",
  "promiseAt",
  "openedAtIso",
  "closedAtIso",
] as const;
/** Every job as a line, newest first. Read out by the database: the cards themselves are larger. */
export async function jobEntries(db: Kysely<Database>): Promise<JobEntry[]> {
  const columns = ENTRY.map((k) => sql`json_extract(json, ${sql.lit(`$.${k}`)}) as ${sql.id(k)}`);
  const { rows } = await sql<JobEntry>`
    select job_id as id, ${sql.join(columns)} from job_list order by job_id desc`.execute(db);
  return rows.map((r) => ({ ...r, contact: r.contact ?? "" }));
}

/** Keeps what the stock and the figures are told from, with the card it belongs to. */
export async function saveTold(db: Kysely<Database>, row: Database["job_told"]): Promise<void> {
  await db
    .insertInto("job_told")
    .values(row)
    .onConflict((c) => c.column("job_id").doUpdateSet(row))
    .execute();
}

/**
 * What jobs took from the stock and gave to it; one text per job, also of those that took nothing any more.
 * @param after only jobs whose card was made of an end of the log past this; null for all
 */
export async function stockOfJobs(
  db: Kysely<Database>,
  after: { rules: number; seq: number } | null,
): Promise<{ job: string; stock: string }[]> {
  if (after === null) return db.selectFrom("job_told").select(["job_id as job", "stock"]).orderBy("job_id").execute();
  return db
    .selectFrom("job_list")
    .innerJoin("job_told", "job_told.job_id", "job_list.job_id")
    .select(["job_told.job_id as job", "job_told.stock as stock"])
    .where("job_list.fold_version", "=", after.rules)
    .where("job_list.last_seq", ">", after.seq)
    .execute();
}

/** Orders of jobs that are lines of an order of the shop. */
export async function linesOfJobs(
  db: Kysely<Database>,
): Promise<
  { id: string; number: string; outcome: string | null; placed: { line: string | null; came: boolean; back: string | null }[] }[]
> {
  const rows = await db.selectFrom("job_told").select("facts").where("facts", "like", '%"line":"%').orderBy("job_id").execute();
  return rows.map((r) => JSON.parse(r.facts));
}

/** What every job's figures are told from; one text per job. */
export async function factsOfJobs(db: Kysely<Database>): Promise<string[]> {
  const rows = await db.selectFrom("job_told").select("facts").where("facts", "<>", "null").orderBy("job_id").execute();
  return rows.map((r) => r.facts);
}
