import { type Kysely, sql } from "kysely";
import type { Database } from "./schema";

/** A kept card of a job's list; `json` is null for a closed job, whose card is only counted. */
export interface CardRow {
  job_id: string;
  last_seq: number;
  fold_version: number;
  json: string | null;
}

export async function cardRows(db: Kysely<Database>): Promise<CardRow[]> {
  const { rows } = await sql<CardRow>`
    select job_id, last_seq, fold_version, case when json_extract(json, '$.closed') is null then json end as json from job_list
  `.execute(db);
  return rows;
}

export async function saveCard(db: Kysely<Database>, row: CardRow & { json: string }): Promise<void> {
  await db
    .insertInto("job_list")
    .values(row)
    .onConflict((c) => c.column("job_id").doUpdateSet(row))
    .execute();
}

/** Drops the cards of jobs still open: they are told anew. What closed jobs took against their plan stays as it was. */
export async function dropOpenCards(db: Kysely<Database>): Promise<void> {
  await db
    .deleteFrom("job_list")
    .where((e) => e.fn("json_extract", ["json", e.val("$.closed")]), "is", null)
    .execute();
}

/** Changes with every card that is made anew, added or dropped. */
export async function cardsStamp(db: Kysely<Database>): Promise<string> {
  const { rows } = await sql<{ n: number; seqs: number; rules: number }>`
    select count(*) as n, total(last_seq) as seqs, total(fold_version) as rules from job_list`.execute(db);
  return JSON.stringify(rows[0]);
}

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
