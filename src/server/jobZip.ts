import { createHash } from "node:crypto";
import { strFromU8, unzipSync } from "fflate";
import { fold, type JobEvent, msOf, parseEvent, photoOf, placeOf, ruleOf } from "@/core/job";
import { snapshotOf } from "@/data/eventStore";
import { contentHash, type Stored } from "@/data/referenceStore";
import { snapshotProblem } from "@/data/registry";
import { inspectPhoto } from "./inspectPhoto";

export type Problem = { where: string; message: string };
/** An exported job, read and found sound. */
export interface JobZip {
  jobId: string;
  /** In the order they were written. */
  events: JobEvent[];
  snapshots: Record<string, Stored>;
  photos: { hash: string; bytes: Uint8Array; widthPx: number; heightPx: number }[];
}
export type ReadJobZip = { ok: true; job: JobZip } | { ok: false; problems: Problem[] };

/** What an import may have at most. A year of one bench has jobs of a few hundred events and some dozens of photos. */
export const IMPORT_LIMITS = {
  entries: 3000,
  unpackedBytes: 120_000_000,
  ratio: 300,
  jsonBytes: 30_000_000,
  depth: 64,
  events: 20_000,
};
/** Problems told at once; nobody reads more. */
const MOST_TOLD = 20;
/** How far a clock may be ahead of this server's before it is no time at all. */
const AHEAD_MS = 24 * 3_600_000;

/** How deep brackets go, outside of texts; stops counting where it is too deep. */
function depthOf(text: string, most: number): number {
  let depth = 0;
  let deepest = 0;
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (c === '"') {
      for (i += 1; i < text.length && text[i] !== '"'; i++) if (text[i] === "\\") i += 1;
    } else if (c === "[" || c === "{") {
      depth += 1;
      if (depth > deepest) deepest = depth;
      if (deepest > most) return deepest;
    } else if (c === "]" || c === "}") depth -= 1;
  }
  return deepest;
}

/** Unpacks within the limits, or says what is beyond them. */
function unpack(zip: Uint8Array): { ok: true; files: Record<string, Uint8Array> } | { ok: false; message: string } {
  let total = 0;
  let entries = 0;
  const names = new Set<string>();
  const no = (why: string): never => {
    throw new Error(why);
  };
  try {
    const files = unzipSync(zip, {
      filter: (f) => {
        entries += 1;
        total += f.originalSize;
        if (entries > IMPORT_LIMITS.entries) no(`has more than ${IMPORT_LIMITS.entries} entries`);
        if (total > IMPORT_LIMITS.unpackedBytes) no(`unpacks to more than ${IMPORT_LIMITS.unpackedBytes / 1e6} MB`);
        if (f.originalSize > IMPORT_LIMITS.ratio * Math.max(f.size, 200))
          no(`"${f.name.slice(0, 80)}" unpacks to more than ${IMPORT_LIMITS.ratio} times its size`);
        if (names.has(f.name)) no(`has "${f.name.slice(0, 80)}" twice`);
        names.add(f.name);
        return true;
      },
    });
    return { ok: true, files };
  } catch (e) {
    return { ok: false, message: `not readable as a zip: ${(e as Error).message}` };
  }
}

/** Hashes of the reference data an event relies on, as its rule names them. */
export const reliesOn = (e: JobEvent): string[] =>
  Object.keys(ruleOf(e.type).relies ?? {}).flatMap((field) => {
    const hash = (e.payload as Record<string, unknown>)[field];
    return typeof hash === "string" ? [hash] : [];
  });

/**
 * Reads an exported job, whatever it holds: within limits on entries, sizes, ratio and depth, every event validated, every content
 * held against the hash it goes by, and the whole folded once.
 * @param nowMs this server's time: a clock far ahead of it is no time
 * @returns the job, or what is wrong and where, twenty problems at most; never throws
 */
