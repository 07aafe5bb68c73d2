import { askGate, type JobEvent, parseEvent, photoOf, placeAct, placeOf, redacted, ruleOf, type Snapshot } from "@/core/job";
import { hasBlob } from "@/data/blobStore";
import { connection } from "@/data/connection";
import { findEvent, floorOf, insertEvent, type JobLog, readLog, snapshotOf, topSeq } from "@/data/eventStore";
import { contentHash, referenceByHash, type Stored } from "@/data/referenceStore";
import type { AppendReply } from "@/wire/jobs";
import { takeSeenTwice } from "./finds";
import { keepCard } from "./jobList";
import { reliesOn } from "./jobZip";
import { announce } from "./live";
import { wasAway } from "./presence";

/**
 * Whether an event that arrives now was recorded without knowledge of another device's act, or while its device was away as this
 * server noticed it. What the sender says of itself counts for nothing: every gate could be talked round.
 */
const isLate = (log: JobLog, e: JobEvent): boolean =>
  log.events.some((x) => x.device !== e.device && (log.seqs.get(x.id) ?? 0) > e.seen) || wasAway(e.device, placeOf(e));

/** What makes two events of one id the same act: everything but the place and cursor, which are the server's. */
const told = (e: JobEvent): string =>
  contentHash({ jobId: e.jobId, type: e.type, v: e.v, payload: e.payload, who: e.who, device: e.device, clock: e.clock });
/** Whether an event is the one stored under its id, or that one before its words were removed. */
export const sameAct = (stored: JobEvent, e: JobEvent): boolean => told(stored) === told(e) || told(stored) === told(redacted(e));

export type AppendOne =
  | { ok: true; seq: number; placed: string; repeated: boolean; late: boolean }
  | { ok: false; gate: string; reason: string };

/**
 * Appends one event: idempotent by id, placed once, gated on the fold up to its place, in one transaction with the job's card for
 * the lists. The answer comes after the commit. A gate that is shut refuses an act; an act that arrives late has happened and
 * stands as a breach.
 * @param aheadMs how far its device's clock was ahead of this server's when it was recorded; null when that was never measured
 */
export async function appendOne(act: JobEvent, nowMs: number, aheadMs: number | null = 0): Promise<AppendOne> {
  const { db } = connection();
  return db.transaction().execute(async (trx): Promise<AppendOne> => {
    const known = await findEvent(trx, act.id);
    if (known) {
      if (!sameAct(known.event, act))
        return { ok: false, gate: "id", reason: `The event id ${act.id} is already used for another act: ${known.event.type}.` };
      return { ok: true, seq: known.seq, placed: placeOf(known.event), repeated: true, late: false };
    }
    const floor = await floorOf(trx, act.jobId, act.device, act.seen);
    const e = { ...act, placed: placeAct(act.clock, aheadMs, floor, nowMs) };
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
    const late = isLate(log, e);
    const snapshots = { ...log.snapshots, ...brought };
    const shut = askGate(log.events, snapshots, e);
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
    await keepCard(trx, e.jobId, [...log.events, e], snapshots, seq);
    return { ok: true, seq, placed: e.placed, repeated: false, late };
  });
}

/** Ids are no longer than this; a longer one is not sent back whole. */
const LONGEST_ID = 64;

/** Appends a batch in order and stops at the first that is refused, so that one lane's events keep their order. */
export async function appendEvents(
  jobId: string,
  raw: readonly unknown[],
  nowMs: number,
  aheadMs: readonly (number | null)[] = [],
): Promise<AppendReply> {
  const reply: AppendReply = { accepted: [], refused: null, cursor: 0, nowMs };
  for (const [i, one] of raw.entries()) {
    const parsed = parseEvent(one);
    const id = typeof one === "object" && one !== null && "id" in one && typeof one.id === "string" ? one.id : null;
    const said = id === null ? null : id.slice(0, LONGEST_ID);
    if (!parsed.ok) {
      reply.refused = { id: said, gate: "shape", reason: parsed.problem };
      break;
    }
    if (parsed.event.jobId !== jobId) {
      reply.refused = {
        id: said,
        gate: "shape",
        reason: `The event names job ${parsed.event.jobId}, the address names ${jobId}.`,
      };
      break;
    }
    const ahead = aheadMs[i];
    const done = await appendOne(parsed.event, nowMs, ahead === undefined ? 0 : ahead);
    if (!done.ok) {
      reply.refused = { id: said, gate: done.gate, reason: done.reason };
      break;
    }
    const { seq, placed, repeated, late } = done;
    reply.accepted.push({ id: parsed.event.id, seq, placed, repeated, late });
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
