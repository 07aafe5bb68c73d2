import { type Kysely, sql } from "kysely";
import type { Panel } from "@/core/panel";
import { type ReferenceRow, readStored } from "./referenceStore";
import type { Database } from "./schema";

type Row = { id: string; hash: string; version: number; json: string };
const toPanel = (r: Row): ReferenceRow<Panel> => ({
  id: r.id,
  hash: r.hash,
  version: r.version,
  data: readStored("panel", r.json) as Panel,
});

export interface CatalogueEntry {
  id: string;
  hash: string;
  code: string;
  names: string[];
}

/** Changes whenever a panel is added, changed or taken away. */
export async function panelsStamp(db: Kysely<Database>): Promise<string> {
  const { rows } = await sql<{ n: number; v: number | null }>`
    select count(*) as n, sum(version) as v from reference where kind = 'panel'`.execute(db);
  return `${rows[0]?.n ?? 0}:${rows[0]?.v ?? 0}`;
}

const catalogues = new WeakMap<Kysely<Database>, { stamp: string; entries: CatalogueEntry[] }>();

/** Code, other names and hash of every panel, read anew only when one has changed. */
export async function catalogueEntries(db: Kysely<Database>): Promise<CatalogueEntry[]> {
  const stamp = await panelsStamp(db);
  const known = catalogues.get(db);
  if (known?.stamp === stamp) return known.entries;
  const { rows } = await sql<{ id: string; hash: string; code: string; names: string | null }>`
    select id, hash, json_extract(json, '$.code') as code, json_extract(json, '$.otherNames') as names
    from reference where kind = 'panel' order by id`.execute(db);
  const entries = rows.map((r) => ({
    id: r.id,
    hash: r.hash,
    code: r.code,
    names: r.names ? (JSON.parse(r.names) as { text: string }[]).map((n) => n.text) : [],
  }));
  catalogues.set(db, { stamp, entries });
  return entries;
}

/** Panels by id, in no order; unknown ids are left out. */
export async function panelsById(db: Kysely<Database>, ids: readonly string[]): Promise<ReferenceRow<Panel>[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .selectFrom("reference")
    .select(["id", "hash", "version", "json"])
    .where("kind", "=", "panel")
    .where("id", "in", ids.slice(0, 500))
    .execute();
  return rows.map(toPanel);
}

/** Panels within `aroundIn` inch of a diagonal, nearest first; `most` at most. */
export async function panelsNearSize(
  db: Kysely<Database>,
  inches: number,
  aroundIn: number,
  most: number,
): Promise<ReferenceRow<Panel>[]> {
  const size = sql<number>`json_extract(json, '$.diagonalIn.value')`;
  const { rows } = await sql<Row>`
    select id, hash, version, json from reference
    where kind = 'panel' and ${size} between ${inches - aroundIn} and ${inches + aroundIn}
    order by abs(${size} - ${inches}), id limit ${most}`.execute(db);
  return rows.map(toPanel);
}

/** All panels in order of id, a slice at a time, for lists and exports. */
export async function panelsAfter(db: Kysely<Database>, after: string, most: number): Promise<ReferenceRow<Panel>[]> {
  const rows = await db
    .selectFrom("reference")
    .select(["id", "hash", "version", "json"])
    .where("kind", "=", "panel")
    .where("id", ">", after)
    .orderBy("id")
    .limit(most)
    .execute();
  return rows.map((r) => ({ id: r.id, hash: r.hash, version: r.version, data: JSON.parse(r.json) as Panel }));
}
