import type { Kysely } from "kysely";
import type { Database } from "./schema";

export interface Session {
  token_hash: string;
  name: string;
  address: string;
  opened_at: string;
  seen_at: string;
  expires_at: string;
}

/** Opens a session, known by the hash of its token only. */
export async function openSession(db: Kysely<Database>, s: Session): Promise<void> {
  await db.insertInto("sessions").values(s).execute();
}
/** A session by the hash of its token; null when there is none. */
export async function sessionOf(db: Kysely<Database>, tokenHash: string): Promise<Session | null> {
  return (await db.selectFrom("sessions").selectAll().where("token_hash", "=", tokenHash).executeTakeFirst()) ?? null;
}
/** Sessions that still hold, the one seen last first. */
export const listSessions = (db: Kysely<Database>, nowIso: string): Promise<Session[]> =>
  db.selectFrom("sessions").selectAll().where("expires_at", ">", nowIso).orderBy("seen_at", "desc").execute();

export async function seeSession(db: Kysely<Database>, tokenHash: string, seenAt: string): Promise<void> {
  await db.updateTable("sessions").set({ seen_at: seenAt }).where("token_hash", "=", tokenHash).execute();
}
/** Ends one session by the beginning of its hash, all of them, or those whose time is over. */
export async function endSession(db: Kysely<Database>, beginning: string): Promise<boolean> {
  const r = await db.deleteFrom("sessions").where("token_hash", "like", `${beginning}%`).executeTakeFirst();
  return r.numDeletedRows > 0n;
}
export async function endAllSessions(db: Kysely<Database>): Promise<void> {
  await db.deleteFrom("sessions").execute();
}
export async function endOldSessions(db: Kysely<Database>, nowIso: string): Promise<void> {
  await db.deleteFrom("sessions").where("expires_at", "<=", nowIso).execute();
}
