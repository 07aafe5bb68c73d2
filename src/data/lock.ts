import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, resolve } from "node:path";
import BetterSqlite from "better-sqlite3";
import { isBusy } from "./oneWriter";

/** Who writes to a shop's database. */
export interface Holder {
  pid: number;
  /** The port it answers on, or null. */
  port: number | null;
  /** What it is doing: serving, restoring. */
  what: string;
  since: string;
}
export interface Lock {
  /** Shows a sign of life: until when this one was there is told by it. */
  alive(): void;
  release(): void;
}

const lockFile = (db: string) => `${resolve(db)}.lock`;
const holderFile = (db: string) => `${resolve(db)}.holder.json`;

/** Who wrote to a database last, and when it last showed a sign of life; null when nobody is named. */
export function holderOf(db: string): (Holder & { aliveMs: number }) | null {
  try {
    const h = JSON.parse(readFileSync(holderFile(db), "utf8")) as Holder & { aliveMs: number };
    return typeof h.pid === "number" ? h : null;
  } catch {
    return null;
  }
}

/**
 * Takes the right to write to a shop, for as long as this process lives: an exclusive transaction on a small database beside it, which
 * the system ends when the process dies, however it dies. The text file beside it only names the holder.
 * @returns the lock, or who has it
 */
export function takeLock(db: string, who: Omit<Holder, "pid">): { ok: true; lock: Lock } | { ok: false; holder: Holder | null } {
  mkdirSync(dirname(resolve(db)), { recursive: true });
  const raw = new BetterSqlite(lockFile(db));
  try {
    raw.pragma("busy_timeout = 0");
    raw.exec("begin exclusive");
  } catch (e) {
    raw.close();
    if (isBusy(e)) return { ok: false, holder: holderOf(db) };
    throw e;
  }
  const told = { ...who, pid: process.pid };
  const write = () => writeFileSync(holderFile(db), JSON.stringify({ ...told, aliveMs: Date.now() }));
  write();
  return {
    ok: true,
    lock: {
      alive: write,
      release() {
        if (!raw.open) return;
        rmSync(holderFile(db), { force: true });
        raw.exec("rollback");
        raw.close();
      },
    },
  };
}
