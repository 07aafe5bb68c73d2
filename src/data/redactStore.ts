import { type Kysely, sql } from "kysely";
import type { JobEvent } from "@/core/job";
import type { Connection } from "./connection";
import type { Database } from "./schema";

/** Closed jobs by their cards, all or those of one customer's name. */
export async function closedCards(
  db: Kysely<Database>,
  customer: string | null,
): Promise<{ id: string; number: string; customer: string }[]> {
  const { rows } = await sql<{ id: string; number: string; customer: string }>`
    select job_id as id, json_extract(json, '$.number') as number, json_extract(json, '$.customer') as customer from job_list
    where json_extract(json, '$.closed') is not null
      and (${customer} is null or lower(trim(json_extract(json, '$.customer'))) = lower(trim(${customer})))
    order by number
  `.execute(db);
  return rows;
}

/** Puts another payload in an event's place: the one thing that ever changes a line of the log. */
export async function rewritePayload(db: Kysely<Database>, id: string, e: JobEvent): Promise<void> {
  await db
    .updateTable("events")
    .set({ payload: JSON.stringify(e.payload), v: e.v })
    .where("id", "=", id)
    .execute();
}

/** Deletes photos that no event holds any more. */
export async function dropLoosePhotos(db: Kysely<Database>, hashes: readonly string[]): Promise<void> {
  for (const hash of hashes)
    await sql`delete from blobs where hash = ${hash}
      and not exists (select 1 from events where payload like ${`%${hash}%`})
      and not exists (select 1 from reference where json like ${`%${hash}%`})`.execute(db);
}

/** Writes the whole file anew, so that nothing removed is left between its rows or in the write-ahead log. */
export function compact({ raw }: Connection): void {
  raw.pragma("wal_checkpoint(TRUNCATE)");
  raw.exec("vacuum");
  raw.pragma("wal_checkpoint(TRUNCATE)");
}
