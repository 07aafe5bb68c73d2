import { type JobEvent, placeOf, type Snapshots } from "@/core/job";
import type { Connection } from "./connection";

/**
 * Writes whole logs that passed their gates elsewhere, with the snapshots they name, in one transaction: many thousand events at once.
 * @param receivedAt ISO time they are said to have come
 */
export function plantLogs(
  { raw }: Connection,
  logs: readonly (readonly JobEvent[])[],
  snapshots: Snapshots,
  receivedAt: string,
): void {
  const text = new Map(Object.entries(snapshots).map(([h, s]) => [h, { kind: s.kind, json: JSON.stringify(s.data) }]));
  const event = raw.prepare(
    `insert into events (id, job_id, type, v, payload, who, device, clock, placed, seen, received_at)
     values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  );
  const snapshot = raw.prepare("insert or ignore into snapshots (job_id, hash, kind, json) values (?, ?, ?, ?)");
  raw.transaction(() => {
    for (const log of logs)
      for (const e of log) {
        const payload = JSON.stringify(e.payload);
        event.run(e.id, e.jobId, e.type, e.v, payload, e.who, e.device, e.clock, placeOf(e), e.seen, receivedAt);
        for (const v of Object.values(e.payload)) {
          const s = typeof v === "string" ? text.get(v) : undefined;
          if (s) snapshot.run(e.jobId, v, s.kind, s.json);
        }
      }
  })();
}
