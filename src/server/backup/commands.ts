import { accessSync, constants, mkdirSync, statSync } from "node:fs";
import { isAbsolute, resolve } from "node:path";
import type { BackupLine } from "@/wire/backup";
import { databaseFile } from "../databaseFile";
import { backupsHere } from "./place";
import { allBackups, type BackupSetting, readBackupSetting, saveBackupSetting } from "./schedule";

/** Backups as Settings shows them, newest first. */
export async function backupLines(): Promise<BackupLine[]> {
  return (await allBackups()).map((b) => ({
    file: b.file,
    at: b.at,
    bytes: b.bytes,
    jobs: b.jobs,
    events: b.events,
    photos: b.photos,
    verifiedAt: b.verifiedAt,
    problem: b.problems?.[0] ?? null,
    beforeMigration: b.kind === "beforeMigration",
  }));
}

/** Whether a folder lies on the disk of the database: then it is no help when that disk dies. */
export function sameDisk(dir: string): boolean {
  return statSync(dir).dev === statSync(resolve(databaseFile(), "..")).dev;
}

export type SettingKept = { ok: true; caution: string | null } | { ok: false; problem: string };
/** Keeps where copies go. The folder is tried first: one that cannot be written to is refused. */
export async function keepBackupSetting(next: Omit<BackupSetting, "keep">): Promise<SettingKept> {
  let caution: string | null = null;
  if (next.elsewhere) {
    if (!isAbsolute(next.elsewhere))
      return { ok: false, problem: `"${next.elsewhere}": write the whole path of the folder, from the root.` };
    if (resolve(next.elsewhere) === backupsHere())
      return { ok: false, problem: "That is the folder beside the database: copies lie there already." };
    try {
      mkdirSync(next.elsewhere, { recursive: true });
      accessSync(next.elsewhere, constants.W_OK);
    } catch (e) {
      return { ok: false, problem: `The folder ${next.elsewhere} cannot be written to: ${(e as Error).message}` };
    }
    if (sameDisk(next.elsewhere)) caution = "That folder lies on the disk of the database: when the disk dies, both are gone.";
  }
  await saveBackupSetting({ ...(await readBackupSetting()), ...next });
  return { ok: true, caution };
}

/** A backup by the path Settings lists it under: no other path is taken from outside. */
export async function knownBackup(file: string): Promise<string | null> {
  return (await allBackups()).find((b) => b.file === file)?.file ?? null;
}
