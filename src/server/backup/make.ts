import { mkdirSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { connection } from "@/data/connection";
import { copyOnline, countsOf, openReadOnly, sync } from "@/data/copy";
import { hashOfFile, type Manifest, manifestOf } from "./verify";

export interface Backup {
  file: string;
  bytes: number;
  events: number;
  lastSeq: number;
  sha256: string;
}

const NAME = /^helvane-\d{8}T\d{6}\d{3}Z(-\d+)?\.sqlite$/;
const PARTIAL = ".partial";

/** Writes a small file whole or not at all. */
export function writeWhole(file: string, text: string): void {
  writeFileSync(file + PARTIAL, text);
  sync(file + PARTIAL);
  renameSync(file + PARTIAL, file);
}

/**
 * Copies the whole shop, photos included, into a folder while it is in use. Written beside, synced, renamed: whatever stands there
 * under a backup's name is whole. None lacks an event acknowledged before it began.
 * @throws Error naming the folder when it cannot be written to
 */
export async function makeBackup(targetDir: string, nowIso: string, kind: Manifest["kind"] = "timed"): Promise<Backup> {
  const dir = resolve(targetDir);
  try {
    mkdirSync(dir, { recursive: true });
  } catch (e) {
    throw new Error(`The folder ${dir} cannot be made: ${(e as Error).message}`);
  }
  const stem = `helvane-${nowIso.replace(/[-:.]/g, "")}`;
  const taken = new Set(readdirSync(dir));
  let name = `${stem}.sqlite`;
  for (let n = 2; taken.has(name) || taken.has(name + PARTIAL); n++) name = `${stem}-${n}.sqlite`;
  const file = join(dir, name);
  const beside = file + PARTIAL;
  try {
    writeFileSync(beside, "", { flag: "wx" });
    await copyOnline(connection().raw, beside);
    const copy = openReadOnly(beside);
    const counts = countsOf(copy);
    copy.close();
    const sha256 = await hashOfFile(beside);
    const { size: bytes } = statSync(beside);
    const said: Manifest = { format: "helvane.backup", version: 1, at: nowIso, kind, bytes, ...counts, sha256, verifiedAt: null };
    // Its manifest first: a backup is never there without the hash it is held against.
    writeWhole(`${file}.json`, JSON.stringify(said, null, 1));
    renameSync(beside, file);
    sync(dir);
    return { file, bytes, events: counts.events, lastSeq: counts.lastSeq, sha256 };
  } catch (e) {
    rmSync(beside, { force: true });
    rmSync(`${file}.json`, { force: true });
    throw new Error(`No backup was made in ${dir}: ${(e as Error).message}`);
  }
}

export interface KeptBackup extends Manifest {
  file: string;
}
/** Backups in a folder, newest first; none where there is no folder. */
export function listBackups(dir: string): KeptBackup[] {
  let names: string[];
  try {
    names = readdirSync(dir);
  } catch {
    return [];
  }
  return names
    .filter((n) => NAME.test(n))
    .flatMap((n) => {
      const file = join(resolve(dir), n);
      const m = manifestOf(file);
      return m ? [{ ...m, file }] : [];
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1));
}
/** Notes beside a backup how reading it back went. */
export function noteVerified(b: KeptBackup, nowIso: string, problems: readonly string[]): void {
  const { file, ...m } = b;
  writeWhole(`${file}.json`, JSON.stringify({ ...m, verifiedAt: problems.length ? null : nowIso, problems }, null, 1));
}
/** Takes a backup away, and what a process that died left half-written. */
export function dropBackup(file: string): void {
  rmSync(file, { force: true });
  rmSync(`${file}.json`, { force: true });
}
export function dropHalves(dir: string): void {
  try {
    for (const n of readdirSync(dir)) if (n.startsWith("helvane-") && n.includes(PARTIAL)) rmSync(join(dir, n), { force: true });
  } catch {
    // No folder, no halves.
  }
}
