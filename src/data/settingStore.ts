import type { Kysely } from "kysely";
import type { Database } from "./schema";

export async function readSetting<T>(db: Kysely<Database>, key: string): Promise<T | null> {
  const r = await db.selectFrom("settings").select("json").where("key", "=", key).executeTakeFirst();
  return r ? (JSON.parse(r.json) as T) : null;
}

export async function writeSetting(db: Kysely<Database>, key: string, value: unknown): Promise<void> {
  const json = JSON.stringify(value);
  await db
    .insertInto("settings")
    .values({ key, json })
    .onConflict((c) => c.column("key").doUpdateSet({ json }))
    .execute();
}
