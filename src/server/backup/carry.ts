import { mkdirSync, readdirSync, rmSync, statSync } from "node:fs";
import { join, resolve } from "node:path";
import { connection } from "@/data/connection";
import { jobsToMerge, mergeJob, mergeReference } from "@/data/mergeShop";
import type { ShopFile, ShopRead } from "@/wire/backup";
import { apart } from "../apart";
import { databaseFile } from "../databaseFile";
import { renewCards } from "../jobList";
import { announce } from "../live";
import { nowIso } from "../now";
import { makeBackup } from "./make";
import { backupsHere } from "./place";
import { restoreBackup } from "./restore";
import { readBackupSetting } from "./schedule";
import type { ReadShop, ShopManifest } from "./shopZip";

const MOST_MS = 20 * 60_000;
const MEMORY_MB = 4096;
const NAME = /^helvane-shop-[0-9A-Za-z-]+\.zip$/;
const incoming = () => `${resolve(databaseFile())}.incoming`;

/** Folders a shop's file may lie in: those of the backups. No other path is taken from outside. */
async function folders(): Promise<string[]> {
  const { elsewhere } = await readBackupSetting();
  return [backupsHere(), ...(elsewhere ? [elsewhere] : [])];
}
/** Files that hold a whole shop, in the folders of the backups; newest first. */
export async function shopFiles(): Promise<ShopFile[]> {
  const list: ShopFile[] = [];
  for (const dir of await folders()) {
    let names: string[];
    try {
      names = readdirSync(dir);
    } catch {
      continue;
    }
    for (const name of names)
      if (NAME.test(name)) list.push({ file: join(resolve(dir), name), name, bytes: statSync(join(dir, name)).size });
  }
  return list.sort((a, b) => (a.name < b.name ? 1 : -1));
}
export const knownShopFile = async (file: string): Promise<string | null> =>
  (await shopFiles()).find((f) => f.file === file)?.file ?? null;

export type Exported = { ok: true; file: string; counts: ShopManifest["counts"] } | { ok: false; problem: string };
/** Writes the whole shop as one file beside the backups, from a copy, so that the bench goes on meanwhile. */
export async function exportShop(passphrase: string | null, dir = backupsHere()): Promise<Exported> {
  const at = nowIso();
  mkdirSync(dir, { recursive: true });
  const scratch = join(dir, `.exporting-${process.pid}`);
  try {
    const copy = await makeBackup(scratch, at);
    const to = join(resolve(dir), `helvane-shop-${at.slice(0, 19).replace(/[:]/g, "")}.zip`);
    const done = await apart<{ ok: true; manifest: ShopManifest } | { ok: false; problem: string }>(
      "writeShop",
      { db: copy.file, to, nowIso: at, passphrase },
      { mostMs: MOST_MS, memoryMb: MEMORY_MB },
    );
    if (!done.ok) return { ok: false, problem: done.problem };
    return done.answer.ok
      ? { ok: true, file: to, counts: done.answer.manifest.counts }
      : { ok: false, problem: done.answer.problem };
  } catch (e) {
    return { ok: false, problem: (e as Error).message };
  } finally {
    rmSync(scratch, { recursive: true, force: true });
  }
}

/** Reads a shop's file whole and says what taking it over would do. Nothing here changes. */
export async function lookIntoShop(file: string, passphrase: string | null): Promise<ReadShop> {
  const done = await apart<ReadShop>(
    "readShop",
    { file, to: incoming(), live: resolve(databaseFile()), passphrase },
    { mostMs: MOST_MS, memoryMb: MEMORY_MB },
  );
  return done.ok ? done.answer : { ok: false, problems: [done.problem] };
}

export type Taken = { ok: true; read: ShopRead; jobs: number; events: number } | { ok: false; problems: string[] };
/**
 * Takes a shop's file over. Into a shop where nothing is recorded: exactly as it was. Into a used one: job by job, events by their ids,
 * so that doing it twice is doing it once; what is here already stays, and conflicts are named.
 */
export async function takeShop(file: string, passphrase: string | null): Promise<Taken> {
  const looked = await lookIntoShop(file, passphrase);
  if (!looked.ok) return looked;
  const { read } = looked;
  try {
    if (read.intoEmpty) {
      const back = await restoreBackup(incoming(), nowIso());
      return back.ok ? { ok: true, read, jobs: back.read.jobs, events: back.read.events } : back;
    }
    await makeBackup(backupsHere(), nowIso());
    let jobs = 0;
    let events = 0;
    for (const jobId of jobsToMerge(incoming(), connection().raw)) {
      const n = await connection()
        .db.connection()
        .execute(async () => mergeJob(connection(), incoming(), jobId));
      if (n) jobs += 1;
      events += n;
      announce(jobId);
      await new Promise((next) => setImmediate(next));
    }
    await connection()
      .db.connection()
      .execute(async () => mergeReference(connection(), incoming()));
    void renewCards();
    return { ok: true, read, jobs, events };
  } finally {
    for (const tail of ["", "-wal", "-shm"]) rmSync(incoming() + tail, { force: true });
  }
}
