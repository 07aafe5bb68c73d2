import { accessSync, constants, existsSync, statSync } from "node:fs";
import { dirname, resolve } from "node:path";
import { connection, openConnection } from "@/data/connection";
import { migrationsOf } from "@/data/copy";
import { MIGRATION_NAMES } from "@/data/migrations";
import { isBusy } from "@/data/oneWriter";
import { readSetting, writeSetting } from "@/data/settingStore";
import { listBackups } from "./backup/make";
import { backupsHere } from "./backup/place";
import { databaseFile } from "./databaseFile";
import { nowIso } from "./now";

/** Something is wrong with the disk or the database, in words a person can act on. */
export interface Trouble {
  /** HTTP status it is told with. */
  status: number;
  what: "full" | "locked" | "readOnly" | "corrupt" | "io" | "closed";
  words: string;
}

/** What an error of the database means; null for an error that is about something else. */
export function troubleOf(e: unknown): Trouble | null {
  const code = String((e as { code?: unknown } | null)?.code ?? "");
  const said = String((e as Error | null)?.message ?? "");
  const file = resolve(databaseFile());
  if (code.startsWith("SQLITE_FULL") || code === "ENOSPC")
    return {
      status: 507,
      what: "full",
      words: `The disk ${dirname(file)} lies on is full: nothing can be stored. Make room there; what you entered is kept and goes through by itself.`,
    };
  if (isBusy(e))
    return {
      status: 503,
      what: "locked",
      words: `Another program holds the database ${file} locked. Close it; what you entered is kept and goes through by itself.`,
    };
  if (code.startsWith("SQLITE_READONLY") || code === "EROFS" || code === "EACCES")
    return {
      status: 503,
      what: "readOnly",
      words: `The database ${file} can only be read: its file, its folder or its disk is write-protected. Nothing is lost; allow writing to it.`,
    };
  if (code.startsWith("SQLITE_CORRUPT") || code.startsWith("SQLITE_NOTADB"))
    return { status: 500, what: "corrupt", words: `The database ${file} is damaged. ${knownGood()}` };
  if (code.startsWith("SQLITE_IOERR") || code.startsWith("SQLITE_CANTOPEN"))
    return {
      status: 503,
      what: "io",
      words: `The database ${file} cannot be read or written just now (${code}). Look at its disk.`,
    };
  if (/database connection is not open/.test(said))
    return { status: 503, what: "closed", words: "The shop is being put back from a backup. Try again in a moment." };
  return null;
}

/** The newest backup that was read back whole, and how to go back to it. */
export function knownGood(): string {
  const all = listBackups(backupsHere());
  const good = all.find((b) => b.verifiedAt) ?? all[0];
  return good
    ? `Known good: ${good.file}, of ${good.at.slice(0, 16).replace("T", " ")} UTC, ${good.jobs} jobs${good.verifiedAt ? ", read back whole" : ", not read back yet"}. To go back to it: npm run restore -- ${good.file}`
    : `There is no backup in ${backupsHere()}. If one lies elsewhere: npm run restore -- FILE`;
}

/**
 * Says at start what is wrong with the file, before anything is written to it; null when all is well.
 * @param whole what reading it through on another thread said ("ok", or what is damaged); null = it is read here
 * @param tryWriting whether a table is made and dropped, to see that it can be written to
 */
export function startProblem(whole: string | null = null, tryWriting = true): string | null {
  const file = resolve(databaseFile());
  if (!existsSync(file)) {
    const any = listBackups(backupsHere())[0];
    return any && process.env.HELVANE_NEW !== "1"
      ? `The database ${file} is not there, but there are backups of it: it was moved or deleted. ${knownGood()}. To begin an empty shop instead: HELVANE_NEW=1 npm run demo`
      : null;
  }
  if (statSync(file).isDirectory()) return `${file} is a folder, not a database. Set HELVANE_DB to a file.`;
  try {
    accessSync(file, constants.R_OK | constants.W_OK);
    accessSync(dirname(file), constants.W_OK);
    if (statSync(file).size === 0) return null;
    const c = openConnection(file);
    try {
      const newer = migrationsOf(c.raw).filter((m) => !MIGRATION_NAMES.includes(m));
      if (newer.length)
        return `The database ${file} was written by a newer Helvane (it has been through ${newer.join(", ")}). Nothing is damaged. Start that newer version again, or go back to a backup of before: ${knownGood()}`;
      const wrong = whole ?? c.raw.pragma("quick_check(1)", { simple: true });
      if (wrong !== "ok") return `The database ${file} is damaged (${wrong}). ${knownGood()}`;
      if (tryWriting)
        c.raw.exec("begin immediate; create table if not exists helvane_writes (n integer); drop table helvane_writes; commit");
    } finally {
      c.raw.close();
    }
    return null;
  } catch (e) {
    return troubleOf(e)?.words ?? `The database ${file} cannot be opened: ${(e as Error).message}. ${knownGood()}`;
  }
}

const last = globalThis as typeof globalThis & {
  helvaneTrouble?: Trouble | null;
  /** What reading the file through has found; it does not go away by itself, and nothing is written to find out. */
  helvaneDamage?: Trouble | null;
  helvaneTroubleTimer?: NodeJS.Timeout | undefined;
};

/** Writes a row and reads it back: whether the shop can be stored, not only whether a process answers. */
export async function storeProblem(): Promise<Trouble | null> {
  if (last.helvaneDamage) return last.helvaneDamage;
  try {
    const { db } = connection();
    const mark = `${nowIso()} ${Math.random()}`;
    await writeSetting(db, "health", mark);
    return (await readSetting<string>(db, "health")) === mark
      ? null
      : { status: 500, what: "io", words: "What was written to the database does not come back." };
  } catch (e) {
    return troubleOf(e) ?? { status: 500, what: "io", words: `The database cannot be written to: ${(e as Error).message}` };
  }
}

const LOOK_AGAIN_MS = 5000;

/** Notes trouble met while something was stored; it is looked at again every few seconds until a row can be written. */
export function noteTrouble(t: Trouble): void {
  last.helvaneTrouble = t;
  last.helvaneTroubleTimer ??= setInterval(async () => {
    last.helvaneTrouble = await storeProblem();
    if (last.helvaneTrouble) return;
    clearInterval(last.helvaneTroubleTimer);
    last.helvaneTroubleTimer = undefined;
  }, LOOK_AGAIN_MS).unref();
}
/** The trouble the shop is in, as last met; reading a page writes nothing to find out. */
export const troubleNow = (): Trouble | null => last.helvaneTrouble ?? null;

/** Marks the database as damaged, or, after another was put in its place, as sound again. */
export function noteDamage(t: Trouble | null): void {
  last.helvaneDamage = t;
  last.helvaneTrouble = t;
}
