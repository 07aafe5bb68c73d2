import { KEEP_BACKUPS, type KeepRule, keepBackups } from "@/core/shopReport";
import { connection } from "@/data/connection";
import { shopCursor } from "@/data/eventStore";
import { readSetting, writeSetting } from "@/data/settingStore";
import { databaseFile } from "../databaseFile";
import { nowIso, nowMs } from "../now";
import { isTrusted } from "../trust";
import { canDrill, DRILL_DAYS, drill, readDrill } from "./drill";
import { type Backup, dropBackup, dropHalves, type KeptBackup, listBackups, makeBackup, noteVerified } from "./make";
import { backupsHere } from "./place";
import type { Manifest } from "./verify";
import { verifyBackup } from "./verifyApart";

export interface BackupSetting {
  /** A folder on another disk or machine, or null. */
  elsewhere: string | null;
  /** Minutes between backups while acts come. */
  everyMin: number;
  /** Days after which the bench says that the last good copy off this machine is old. */
  warnDays: number;
  keep: KeepRule;
}
export const BACKUP_SETTING: BackupSetting = { elsewhere: null, everyMin: 60, warnDays: 3, keep: KEEP_BACKUPS };
const KEY = "backup";
const DONE = "backupDone";

/** How the last backup went. */
export interface BackupDone {
  at: string;
  ok: boolean;
  /** What went wrong, in words. */
  problem: string | null;
  file: string | null;
  events: number;
  jobs: number;
  lastSeq: number;
  /** Newest good copy beside the database, and elsewhere. */
  goodHere: string | null;
  goodElsewhere: string | null;
}

export const readBackupSetting = async (): Promise<BackupSetting> => ({
  ...BACKUP_SETTING,
  ...((await readSetting<Partial<BackupSetting>>(connection().db, KEY)) ?? {}),
});
export const saveBackupSetting = (s: BackupSetting): Promise<void> => writeSetting(connection().db, KEY, s);
export const readBackupDone = (): Promise<BackupDone | null> => readSetting<BackupDone>(connection().db, DONE);

/** Backups that can be gone back to, newest first, wherever they lie. */
export async function allBackups(): Promise<KeptBackup[]> {
  const { elsewhere } = await readBackupSetting();
  return [...listBackups(backupsHere()), ...(elsewhere ? listBackups(elsewhere) : [])].sort((a, b) => (a.at < b.at ? 1 : -1));
}

function rotate(dir: string, rule: KeepRule): void {
  dropHalves(dir);
  const files = listBackups(dir).map((b) => ({
    at: b.at,
    kind: b.verifiedAt ? ("verified" as const) : b.kind,
    bytes: b.bytes,
    // A verified one of before a migration is that as well.
    stays: b.kind === "beforeMigration",
    file: b.file,
  }));
  for (const f of keepBackups(files, nowIso(), rule).drop) if (!f.stays) dropBackup(f.file);
}

const one = globalThis as typeof globalThis & { helvaneBackup?: Promise<BackupDone> | null; helvaneBackupTimer?: NodeJS.Timeout };

/**
 * Makes a backup in every folder, reads it back, lets old ones go and notes how it went. One at a time: who asks meanwhile gets the
 * one that runs.
 */
export function backUp(kind: Manifest["kind"] = "timed"): Promise<BackupDone> {
  one.helvaneBackup ??= run(kind).finally(() => {
    one.helvaneBackup = null;
  });
  return one.helvaneBackup;
}

async function run(kind: Manifest["kind"]): Promise<BackupDone> {
  const set = await readBackupSetting();
  const before = await readBackupDone();
  const problems: string[] = [];
  const good = { here: before?.goodHere ?? null, elsewhere: before?.goodElsewhere ?? null };
  let last: (Backup & { jobs: number }) | null = null;
  for (const [dir, where] of [
    [backupsHere(), "here"],
    [set.elsewhere, "elsewhere"],
  ] as const) {
    if (!dir) continue;
    try {
      const at = nowIso();
      const made = await makeBackup(dir, at, kind);
      const read = await verifyBackup(made.file, where === "here" ? databaseFile() : null);
      const kept = listBackups(dir).find((b) => b.file === made.file);
      if (kept) noteVerified(kept, at, read.problems);
      if (read.ok) good[where] = at;
      else problems.push(`${made.file}: ${read.problems[0]}`);
      last ??= { ...made, jobs: read.jobs };
      rotate(dir, set.keep);
    } catch (e) {
      problems.push((e as Error).message);
    }
  }
  const done: BackupDone = {
    at: nowIso(),
    ok: problems.length === 0,
    problem: problems[0] ?? null,
    file: last?.file ?? null,
    events: last?.events ?? 0,
    jobs: last?.jobs ?? 0,
    lastSeq: last?.lastSeq ?? 0,
    goodHere: good.here,
    goodElsewhere: good.elsewhere,
  };
  await writeSetting(connection().db, DONE, done).catch(() => undefined);
  return done;
}

/** Backs up by the hour as long as acts come; begins when the server starts. */
export function startSchedule(): void {
  if (one.helvaneBackupTimer || process.env.HELVANE_BACKUP_SCHEDULE === "off") return;
  const tick = async () => {
    if (!isTrusted()) return;
    const [set, done, cursor] = await Promise.all([readBackupSetting(), readBackupDone(), shopCursor(connection().db)]);
    const old = !done || nowMs() - Date.parse(done.at) >= set.everyMin * 60_000;
    if (old && cursor > 0 && (!done?.ok || cursor > done.lastSeq)) await backUp();
    const [newest, last] = [listBackups(backupsHere()).find((b) => b.verifiedAt), await readDrill()];
    if (newest && canDrill() && (!last || nowMs() - Date.parse(last.at) >= DRILL_DAYS * 86_400_000)) await drill(newest.file);
  };
  one.helvaneBackupTimer = setInterval(() => void tick().catch((e) => console.error("no backup:", (e as Error).message)), 60_000);
  one.helvaneBackupTimer.unref();
}

/** A copy before something large is taken in: whatever it turns out to be, there is a way back. */
export async function copyFirst(): Promise<void> {
  if (process.env.HELVANE_BACKUP_SCHEDULE === "off") return;
  await makeBackup(backupsHere(), nowIso());
}

/** What the bench says of backups: null while all is well. */
export async function backupCaution(): Promise<string | null> {
  const [set, done, tried] = await Promise.all([readBackupSetting(), readBackupDone(), readDrill()]);
  if (done && !done.ok) return `The last backup is not good: ${done.problem}`;
  if (tried && !tried.ok) return `The shop did not start from its copy ${tried.file}: ${tried.problem}`;
  if (!set.elsewhere) return "No copy off this machine yet: give a folder on another disk.";
  const days = done?.goodElsewhere ? Math.floor((nowMs() - Date.parse(done.goodElsewhere)) / 86_400_000) : null;
  if (days === null) return "No copy in the second folder yet.";
  return days >= set.warnDays ? `Last copy off this machine: ${days} days ago.` : null;
}
