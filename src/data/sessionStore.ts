import type { Kysely } from "kysely";
import type { Database } from "./schema";

/** Opens a session, known by the hash of its token only. */
export async function openSession(db: Kysely<Database>, tokenHash: string, expiresAt: string): Promise<void> {
  await db.insertInto("sessions").values({ token_hash: tokenHash, expires_at: expiresAt }).execute();
}
/** When a session ends, ISO; null when there is none. */
export async function sessionEnd(db: Kysely<Database>, tokenHash: string): Promise<string | null> {
  const r = await db.selectFrom("sessions").select("expires_at").where("token_hash", "=", tokenHash).executeTakeFirst();
  return r?.expires_at ?? null;
}
export async function endAllSessions(db: Kysely<Database>): Promise<void> {
  await db.deleteFrom("sessions").execute();
}
