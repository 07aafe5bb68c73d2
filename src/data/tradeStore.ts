import { type Kysely, sql } from "kysely";
import type { Database } from "./schema";

/** Events an order's story is told from. */
const TRADE = sql.raw("('match.ordered', 'match.arrived', 'match.returned', 'job.takenBack')");

export interface TradeEvent {
  id: string;
  job_id: string;
  type: string;
  payload: Record<string, unknown>;
  clock: string;
}

/** How many there are: events are only ever added, so as many as before are the same ones. */
export async function tradeStamp(db: Kysely<Database>): Promise<string> {
  const { rows } = await sql<{ n: number }>`select count(*) as n from events where type in ${TRADE}`.execute(db);
  return String(rows[0]?.n);
}

/** Orders, arrivals and returns of all jobs with what was taken back, job by job in canonical order. */
export async function tradeEvents(db: Kysely<Database>): Promise<TradeEvent[]> {
  const { rows } = await sql<Omit<TradeEvent, "payload"> & { payload: string }>`
    select id, job_id, type, payload, placed as clock from events where type in ${TRADE} order by job_id, placed, device, id`.execute(
    db,
  );
  return rows.map((r) => ({ ...r, payload: JSON.parse(r.payload) as Record<string, unknown> }));
}

export interface FoundEvent {
  id: string;
  payload: Record<string, unknown>;
  who: string;
  clock: string;
  /** Model of the machine of its job. */
  model: string;
  job: string;
}

/** What was found at the bench, in all jobs, without what was taken back; oldest first. */
export async function foundEvents(db: Kysely<Database>): Promise<FoundEvent[]> {
  const { rows } = await sql<Omit<FoundEvent, "payload"> & { payload: string }>`
    select e.id, e.payload, e.job_id as job, e.who, e.placed as clock,
      (select json_extract(o.payload, '$.machineModel') from events o where o.job_id = e.job_id and o.type = 'job.opened' limit 1) as model
    from events e where e.type = 'open.found'
      and not exists (select 1 from events t where t.job_id = e.job_id and t.type = 'job.takenBack' and json_extract(t.payload, '$.eventId') = e.id)
    order by e.placed`.execute(db);
  return rows.map((r) => ({ ...r, payload: JSON.parse(r.payload) as Record<string, unknown> }));
}
