import { copyFileSync, existsSync, linkSync, mkdirSync, renameSync, rmSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { connection, migrate, whileClosed } from "@/data/connection";
import { dropSessions, keepCursor, sync } from "@/data/copy";
import { databaseFile } from "../databaseFile";
import { trustAnother } from "../trust";
import { backupsHere } from "./place";
import type { Verified } from "./verify";
import { verifyBackup } from "./verifyApart";

export type Restored = { ok: true; read: Verified; before: string | null } | { ok: false; problems: string[] };

/**
 * Puts a shop back from a backup: it is read back first, and refused whole when anything in it is wrong. The shop as it is now stays
 * beside the backups. Whatever happens in the middle, the database is the old one or the new one, never a mixture and never none:
 * the new one is written beside it, and one rename puts it in its place. All sessions end.
 */
export async function restoreBackup(from: string, nowIso: string): Promise<Restored> {
  const file = resolve(from);
  const read = await verifyBackup(file);
  if (!read.ok) return { ok: false, problems: read.problems };
  const db = resolve(databaseFile());
  const beside = `${db}.restoring`;
  try {
    mkdirSync(dirname(db), { recursive: true });
    rmSync(beside, { force: true });
    copyFileSync(file, beside);
    dropSessions(beside);
    const before = await whileClosed((oldTop) => {
      keepCursor(beside, oldTop);
      const kept = existsSync(db) ? keepOld(db, nowIso) : null;
      for (const tail of ["-wal", "-shm"]) rmSync(db + tail, { force: true });
      renameSync(beside, db);
      sync(resolve(db, ".."));
      return kept;
    });
    trustAnother();
    await migrate(connection());
    return { ok: true, read, before };
  } catch (e) {
    rmSync(beside, { force: true });
    return { ok: false, problems: [`The shop was not put back, it is as it was: ${(e as Error).message}`] };
  }
}

/** The shop as it was, under another name beside the backups; the file itself is closed and whole. */
function keepOld(db: string, nowIso: string): string {
  mkdirSync(backupsHere(), { recursive: true });
  const stem = `before-restore-${nowIso.replace(/[-:.]/g, "")}`;
  let kept = join(backupsHere(), `${stem}.sqlite`);
  for (let n = 2; existsSync(kept); n++) kept = join(backupsHere(), `${stem}-${n}.sqlite`);
  try {
    linkSync(db, kept);
  } catch {
    copyFileSync(db, kept);
    sync(kept);
  }
  return kept;
}
