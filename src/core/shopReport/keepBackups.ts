/** A backup as the rotation sees it. */
export interface BackupFile {
  /** When it was made, ISO with a time zone. */
  at: string;
  /** `verified`: read back and found whole; `beforeMigration`: of the moment before the database's shape changed. */
  kind: "timed" | "beforeMigration" | "verified";
  /** Its size, where a limit on the size of all counts. */
  bytes?: number;
}
/** How many hours, days, weeks and months that have a backup keep their newest one; bytes all of them may take together. */
export interface KeepRule {
  hourly: number;
  daily: number;
  weekly: number;
  monthly: number;
  maxBytes?: number;
}
/** 24 hours, 14 days, 8 weeks, 12 months (adj). */
export const KEEP_BACKUPS: KeepRule = { hourly: 24, daily: 14, weekly: 8, monthly: 12 };

const HOUR_MS = 3_600_000;
/** Weeks begin on Monday; 1 January 1970 was a Thursday. */
const PERIODS: readonly (readonly [keyof Omit<KeepRule, "maxBytes">, (ms: number) => number])[] = [
  ["monthly", (ms) => new Date(ms).getUTCFullYear() * 12 + new Date(ms).getUTCMonth()],
  ["weekly", (ms) => Math.floor((ms / HOUR_MS / 24 + 3) / 7)],
  ["daily", (ms) => Math.floor(ms / HOUR_MS / 24)],
  ["hourly", (ms) => Math.floor(ms / HOUR_MS)],
];

/**
 * Which backups stay and which may go. The newest of each of the last hours, days, weeks and months (UTC) that have one stays, and so
 * does one before each migration. Over the size limit the least go first: those only an hour keeps, then a day, a week, a month, then
 * those before migrations, oldest first. The newest backup and the newest verified one never go.
 * @param nowIso the time now; what is dated after it counts as made now
 * @throws RangeError for a time that cannot be read
 * @example keepBackups([{ at: "2026-06-01T08:00:00Z", kind: "timed" }], "2026-06-02T08:00:00Z", KEEP_BACKUPS).drop // []
 */
export function keepBackups<F extends BackupFile>(files: readonly F[], nowIso: string, rule: KeepRule): { keep: F[]; drop: F[] } {
  const read = (iso: string) => {
    const ms = Date.parse(iso);
    if (Number.isNaN(ms)) throw new RangeError(`"${iso}" is no time`);
    return ms;
  };
  const now = read(nowIso);
  const list = files.map((f) => ({ f, real: read(f.at), ms: Math.min(now, read(f.at)) })).sort((a, b) => b.real - a.real);
  /** What each is worth: 0 for none, more for a longer period; the last two never go. */
  const worth = new Map<F, number>();
  const put = (f: F, w: number) => void worth.set(f, Math.max(w, worth.get(f) ?? 0));
  PERIODS.forEach(([name, period], i) => {
    const seen = new Set<number>();
    for (const { f, ms } of list) {
      const p = period(ms);
      if (seen.has(p)) continue;
      if (seen.size >= rule[name]) break;
      seen.add(p);
      put(f, PERIODS.length - i);
    }
  });
  for (const { f } of list) if (f.kind === "beforeMigration") put(f, PERIODS.length + 1);
  const never = new Set([list[0]?.f, list.find(({ f }) => f.kind === "verified")?.f]);
  for (const f of never) if (f) put(f, PERIODS.length + 2);
  const kept = list.filter(({ f }) => worth.has(f)).map(({ f }) => f);
  let size = kept.reduce((s, f) => s + (f.bytes ?? 0), 0);
  const gone = new Set<F>();
  if (rule.maxBytes !== undefined) {
    const leastFirst = [...kept].reverse().sort((a, b) => worth.get(a)! - worth.get(b)!);
    for (const f of leastFirst) {
      if (size <= rule.maxBytes) break;
      if (never.has(f)) continue;
      gone.add(f);
      size -= f.bytes ?? 0;
    }
  }
  const stays = (f: F) => worth.has(f) && !gone.has(f);
  return { keep: files.filter(stays), drop: files.filter((f) => !stays(f)) };
}
