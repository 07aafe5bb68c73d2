import { strToU8, zipSync } from "fflate";
import { compareEvents, fold, type JobEvent, jobReport, photoOf, STOCK_LOG } from "@/core/job";
import { readBlob, saveBlob } from "@/data/blobStore";
import { connection } from "@/data/connection";
import { findEvent, insertEvent, jobNumbers, readLog, storedSnapshots } from "@/data/eventStore";
import { apart } from "./apart";
import { sameAct } from "./append";
import { copyFirst } from "./backup/schedule";
import { keepCard } from "./jobList";
import type { Problem, ReadJobZip } from "./jobZip";
import { announce } from "./live";
import { nowIso, nowMs } from "./now";

export type { Problem } from "./jobZip";

/** One whole job as a zip: manifest.json, log.json, report.json, snapshots/HASH.json, blobs/HASH.jpg. */
export async function exportJob(jobId: string): Promise<Uint8Array | null> {
  const { db } = connection();
  const log = await readLog(db, jobId);
  if (log.events.length === 0) return null;
  const events = [...log.events].sort(compareEvents);
  const files: Record<string, Uint8Array> = {
    "manifest.json": strToU8(
      JSON.stringify({ format: "helvane.job", version: 1, jobId, events: events.length, exportedAt: nowIso() }, null, 1),
    ),
    "log.json": strToU8(`[\n${events.map((e) => JSON.stringify(e)).join(",\n")}\n]\n`),
  };
  // Made from the log at any time: whoever reads it back ignores it.
  const report = jobReport({ state: fold(log.events, log.snapshots), snapshots: log.snapshots });
  if (report) files["report.json"] = strToU8(JSON.stringify(report, null, 1));
  // As they lie here: a hash is of the very content it was made from, whatever its shape has become since.
  for (const [hash, s] of Object.entries(await storedSnapshots(db, jobId)))
    files[`snapshots/${hash}.json`] = strToU8(`{"kind":${JSON.stringify(s.kind)},"data":${s.json}}`);
  for (const hash of photoHashes(events)) {
    const b = await readBlob(db, hash);
    if (b) files[`blobs/${hash}.jpg`] = b.bytes;
  }
  return zipSync(files, { level: 6, mtime: new Date("1980-01-02") });
}

const photoHashes = (events: readonly JobEvent[]): string[] => events.flatMap((e) => photoOf(e)?.hash ?? []);

export type ImportJob = { ok: true; jobId: string; added: number; repeated: number } | { ok: false; problems: Problem[] };

/** How long an import may be read; ms. */
const MOST_MS = 60_000;

/**
 * Reads an exported job back: in a process of its own, so that neither a large nor a hostile file keeps the bench waiting; then saved
 * in one transaction, or nothing is. An event that is here already has to be the same.
 */
export async function importJob(zip: Uint8Array): Promise<ImportJob> {
  const fail = (where: string, message: string): ImportJob => ({ ok: false, problems: [{ where, message }] });
  const done = await apart<ReadJobZip>("readJobZip", { zip, nowMs: nowMs() }, { mostMs: MOST_MS, memoryMb: 1500 });
  if (!done.ok) return fail("file", `not read: ${done.problem}`);
  if (!done.answer.ok) return done.answer;
  const { jobId, events, snapshots, photos } = done.answer.job;
  if (jobId === STOCK_LOG) return fail("manifest.json", "this is the id of the shop's stock, not of a job");
  await copyFirst();
  const { db } = connection();
  const numbers = await jobNumbers(db);
  const opened = events.find((e) => e.type === "job.opened");
  if (opened?.type === "job.opened" && numbers.some((n) => n.jobId !== jobId && n.number === opened.payload.number))
    return fail("log.json, job.opened", `another job already has the number ${opened.payload.number}`);
  const result = await db.transaction().execute(async (trx): Promise<ImportJob> => {
    const fresh: JobEvent[] = [];
    for (const e of [...events].sort(compareEvents)) {
      const had = (await findEvent(trx, e.id))?.event;
      if (!had) fresh.push(e);
      else if (!sameAct(had, e)) return fail(`log.json, ${e.type}`, `the id ${e.id} is here already with another content`);
    }
    for (const p of photos) await saveBlob(trx, { ...p, mime: "image/jpeg", bytes: Buffer.from(p.bytes) });
    let last = 0;
    for (const [i, e] of fresh.entries()) last = await insertEvent(trx, e, nowIso(), i === 0 ? snapshots : {});
    if (fresh.length) {
      const log = await readLog(trx, jobId);
      await keepCard(trx, jobId, log.events, log.snapshots, last);
    }
    return { ok: true, jobId, added: fresh.length, repeated: events.length - fresh.length };
  });
  if (result.ok) announce(jobId);
  return result;
}
