import { createHash } from "node:crypto";
import type { Kysely } from "kysely";
import type { Snapshot } from "@/core/job";
import type { Database } from "./schema";

export type ReferenceKind = "build" | "panel" | "triage" | "policy" | "machine" | "offer" | "quote" | "seller" | "tools";

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

export async function listReference<T>(db: Kysely<Database>, kind: ReferenceKind): Promise<ReferenceRow<T>[]> {
  const rows = await db
    .selectFrom("reference")
    .select(["id", "hash", "version", "json"])
    .where("kind", "=", kind)
    .orderBy("id")
    .execute();
  return rows.map((r) => ({ id: r.id, hash: r.hash, version: r.version, data: parsedOnce(r.json) as T }));
}

/** Reference data by content hash, as a snapshot; null when nothing current has it. */
export async function referenceByHash(db: Kysely<Database>, hash: string): Promise<Snapshot | null> {
  const r = await db.selectFrom("reference").select(["kind", "json"]).where("hash", "=", hash).executeTakeFirst();
  return r ? ({ kind: r.kind, data: JSON.parse(r.json) } as Snapshot) : null;
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
