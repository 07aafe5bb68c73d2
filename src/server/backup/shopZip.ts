import { createHash, type Hash } from "node:crypto";
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, rmSync, statSync, writeSync } from "node:fs";
import { strFromU8, unzipSync, Zip, ZipDeflate, ZipPassThrough } from "fflate";
import { type JobEvent, parseEvent, placeOf } from "@/core/job";
import { migrate, openConnection } from "@/data/connection";
import { countsOf, openReadOnly, wholeFile } from "@/data/copy";
import type { EventRow } from "@/data/eventStore";
import { contentHash } from "@/data/referenceStore";
import { type ReferenceKind, readRow, snapshotProblem, TABLES } from "@/data/registry";
import type { ShopRead } from "@/wire/backup";
import { inspectPhoto } from "../inspectPhoto";
import { reliesOn } from "../jobZip";
import { isLocked, lockFile, unlockFile } from "./locked";

/** What never leaves: who is let in, the passcode, ports, where copies lie, the address of the calendar. */
const SECRET = new Set(["calendar", "network", "health", "backup", "backupDone"]);

export interface ShopManifest {
  format: "helvane.shop";
  version: 1;
  at: string;
  counts: ShopRead["counts"];
  /** SHA-256 of each part by its name. */
  parts: Record<string, string>;
}

/** Writes a whole shop, from a copy of its database, as one zip of open formats; locked when a passphrase is given. */
export async function writeShop(db: string, to: string, nowIso: string, passphrase: string | null): Promise<ShopManifest> {
  const raw = openReadOnly(db);
  const plain = `${to}.partial`;
  rmSync(plain, { force: true });
  const fd = openSync(plain, "wx");
  const parts: Record<string, string> = {};
  const zip = new Zip((e, chunk) => {
    if (e) throw e;
    writeSync(fd, chunk);
  });
  const begin = (name: string, pack: boolean) => {
    const entry = pack ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
    entry.mtime = new Date("1980-01-02");
    zip.add(entry);
    const hash: Hash = createHash("sha256");
    return {
      put: (bytes: Uint8Array) => {
        hash.update(bytes);
        entry.push(bytes, false);
      },
      end: () => {
        entry.push(new Uint8Array(0), true);
        parts[name] = hash.digest("hex");
      },
    };
  };
  const lines = <T>(name: string, sql: string, of: (row: T) => string): number => {
    const part = begin(name, true);
    let n = 0;
    for (const row of raw.prepare(sql).iterate() as IterableIterator<T>) {
      part.put(Buffer.from(`${of(row)}\n`));
      n += 1;
    }
    part.end();
    return n;
  };
  try {
    const s = JSON.stringify;
    const events = lines<EventRow & { received_at: string }>(
      "events.jsonl",
      "select * from events order by seq",
      (r) =>
        `{"seq":${r.seq},"id":${s(r.id)},"jobId":${s(r.job_id)},"type":${s(r.type)},"v":${r.v},"payload":${r.payload},"who":${s(r.who)},"device":${s(r.device)},"clock":${s(r.clock)},"placed":${s(r.placed)},"seen":${r.seen},"receivedAt":${s(r.received_at)}}`,
    );
    const snapshots = lines<{ hash: string; kind: string; json: string }>(
      "snapshots.jsonl",
      "select distinct hash, kind, json from snapshots order by hash",
      (r) => `{"hash":${s(r.hash)},"kind":${s(r.kind)},"data":${r.json}}`,
    );
    const reference = lines<{ kind: string; id: string; version: number; json: string; updated_at: string }>(
      "reference.jsonl",
      "select kind, id, version, json, updated_at from reference order by kind, id",
      (r) => `{"kind":${s(r.kind)},"id":${s(r.id)},"version":${r.version},"updatedAt":${s(r.updated_at)},"data":${r.json}}`,
    );
    const kept = (raw.prepare("select key, json from settings order by key").all() as { key: string; json: string }[]).filter(
      (r) => !SECRET.has(r.key),
    );
    const settings = begin("settings.jsonl", true);
    for (const r of kept) settings.put(Buffer.from(`{"key":${s(r.key)},"value":${r.json}}\n`));
    settings.end();
    let photos = 0;
    for (const b of raw.prepare("select hash, bytes from blobs order by hash").iterate() as IterableIterator<{
      hash: string;
      bytes: Buffer;
    }>) {
      const part = begin(`blobs/${b.hash}.jpg`, false);
      part.put(b.bytes);
      part.end();
      photos += 1;
    }
    const manifest: ShopManifest = {
      format: "helvane.shop",
      version: 1,
      at: nowIso,
      counts: { jobs: countsOf(raw).jobs, events, snapshots, photos, reference, settings: kept.length },
      parts: { ...parts },
    };
    const told = begin("manifest.json", true);
    told.put(Buffer.from(JSON.stringify(manifest, null, 1)));
    told.end();
    zip.end();
    fsyncSync(fd);
    closeSync(fd);
    if (passphrase) {
      const locked = `${to}.locking`;
      rmSync(locked, { force: true });
      await lockFile(plain, locked, passphrase);
      rmSync(plain);
      renameSync(locked, to);
    } else renameSync(plain, to);
    return manifest;
  } catch (e) {
    for (const f of [plain, `${to}.locking`]) rmSync(f, { force: true });
    throw e;
  } finally {
    raw.close();
  }
}

