import { randomBytes } from "node:crypto";
import { fold, type JobEvent, makeClock, makeEventId, msOf, nextClock, personalIn, photoOf, placeOf, redacted } from "@/core/job";
import { connection } from "@/data/connection";
import { insertEvent, readLog } from "@/data/eventStore";
import { closedCards, compact, dropLoosePhotos, rewritePayload } from "@/data/redactStore";
import type { RedactLine } from "@/wire/backup";
import { keepCard } from "./jobList";
import { announce } from "./live";
import { nowIso, nowMs } from "./now";

/** Closed jobs that still hold personal words: those closed before a time, or those of a customer by name. */
export async function toRedact(ask: { before: string } | { customer: string }): Promise<RedactLine[]> {
  const { db } = connection();
  const lines: RedactLine[] = [];
  for (const card of await closedCards(db, "customer" in ask ? ask.customer : null)) {
    const log = await readLog(db, card.id);
    const closing = log.events.filter((e) => e.type === "job.closed").at(-1);
    if (!closing) continue;
    const closedAt = new Date(msOf(placeOf(closing))).toISOString();
    if ("before" in ask && closedAt >= ask.before) continue;
    const with_ = log.events.filter((e) => personalIn(e).length > 0);
    if (with_.length === 0) continue;
    lines.push({
      jobId: card.id,
      number: card.number,
      customer: card.customer,
      closedAt,
      entries: with_.length,
      photos: with_.filter((e) => photoOf(e)).length,
    });
  }
  return lines;
}

/**
 * Removes personal words, names, serials and photos of closed jobs for good: payloads are rewritten in place, photos nobody else holds are
 * deleted, and the file is written anew so that nothing is left between its rows. Ids, clocks, kinds and everything physical stay.
 * @returns how many jobs and entries
 */
export async function redactJobs(
  jobIds: readonly string[],
  because: "time" | "asked",
  who: string,
): Promise<{ jobs: number; entries: number }> {
  const c = connection();
  let jobs = 0;
  let entries = 0;
  c.raw.pragma("secure_delete = ON");
  for (const jobId of jobIds) {
    const n = await c.db.transaction().execute(async (trx) => {
      const log = await readLog(trx, jobId);
      if (!fold(log.events, log.snapshots).closed) return 0;
      const old = log.events.filter((e) => personalIn(e).length > 0);
      if (old.length === 0) return 0;
      const fields = [...new Set(old.flatMap((e) => personalIn(e).map((f) => `${e.type}.${f}`)))].sort();
      for (const e of old) await rewritePayload(trx, e.id, redacted(e));
      const last = log.events.map(placeOf).sort().at(-1)!;
      const placed = nextClock(last, nowMs());
      const told = {
        id: makeEventId(nowMs(), randomBytes(10)),
        jobId,
        type: "job.redacted",
        v: 1,
        payload: { fields, events: old.length, because },
        who,
        device: "server",
        clock: makeClock(nowMs(), 0),
        placed,
        seen: log.cursor,
      } as JobEvent;
      const seq = await insertEvent(trx, told, nowIso(), {});
      await dropLoosePhotos(
        trx,
        old.flatMap((e) => photoOf(e)?.hash ?? []),
      );
      await keepCard(trx, jobId, [...log.events.map(redacted), told], log.snapshots, seq);
      return old.length;
    });
    if (n === 0) continue;
    jobs += 1;
    entries += n;
    announce(jobId);
    await new Promise((next) => setImmediate(next));
  }
  if (jobs) await c.db.connection().execute(async () => compact(c));
  return { jobs, entries };
}
