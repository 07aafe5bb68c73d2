import BetterSqlite from "better-sqlite3";
import type { Connection } from "./connection";

/** Jobs of a shop laid down beside this one that have something this one lacks, without those whose number is taken here. */
export function jobsToMerge(incoming: string, live: BetterSqlite.Database): string[] {
  const raw = new BetterSqlite(incoming, { readonly: true });
  try {
    const has = live.prepare("select 1 from events where id = ?");
    const number = live.prepare(
      "select 1 from events where type = 'job.opened' and job_id <> ? and json_extract(payload, '$.number') = ?",
    );
    const rows = raw
      .prepare("select job_id, id, type, json_extract(payload, '$.number') as number from events order by seq")
      .all() as {
      job_id: string;
      id: string;
      type: string;
      number: string | null;
    }[];
    const lacking = new Set(rows.filter((r) => !has.get(r.id)).map((r) => r.job_id));
    for (const r of rows) if (r.type === "job.opened" && number.get(r.job_id, r.number)) lacking.delete(r.job_id);
    return [...lacking];
  } finally {
    raw.close();
  }
}

/** Takes one job over: events by their ids, with snapshots and photos; what is here already stays as it is. In one transaction. */
export function mergeJob({ raw }: Connection, incoming: string, jobId: string): number {
  raw.prepare("attach ? as incoming").run(incoming);
  try {
    return raw.transaction(() => {
      const done = raw
        .prepare(
          `insert or ignore into events (id, job_id, type, v, payload, who, device, clock, placed, seen, received_at)
           select id, job_id, type, v, payload, who, device, clock, placed, 0, received_at from incoming.events where job_id = ? order by seq`,
        )
        .run(jobId);
      raw.prepare("insert or ignore into snapshots select * from incoming.snapshots where job_id = ?").run(jobId);
      raw
        .prepare(
          `insert or ignore into blobs select * from incoming.blobs where hash in
           (select json_extract(payload, '$.photo.hash') from incoming.events where job_id = ?)`,
        )
        .run(jobId);
      return done.changes;
    })();
  } finally {
    raw.exec("detach incoming");
  }
}

/** Takes over the reference rows this shop does not have; those that differ stay as they are here. */
export function mergeReference({ raw }: Connection, incoming: string): number {
  raw.prepare("attach ? as incoming").run(incoming);
  try {
    return raw.prepare("insert or ignore into reference select * from incoming.reference").run().changes;
  } finally {
    raw.exec("detach incoming");
  }
}
