import { type Kysely, sql } from "kysely";
import type { Database, ImportState, RowOutcome } from "./schema";

export interface StagedRow {
  row: number;
  code: string;
  outcome: RowOutcome;
  /** What would change, or what is wrong, in words. */
  says: string[];
}
export interface StagedPanel {
  id: string;
  /** Version of the record the merge started from; 0 for a panel not known before. */
  expected: number;
  hash: string;
  json: string;
}
export interface ImportRecord {
  id: string;
  name: string;
  state: ImportState;
  rows: number;
  /** How much of the file is read, 0 to 1. */
  part: number;
  notes: string[];
  counts: Partial<Record<RowOutcome, number>>;
}

export async function openImport(db: Kysely<Database>, id: string, name: string, nowIso: string): Promise<void> {
  await db
    .insertInto("imports")
    .values({ id, name, state: "reading", rows: 0, part: 0, notes: "[]", created_at: nowIso })
    .execute();
}

/** Stages one slice of rows with the panels they make, in one short transaction. */
export async function stageSlice(
  db: Kysely<Database>,
  id: string,
  rows: readonly StagedRow[],
  panels: readonly StagedPanel[],
  part: number,
): Promise<void> {
  await db.transaction().execute(async (trx) => {
    if (rows.length)
      await trx
        .insertInto("import_rows")
        .values(rows.map((r) => ({ import_id: id, row: r.row, code: r.code, outcome: r.outcome, says: JSON.stringify(r.says) })))
        .execute();
    for (const p of panels)
      await trx
        .insertInto("import_panels")
        .values({ import_id: id, ...p })
        .onConflict((c) => c.columns(["import_id", "id"]).doUpdateSet({ hash: p.hash, json: p.json }))
        .execute();
    await trx
      .updateTable("imports")
      .set(({ eb }) => ({ rows: eb("rows", "+", rows.length), part }))
      .where("id", "=", id)
      .execute();
  });
}

export async function endImport(db: Kysely<Database>, id: string, state: ImportState, notes: readonly string[]): Promise<void> {
  await db
    .updateTable("imports")
    .set({ state, notes: JSON.stringify(notes), ...(state === "ready" ? { part: 1 } : {}) })
    .where("id", "=", id)
    .where("state", "=", "reading")
    .execute();
}

export async function readImport(db: Kysely<Database>, id: string): Promise<ImportRecord | null> {
  const r = await db.selectFrom("imports").selectAll().where("id", "=", id).executeTakeFirst();
  if (!r) return null;
  const counts = await db
    .selectFrom("import_rows")
    .select(["outcome", ({ fn }) => fn.countAll<number>().as("n")])
    .where("import_id", "=", id)
    .groupBy("outcome")
    .execute();
  return {
    id: r.id,
    name: r.name,
    state: r.state,
    rows: r.rows,
    part: r.part,
    notes: JSON.parse(r.notes) as string[],
    counts: Object.fromEntries(counts.map((c) => [c.outcome, Number(c.n)])),
  };
}

export async function importRows(
  db: Kysely<Database>,
  id: string,
  only: RowOutcome | null,
  after: number,
  most: number,
): Promise<StagedRow[]> {
  let q = db
    .selectFrom("import_rows")
    .select(["row", "code", "outcome", "says"])
    .where("import_id", "=", id)
    .where("row", ">", after);
  if (only) q = q.where("outcome", "=", only);
  const rows = await q.orderBy("row").limit(most).execute();
  return rows.map((r) => ({ ...r, says: JSON.parse(r.says) as string[] }));
}

/**
 * Takes a staged table over: one INSERT ... SELECT, whole or not at all. A record changed since the dry run is not written
 * over: its code is named and nothing is saved.
 */
export async function takeImport(
  db: Kysely<Database>,
  id: string,
  nowIso: string,
): Promise<{ ok: true; panels: number } | { ok: false; stale: string[] }> {
  return db.transaction().execute(async (trx) => {
    const { rows: stale } = await sql<{ id: string }>`
      select p.id from import_panels p left join reference r on r.kind = 'panel' and r.id = p.id
      where p.import_id = ${id} and coalesce(r.version, 0) <> p.expected limit 10`.execute(trx);
    if (stale.length) return { ok: false as const, stale: stale.map((s) => s.id) };
    const done = await sql`
      insert into reference (kind, id, hash, version, json, updated_at)
      select 'panel', p.id, p.hash, p.expected + 1, p.json, ${nowIso} from import_panels p where p.import_id = ${id}
      on conflict (kind, id) do update set
        hash = excluded.hash, version = excluded.version, json = excluded.json, updated_at = excluded.updated_at`.execute(trx);
    await trx.updateTable("imports").set({ state: "taken" }).where("id", "=", id).execute();
    await trx.deleteFrom("import_panels").where("import_id", "=", id).execute();
    return { ok: true as const, panels: Number(done.numAffectedRows ?? 0n) };
  });
}

/** Forgets what was staged. */
export async function dropImport(db: Kysely<Database>, id: string): Promise<void> {
  await db.transaction().execute(async (trx) => {
    await trx.deleteFrom("import_panels").where("import_id", "=", id).execute();
    await trx.deleteFrom("import_rows").where("import_id", "=", id).execute();
    await trx.deleteFrom("imports").where("id", "=", id).execute();
  });
}

/** Tables that were being read when the server stopped are not being read any more. */
export async function endBrokenImports(db: Kysely<Database>): Promise<void> {
  await db
    .updateTable("imports")
    .set({ state: "failed", notes: JSON.stringify(["The server stopped while this file was read. Read it again."]) })
    .where("state", "=", "reading")
    .execute();
}
