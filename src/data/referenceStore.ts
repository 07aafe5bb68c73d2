import { createHash } from "node:crypto";
import type { Kysely } from "kysely";
import { liftRow, type ReferenceKind, type ReferenceOf } from "./registry";
import type { Database } from "./schema";

export interface ReferenceRow<T> {
  id: string;
  hash: string;
  version: number;
  data: T;
}

/** JSON with sorted keys, so that equal content has one hash. */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonicalJson).join(",")}]`;
  if (value && typeof value === "object")
    return `{${Object.keys(value)
      .sort()
      .filter((k) => (value as Record<string, unknown>)[k] !== undefined)
      .map((k) => `${JSON.stringify(k)}:${canonicalJson((value as Record<string, unknown>)[k])}`)
      .join(",")}}`;
  return JSON.stringify(value);
}

/** SHA-256 of the canonical JSON, in hex. */
export const contentHash = (value: unknown): string => createHash("sha256").update(canonicalJson(value)).digest("hex");

/** Parsed data by its text: the same text is the same data, whoever wrote it. Nothing writes to what is handed out. */
const parsed = new Map<string, unknown>();
const MOST_PARSED = 400;

/** Parses a text, at most once while it is remembered. */
export function parsedOnce(json: string): unknown {
  const known = parsed.get(json);
  if (known !== undefined) return known;
  const data = JSON.parse(json) as unknown;
  if (parsed.size >= MOST_PARSED) parsed.delete(parsed.keys().next().value!);
  parsed.set(json, data);
  return data;
}

/** A stored row's data at today's version, parsed at most once while it is remembered. */
export function readStored(kind: string, json: string): unknown {
  const raw = parsedOnce(json);
  const now = liftRow(kind, raw);
  // What had to be lifted is remembered lifted: equal text is equal data, and the same object.
  if (now !== raw) parsed.set(json, now);
  return now;
}

/** All rows of a kind, in order of their ids. */
export async function listReference<K extends ReferenceKind>(
  db: Kysely<Database>,
  kind: K,
): Promise<ReferenceRow<ReferenceOf<K>>[]> {
  const rows = await db
    .selectFrom("reference")
    .select(["id", "hash", "version", "json"])
    .where("kind", "=", kind)
    .orderBy("id")
    .execute();
  return rows.map((r) => ({ id: r.id, hash: r.hash, version: r.version, data: readStored(kind, r.json) as ReferenceOf<K> }));
}

/** Reference data as it lies here, kind and text: a snapshot keeps the very text its hash is of. */
export interface Stored {
  kind: string;
  json: string;
}

/** Reference data by content hash; null when nothing current has it. */
export async function referenceByHash(db: Kysely<Database>, hash: string): Promise<Stored | null> {
  const r = await db.selectFrom("reference").select(["kind", "json"]).where("hash", "=", hash).executeTakeFirst();
  return r ?? null;
}

export type SaveResult = { ok: true; version: number; hash: string } | { ok: false; current: number };

/**
 * Saves reference data under its row version: a stale write is refused.
 * @param expected the version the writer had read; 0 for new; null to replace whatever is there (seeding only)
 */
export async function saveReference(
  db: Kysely<Database>,
  kind: ReferenceKind,
  id: string,
  data: unknown,
  expected: number | null,
  nowIso: string,
): Promise<SaveResult> {
  const row = await db.selectFrom("reference").select("version").where("kind", "=", kind).where("id", "=", id).executeTakeFirst();
  const current = row?.version ?? 0;
  if (expected !== null && expected !== current) return { ok: false, current };
  const hash = contentHash(data);
  const values = { hash, version: current + 1, json: JSON.stringify(data), updated_at: nowIso };
  if (row) await db.updateTable("reference").set(values).where("kind", "=", kind).where("id", "=", id).execute();
  else
    await db
      .insertInto("reference")
      .values({ kind, id, ...values })
      .execute();
  return { ok: true, version: current + 1, hash };
}

/** Puts rows in place of what is there, whatever its version: for what comes from outside as a whole. */
export async function replaceRows<K extends ReferenceKind>(
  db: Kysely<Database>,
  kind: K,
  rows: readonly { id: string; data: ReferenceOf<K> }[],
  nowIso: string,
): Promise<void> {
  await db.transaction().execute(async (trx) => {
    for (const { id, data } of rows) {
      const json = JSON.stringify(data);
      await trx
        .insertInto("reference")
        .values({ kind, id, hash: contentHash(data), version: 1, json, updated_at: nowIso })
        .onConflict((c) =>
          c
            .columns(["kind", "id"])
            .doUpdateSet(({ eb, ref }) => ({ json, updated_at: nowIso, version: eb(ref("reference.version"), "+", 1) })),
        )
        .execute();
    }
  });
}

/** Kinds of which there is at least one row. */
export const listKinds = (db: Kysely<Database>): Promise<{ kind: string }[]> =>
  db.selectFrom("reference").select("kind").distinct().execute();