export type ReadShop = { ok: true; read: ShopRead } | { ok: false; problems: string[] };

const LIMITS = { entries: 200_000, unpackedBytes: 3_000_000_000 };
const MOST_TOLD = 20;

/**
 * Reads a shop's file whole, checks every part against its hash, every event and row against its shape, and lays it down as a database
 * beside the shop's own, where it waits to be taken over. Long work: run it in a process of its own.
 * @param to the database it is laid down as @param live the shop that is here
 */
export async function readShop(file: string, to: string, live: string, passphrase: string | null): Promise<ReadShop> {
  const fail = (...problems: string[]): ReadShop => ({ ok: false, problems });
  if (!existsSync(file)) return fail(`${file}: is not there`);
  let from = file;
  const opened = `${to}.opened`;
  try {
    if (isLocked(file)) {
      if (!passphrase) return fail("It is locked: write the passphrase it was locked with.");
      const un = await unlockFile(file, opened, passphrase);
      if (!un.ok) return fail(un.problem);
      from = opened;
    }
    return await read(from, to, live);
  } catch (e) {
    return fail(`cannot be read: ${(e as Error).message}`);
  } finally {
    rmSync(opened, { force: true });
  }
}

function unpack(file: string): Record<string, Uint8Array> {
  let total = 0;
  let entries = 0;
  return unzipSync(readFileSync(file), {
    filter: (f) => {
      entries += 1;
      total += f.originalSize;
      if (entries > LIMITS.entries) throw new Error(`more than ${LIMITS.entries} entries`);
      if (total > LIMITS.unpackedBytes) throw new Error(`unpacks to more than ${LIMITS.unpackedBytes / 1e9} GB`);
      return true;
    },
  });
}

async function read(file: string, to: string, live: string): Promise<ReadShop> {
  const fail = (...problems: string[]): ReadShop => ({ ok: false, problems });
  let files: Record<string, Uint8Array>;
  try {
    files = unpack(file);
  } catch (e) {
    return fail(`not readable as a zip of ${statSync(file).size} bytes: ${(e as Error).message}`);
  }
  const told = files["manifest.json"];
  if (!told) return fail("manifest.json: is missing");
  const manifest = JSON.parse(strFromU8(told)) as ShopManifest;
  if (manifest.format !== "helvane.shop")
    return fail(`manifest.json: read ${JSON.stringify(manifest.format)}, expected "helvane.shop"`);
  if (manifest.version !== 1) return fail(`manifest.json: version ${manifest.version}, this Helvane reads version 1`);
  const problems: string[] = [];
  for (const [name, hash] of Object.entries(manifest.parts)) {
    const bytes = files[name];
    if (!bytes) problems.push(`${name}: is missing`);
    else if (createHash("sha256").update(bytes).digest("hex") !== hash) problems.push(`${name}: changed since it was written`);
  }
  for (const name of Object.keys(files))
    if (name !== "manifest.json" && !Object.hasOwn(manifest.parts, name))
      problems.push(`${name.slice(0, 100)}: does not belong in it`);
  if (problems.length) return fail(...problems.slice(0, MOST_TOLD));
  const linesOf = <T>(name: string): T[] =>
    strFromU8(files[name] ?? new Uint8Array(0))
      .split("\n")
      .filter(Boolean)
      .map((l) => JSON.parse(l) as T);

  for (const tail of ["", "-wal", "-shm"]) rmSync(to + tail, { force: true });
  const c = openConnection(to);
  try {
    await migrate(c);
    const snaps = new Map<string, { kind: string; json: string }>();
    for (const s of linesOf<{ hash: string; kind: string; data: unknown }>("snapshots.jsonl")) {
      const wrong = contentHash(s.data) !== s.hash ? "its content is not what its hash says" : snapshotProblem(s);
      if (wrong) problems.push(`snapshots.jsonl, ${s.hash.slice(0, 12)}: ${wrong}`);
      snaps.set(s.hash, { kind: s.kind, json: JSON.stringify(s.data) });
    }
    const insert = c.raw.prepare(
      "insert into events values (@seq, @id, @job_id, @type, @v, @payload, @who, @device, @clock, @seen, @received_at, @placed)",
    );
    const snap = c.raw.prepare("insert or ignore into snapshots values (?, ?, ?, ?)");
    c.raw.exec("begin");
    for (const [i, line] of linesOf<Record<string, unknown>>("events.jsonl").entries()) {
      const { seq, receivedAt, ...raw } = line;
      const p = parseEvent(raw);
      if (!p.ok) problems.push(`events.jsonl, line ${i + 1}: ${p.problem}`);
      else {
        const e: JobEvent = p.event;
        insert.run({
          seq,
          id: e.id,
          job_id: e.jobId,
          type: e.type,
          // As it was written: what is kept is never rewritten at another version.
          v: raw.v,
          payload: JSON.stringify(raw.payload),
          who: e.who,
          device: e.device,
          clock: e.clock,
          placed: placeOf(e),
          seen: e.seen,
          received_at: String(receivedAt),
        });
        for (const hash of reliesOn(e)) {
          const s = snaps.get(hash);
          if (s) snap.run(e.jobId, hash, s.kind, s.json);
          else problems.push(`events.jsonl, line ${i + 1}: relies on snapshot ${hash.slice(0, 12)}, which is not in it`);
        }
      }
      if (problems.length >= MOST_TOLD) return fail(...problems);
    }
    const refer = c.raw.prepare("insert into reference values (?, ?, ?, ?, ?, ?)");
    for (const r of linesOf<{ kind: string; id: string; version: number; updatedAt: string; data: unknown }>("reference.jsonl")) {
      if (!Object.hasOwn(TABLES, r.kind)) problems.push(`reference.jsonl: an unknown kind "${r.kind}"`);
      else {
        const row = readRow(r.kind as ReferenceKind, r.data);
        if (!row.ok) problems.push(`reference.jsonl, ${r.kind} ${r.id}: ${row.problem}`);
        else refer.run(r.kind, r.id, contentHash(r.data), r.version, JSON.stringify(r.data), r.updatedAt);
      }
    }
    const set = c.raw.prepare("insert or replace into settings values (?, ?)");
    for (const r of linesOf<{ key: string; value: unknown }>("settings.jsonl"))
      if (!SECRET.has(r.key)) set.run(r.key, JSON.stringify(r.value));
    const blob = c.raw.prepare("insert into blobs values (?, ?, ?, ?, ?)");
    for (const [name, bytes] of Object.entries(files)) {
      const hash = /^blobs\/([0-9a-f]{64})\.jpg$/.exec(name)?.[1];
      if (!hash) continue;
      const size = await inspectPhoto(bytes);
      if (createHash("sha256").update(bytes).digest("hex") !== hash || !size)
        problems.push(`${name}: is not the picture its name says`);
      else blob.run(hash, "image/jpeg", size.widthPx, size.heightPx, Buffer.from(bytes));
    }
    c.raw.exec("commit");
    const got = countsOf(c.raw);
    if (got.events !== manifest.counts.events)
      problems.push(`events.jsonl: ${got.events} events, the manifest says ${manifest.counts.events}`);
    if (problems.length) return fail(...problems.slice(0, MOST_TOLD));
    wholeFile(c.raw);
    return { ok: true, read: { at: manifest.at, counts: manifest.counts, ...against(c.raw, live) } };
  } finally {
    c.raw.close();
  }
}