export async function readJobZip(zip: Uint8Array, nowMs: number): Promise<ReadJobZip> {
  const fail = (where: string, message: string): ReadJobZip => ({ ok: false, problems: [{ where, message }] });
  const unpacked = unpack(zip);
  if (!unpacked.ok) return fail("file", unpacked.message);
  const { files } = unpacked;
  const json = (name: string): { ok: true; value: unknown } | { ok: false; problem: ReadJobZip } => {
    const f = files[name];
    if (!f) return { ok: false, problem: fail(name, "is missing from the zip") };
    if (f.length > IMPORT_LIMITS.jsonBytes)
      return {
        ok: false,
        problem: fail(name, `is ${Math.round(f.length / 1e6)} MB, ${IMPORT_LIMITS.jsonBytes / 1e6} MB at most are read`),
      };
    try {
      const text = strFromU8(f);
      if (depthOf(text, IMPORT_LIMITS.depth) > IMPORT_LIMITS.depth)
        return { ok: false, problem: fail(name, `is nested more than ${IMPORT_LIMITS.depth} deep`) };
      return { ok: true, value: JSON.parse(text) };
    } catch (e) {
      return { ok: false, problem: fail(name, `not readable as JSON: ${(e as Error).message.slice(0, 200)}`) };
    }
  };
  const manifest = json("manifest.json");
  if (!manifest.ok) return manifest.problem;
  const head = manifest.value as { format?: unknown; version?: unknown; jobId?: unknown } | null;
  if (head?.format !== "helvane.job")
    return fail(
      "manifest.json, format",
      `read ${JSON.stringify(head?.format)?.slice(0, 80) ?? "nothing"}, expected "helvane.job"`,
    );
  if (head.version !== 1)
    return fail("manifest.json, version", `read ${JSON.stringify(head.version)?.slice(0, 80)}, this Helvane reads version 1`);
  const log = json("log.json");
  if (!log.ok) return log.problem;
  if (!Array.isArray(log.value) || log.value.length === 0) return fail("log.json", "expected a list with at least one event");
  if (log.value.length > IMPORT_LIMITS.events)
    return fail("log.json", `has ${log.value.length} events, ${IMPORT_LIMITS.events} at most are read`);

  const events: JobEvent[] = [];
  const problems: Problem[] = [];
  const seen = new Set<string>();
  for (const [i, raw] of log.value.entries()) {
    const where = `log.json, event ${i + 1}`;
    const p = parseEvent(raw);
    if (!p.ok) problems.push({ where, message: p.problem.slice(0, 300) });
    else if (p.event.jobId !== head.jobId) problems.push({ where, message: "belongs to another job than the manifest names" });
    else if (seen.has(p.event.id)) problems.push({ where, message: `the id ${p.event.id} stands there twice` });
    else if (msOf(placeOf(p.event)) > nowMs + AHEAD_MS)
      problems.push({
        where,
        message: `stands ${Math.round((msOf(placeOf(p.event)) - nowMs) / AHEAD_MS)} days ahead of now: such a clock would come before everything done here`,
      });
    else {
      seen.add(p.event.id);
      events.push(p.event);
    }
    if (problems.length >= MOST_TOLD) return { ok: false, problems };
  }
  if (problems.length === 0 && !events.some((e) => e.type === "job.opened"))
    problems.push({ where: "log.json", message: "the job is never opened: a log begins with job.opened" });
  const snapshots: Record<string, Stored> = {};
  const blobs: Record<string, Uint8Array> = {};
  for (const name of Object.keys(files)) {
    const snap = /^snapshots\/([0-9a-f]{64})\.json$/.exec(name);
    const blob = /^blobs\/([0-9a-f]{64})\.jpg$/.exec(name);
    if (snap) {
      const r = json(name);
      if (!r.ok) return r.problem;
      const s = r.value as { kind: string; data: unknown } | null;
      if (typeof s !== "object" || s === null || contentHash(s.data) !== snap[1])
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
    } else if (!["manifest.json", "log.json", "report.json"].includes(name) && !name.endsWith("/"))
      problems.push({ where: name.slice(0, 120), message: "does not belong in an exported job" });
    if (problems.length >= MOST_TOLD) return { ok: false, problems };
  }
  for (const e of events)
    for (const hash of reliesOn(e))
      if (!snapshots[hash])
        problems.push({
          where: `log.json, ${e.type}`,
          message: `relies on snapshot ${hash.slice(0, 12)}…, which is not in the zip`,
        });
  for (const e of events) {
    const h = photoOf(e)?.hash;
    if (h && !blobs[h]) problems.push({ where: "blobs", message: `photo ${h.slice(0, 12)}… is missing` });
  }
  if (problems.length) return { ok: false, problems: problems.slice(0, MOST_TOLD) };
  fold(events, Object.fromEntries(Object.entries(snapshots).map(([hash, s]) => [hash, snapshotOf(s)])));
  const photos: JobZip["photos"] = [];
  for (const [hash, bytes] of Object.entries(blobs)) {
    const size = await inspectPhoto(bytes);
    if (!size) return fail(`blobs/${hash.slice(0, 12)}…`, "is not a JPEG picture");
    photos.push({ hash, bytes, ...size });
  }
  return { ok: true, job: { jobId: String(head.jobId), events, snapshots, photos } };
}
