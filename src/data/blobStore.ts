import type { Kysely } from "kysely";
import type { Database } from "./schema";

export interface Blob {
  hash: string;
  mime: string;
  widthPx: number;
  heightPx: number;
  bytes: Uint8Array;
}

/** A picture by the hash of its content; null when it is not here. */
export async function readBlob(db: Kysely<Database>, hash: string): Promise<Blob | null> {
  const r = await db.selectFrom("blobs").selectAll().where("hash", "=", hash).executeTakeFirst();
  return r ? { hash: r.hash, mime: r.mime, widthPx: r.width_px, heightPx: r.height_px, bytes: new Uint8Array(r.bytes) } : null;
}

export async function hasBlob(db: Kysely<Database>, hash: string): Promise<boolean> {
  return (await db.selectFrom("blobs").select("hash").where("hash", "=", hash).executeTakeFirst()) !== undefined;
}

/** Keeps a picture; one that is here already stays as it is. */
export async function saveBlob(db: Kysely<Database>, b: Blob): Promise<void> {
  await db
    .insertInto("blobs")
    .values({ hash: b.hash, mime: b.mime, width_px: b.widthPx, height_px: b.heightPx, bytes: Buffer.from(b.bytes) })
    .onConflict((c) => c.doNothing())
    .execute();
}
