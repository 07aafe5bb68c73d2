import { createHash } from "node:crypto";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { compareEvents, fold, type JobEvent, parseEvent, photoOf } from "@/core/job";
import { readBlob, saveBlob } from "@/data/blobStore";
import { connection } from "@/data/connection";
import { findEvent, insertEvent, jobNumbers, readLog, snapshotOf, storedSnapshots } from "@/data/eventStore";
import { contentHash, type Stored } from "@/data/referenceStore";
import { snapshotProblem } from "@/data/registry";
import { reliesOn } from "./append";
import { announce } from "./live";
import { nowIso } from "./now";

/** One whole job as a zip: manifest.json, log.json, snapshots/HASH.json, blobs/HASH.jpg. */
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

export type Problem = { where: string; message: string };
export type ImportJob = { ok: true; jobId: string; added: number; repeated: number } | { ok: false; problems: Problem[] };

/** Unpacked size an import may have. */
const MOST_BYTES = 120_000_000;

/** Reads an exported job back: everything is checked first, then saved in one transaction, or nothing is. */
export async function importJob(zip: Uint8Array): Promise<ImportJob> {
  const fail = (where: string, message: string): ImportJob => ({ ok: false, problems: [{ where, message }] });
  let files: Record<string, Uint8Array>;
  let total = 0;
  try {
    files = unzipSync(zip, {
      filter: (f) => {
        total += f.originalSize;
        if (total > MOST_BYTES) throw new Error(`unpacks to more than ${MOST_BYTES / 1e6} MB`);
        return true;
      },
    });
  } catch (e) {
    return fail("file", `not readable as a zip: ${(e as Error).message}`);
  }
  const json = (name: string): { ok: true; value: unknown } | { ok: false; problem: ImportJob } => {
    const f = files[name];
    if (!f) return { ok: false, problem: fail(name, "is missing from the zip") };
    try {
      return { ok: true, value: JSON.parse(strFromU8(f)) };
    } catch (e) {
      return { ok: false, problem: fail(name, `not readable as JSON: ${(e as Error).message}`) };
    }
  };
  const manifest = json("manifest.json");
  if (!manifest.ok) return manifest.problem;
  const head = manifest.value as { format?: unknown; version?: unknown; jobId?: unknown } | null;
  if (head?.format !== "helvane.job")
    return fail("manifest.json, format", `read ${JSON.stringify(head?.format) ?? "nothing"}, expected "helvane.job"`);
  if (head.version !== 1)
    return fail("manifest.json, version", `read ${JSON.stringify(head.version)}, this Helvane reads version 1`);
  const log = json("log.json");
  if (!log.ok) return log.problem;
  if (!Array.isArray(log.value) || log.value.length === 0) return fail("log.json", "expected a list with at least one event");
  const events: JobEvent[] = [];
  const problems: Problem[] = [];
  log.value.forEach((raw, i) => {
    const p = parseEvent(raw);
    if (!p.ok) problems.push({ where: `log.json, event ${i + 1}`, message: p.problem });
    else if (p.event.jobId !== head.jobId)
      problems.push({ where: `log.json, event ${i + 1}`, message: "belongs to another job than the manifest names" });
    else events.push(p.event);
  });
  const snapshots: Record<string, Stored> = {};
  const blobs: Record<string, Uint8Array> = {};
  for (const name of Object.keys(files)) {
    const snap = /^snapshots\/([0-9a-f]{64})\.json$/.exec(name);
    const blob = /^blobs\/([0-9a-f]{64})\.jpg$/.exec(name);
    if (snap) {
      const r = json(name);
      if (!r.ok) return r.problem;
      const s = r.value as { kind: string; data: unknown };
      if (contentHash(s?.data) !== snap[1])
        problems.push({ where: name, message: "its content does not match its name: it was changed after the export" });
      else {
        const wrong = snapshotProblem(s);
        if (wrong) problems.push({ where: name, message: wrong });
        snapshots[snap[1]!] = { kind: s.kind, json: JSON.stringify(s.data) };
      }
    } else if (blob) {
      if (createHash("sha256").update(files[name]!).digest("hex") !== blob[1])
        problems.push({ where: name, message: "its content does not match its name" });
      blobs[blob[1]!] = files[name]!;
    } else if (name !== "manifest.json" && name !== "log.json" && !name.endsWith("/"))
      problems.push({ where: name, message: "does not belong in an exported job" });
  }
  for (const e of events)
    for (const hash of reliesOn(e))
      if (!snapshots[hash])
        problems.push({
          where: `log.json, ${e.type}`,
          message: `relies on snapshot ${hash.slice(0, 12)}…, which is not in the zip`,
        });
  for (const h of photoHashes(events))
    if (!blobs[h]) problems.push({ where: "blobs", message: `photo ${h.slice(0, 12)}… is missing` });
  if (problems.length) return { ok: false, problems: problems.slice(0, 20) };
  fold(events, Object.fromEntries(Object.entries(snapshots).map(([hash, s]) => [hash, snapshotOf(s)])));

  const { db } = connection();
  const { inspectPhoto } = await import("./photo");
  const photos = await Promise.all(
    Object.entries(blobs).map(async ([hash, bytes]) => ({ hash, bytes, seen: await inspectPhoto(bytes) })),
  );
  const bad = photos.find((p) => !p.seen);
  if (bad) return fail(`blobs/${bad.hash.slice(0, 12)}…`, "is not a JPEG picture");
  const numbers = await jobNumbers(db);
  const opened = events.find((e) => e.type === "job.opened");
  if (opened?.type === "job.opened" && numbers.some((n) => n.jobId !== head.jobId && n.number === opened.payload.number))
    return fail("log.json, job.opened", `another job already has the number ${opened.payload.number}`);
  const result = await db.transaction().execute(async (trx) => {
    let added = 0;
    for (const p of photos) await saveBlob(trx, { hash: p.hash, mime: "image/jpeg", ...p.seen!, bytes: p.bytes });
    for (const e of events.sort(compareEvents)) {
      if (await findEvent(trx, e.id)) continue;
      await insertEvent(trx, e, nowIso(), added === 0 ? snapshots : {});
      added += 1;
    }
    return { added, repeated: events.length - added };
  });
  announce(String(head.jobId));
  return { ok: true, jobId: String(head.jobId), ...result };
}