/** What taking over would do to the shop that is here. */
function against(incoming: ReturnType<typeof openReadOnly>, live: string): Omit<ShopRead, "at" | "counts"> {
  incoming.prepare("attach ? as here").run(live);
  const n = (sql: string) => (incoming.prepare(sql).get() as { n: number }).n;
  const list = (sql: string) => (incoming.prepare(sql).all() as { t: string }[]).map((r) => r.t);
  const same =
    "h.job_id = e.job_id and h.type = e.type and (h.payload = e.payload or exists (select 1 from here.events r where r.job_id = h.job_id and r.type = 'job.redacted')) and h.clock = e.clock and h.device = e.device";
  const out = {
    intoEmpty: n("select count(*) as n from here.events") === 0,
    jobsNew: n("select count(distinct job_id) as n from events where job_id not in (select job_id from here.events)"),
    eventsNew: n("select count(*) as n from events e where not exists (select 1 from here.events h where h.id = e.id)"),
    eventsSame: n(`select count(*) as n from events e join here.events h on h.id = e.id where ${same}`),
    conflicts: [
      ...list(
        `select e.type || ' ' || e.id || ': here with another content' as t from events e join here.events h on h.id = e.id where not (${same}) limit 50`,
      ),
      ...list(`select 'job ' || json_extract(e.payload, '$.number') || ': another job has that number here' as t from events e join here.events h
        on h.type = 'job.opened' and e.type = 'job.opened' and h.job_id <> e.job_id and json_extract(h.payload, '$.number') = json_extract(e.payload, '$.number') limit 50`),
      ...list(
        "select r.kind || ' ' || r.id || ': another content here' as t from reference r join here.reference h on h.kind = r.kind and h.id = r.id and h.hash <> r.hash limit 50",
      ),
    ],
    referenceNew: n(
      "select count(*) as n from reference r where not exists (select 1 from here.reference h where h.kind = r.kind and h.id = r.id)",
    ),
    referenceSame: n(
      "select count(*) as n from reference r join here.reference h on h.kind = r.kind and h.id = r.id and h.hash = r.hash",
    ),
  };
  incoming.exec("detach here");
  return out;
}
