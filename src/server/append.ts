import { askGate, type JobEvent, msOf, parseEvent, photoOf, ruleOf, type Snapshot } from "@/core/job";
import { hasBlob } from "@/data/blobStore";
import { connection } from "@/data/connection";
import { findEvent, insertEvent, type JobLog, lastClockOf, readLog, snapshotOf, topSeq } from "@/data/eventStore";
import { referenceByHash, type Stored } from "@/data/referenceStore";
import type { AppendReply } from "@/wire/jobs";
import { takeSeenTwice } from "./finds";
import { announce } from "./live";

/** A device whose time is further ahead than this would drag every clock with it. */
const AHEAD_MS = 24 * 3600_000;

/** Hashes of the reference data an event relies on, as its rule names them. */
export const reliesOn = (e: JobEvent): string[] =>
  Object.keys(ruleOf(e.type).relies ?? {}).flatMap((field) => {
    const hash = (e.payload as Record<string, unknown>)[field];
    return typeof hash === "string" ? [hash] : [];
  });

/** Whether an event that arrives now was recorded without knowledge of another device's act, or while offline. */
function isLate(log: JobLog, e: JobEvent, via: "live" | "outbox"): boolean {
  return via === "outbox" || log.events.some((x) => x.device !== e.device && (log.seqs.get(x.id) ?? 0) > e.seen);
}

export type AppendOne = { ok: true; seq: number; repeated: boolean; late: boolean } | { ok: false; gate: string; reason: string };

/**
 * Appends one event: idempotent by id, gated on the fold up to its place, in one transaction. The answer comes after the commit.
 * A gate that is shut refuses an act recorded online; an act that arrives late has happened and stands as a breach.
 */
export async function appendOne(e: JobEvent, via: "live" | "outbox", nowMs: number): Promise<AppendOne> {
  const { db } = connection();
  return db.transaction().execute(async (trx): Promise<AppendOne> => {
    const known = await findEvent(trx, e.id);
    if (known) {
      if (known.job_id !== e.jobId || known.type !== e.type)
        return { ok: false, gate: "id", reason: `The event id ${e.id} is already used for ${known.type}.` };
      return { ok: true, seq: known.seq, repeated: true, late: false };
    }
    if (msOf(e.clock) > nowMs + AHEAD_MS)
      return {
        ok: false,
        gate: "clock",
        reason: "This device's clock is more than a day ahead. Set its date and time, then try again.",
      };
    const last = await lastClockOf(trx, e.jobId, e.device);
    if (last && e.clock <= last)
      return {
        ok: false,
        gate: "clock",
        reason: "This device has already recorded something later in this job. Reload, then try again.",
      };
    const log = await readLog(trx, e.jobId);
    const bring: Record<string, Stored> = {};
    const brought: Record<string, Snapshot> = {};
    for (const hash of reliesOn(e)) {
      if (log.snapshots[hash]) continue;
      const found = await referenceByHash(trx, hash);
      if (!found)
        return {
          ok: false,
          gate: "snapshot",
          reason: "The data this relies on has changed since the page was loaded. Reload and look again.",
        };
      bring[hash] = found;
      brought[hash] = snapshotOf(found);
    }
    const photo = photoOf(e);
    if (photo && !(await hasBlob(trx, photo.hash)))
      return { ok: false, gate: "photo", reason: "The photo is not here. Attach it again." };
    const late = isLate(log, e, via);
    const shut = askGate(log.events, { ...log.snapshots, ...brought }, e);
    const rule = ruleOf(e.type);
    if (late && rule.spends)
      return {
        ok: false,
        gate: "stale",
        reason: "Something changed in this job since this order was decided. Look again before spending money.",
      };
    // What corrects the record is no act that has happened: it is refused late as well.
    if (shut && (!late || rule.noAct)) return { ok: false, ...shut };
    const seq = await insertEvent(trx, e, new Date(nowMs).toISOString(), bring);
    return { ok: true, seq, repeated: false, late };
  });
}

/** Appends a batch in order and stops at the first that is refused, so that one device's events keep their order. */
export async function appendEvents(
  jobId: string,
  raw: readonly unknown[],
  via: "live" | "outbox",
  nowMs: number,
): Promise<AppendReply> {
  const reply: AppendReply = { accepted: [], refused: null, cursor: 0 };
  for (const one of raw) {
    const parsed = parseEvent(one);
    const id = typeof one === "object" && one !== null && "id" in one && typeof one.id === "string" ? one.id : null;
    if (!parsed.ok) {
      reply.refused = { id, gate: "shape", reason: parsed.problem };
      break;
    }
    if (parsed.event.jobId !== jobId) {
      reply.refused = { id, gate: "shape", reason: `The event names job ${parsed.event.jobId}, the address names ${jobId}.` };
      break;
    }
    const done = await appendOne(parsed.event, via, nowMs);
    if (!done.ok) {
      reply.refused = { id, gate: done.gate, reason: done.reason };
      break;
    }
    reply.accepted.push({ id: parsed.event.id, seq: done.seq, repeated: done.repeated, late: done.late });
  }
  reply.cursor = await topSeq(connection().db, jobId);
  if (reply.accepted.some((a) => !a.repeated)) announce(jobId);
  // A machine's build learns from what a second job found. The acts are stored by now: whatever goes wrong there is no reason
  // to tell the bench that they are not.
  const fresh = new Set(reply.accepted.filter((a) => !a.repeated).map((a) => a.id));
  if (raw.some((x) => (x as JobEvent | null)?.type === "open.found" && fresh.has((x as JobEvent).id)))
    await takeSeenTwice(new Date(nowMs).toISOString()).catch((e) => console.error("a find was not taken over:", e));
  return reply;
}
