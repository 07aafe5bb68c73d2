import { type Kysely, type Migration, type MigrationProvider, sql } from "kysely";

/** Migrations by name, in order. Never edit one that has run anywhere: add the next. */
const MIGRATIONS: Record<string, Migration> = {
  "2026-01-first": {
    async up(db: Kysely<unknown>) {
      await db.schema
        .createTable("events")
        .addColumn("seq", "integer", (c) => c.primaryKey().autoIncrement())
        .addColumn("id", "text", (c) => c.notNull().unique())
        .addColumn("job_id", "text", (c) => c.notNull())
        .addColumn("type", "text", (c) => c.notNull())
        .addColumn("v", "integer", (c) => c.notNull())
        .addColumn("payload", "text", (c) => c.notNull())
        .addColumn("who", "text", (c) => c.notNull())
        .addColumn("device", "text", (c) => c.notNull())
        .addColumn("clock", "text", (c) => c.notNull())
        .addColumn("seen", "integer", (c) => c.notNull())
        .addColumn("received_at", "text", (c) => c.notNull())
        .execute();
      await db.schema.createIndex("events_by_job").on("events").columns(["job_id", "seq"]).execute();
      await db.schema
        .createTable("snapshots")
        .addColumn("job_id", "text", (c) => c.notNull())
        .addColumn("hash", "text", (c) => c.notNull())
        .addColumn("kind", "text", (c) => c.notNull())
        .addColumn("json", "text", (c) => c.notNull())
        .addPrimaryKeyConstraint("snapshots_key", ["job_id", "hash"])
        .execute();
      await db.schema
        .createTable("blobs")
        .addColumn("hash", "text", (c) => c.primaryKey())
        .addColumn("mime", "text", (c) => c.notNull())
        .addColumn("width_px", "integer", (c) => c.notNull())
        .addColumn("height_px", "integer", (c) => c.notNull())
        .addColumn("bytes", "blob", (c) => c.notNull())
        .execute();
      await db.schema
        .createTable("reference")
        .addColumn("kind", "text", (c) => c.notNull())
        .addColumn("id", "text", (c) => c.notNull())
        .addColumn("hash", "text", (c) => c.notNull())
        .addColumn("version", "integer", (c) => c.notNull())
        .addColumn("json", "text", (c) => c.notNull())
        .addColumn("updated_at", "text", (c) => c.notNull())
        .addPrimaryKeyConstraint("reference_key", ["kind", "id"])
        .execute();
      await db.schema.createIndex("reference_by_hash").on("reference").columns(["hash"]).execute();
      await db.schema
        .createTable("settings")
        .addColumn("key", "text", (c) => c.primaryKey())
        .addColumn("json", "text", (c) => c.notNull())
        .execute();
      await db.schema
        .createTable("sessions")
        .addColumn("token_hash", "text", (c) => c.primaryKey())
        .addColumn("expires_at", "text", (c) => c.notNull())
        .execute();
      await db.schema
        .createTable("job_list")
        .addColumn("job_id", "text", (c) => c.primaryKey())
        .addColumn("last_seq", "integer", (c) => c.notNull())
        .addColumn("fold_version", "integer", (c) => c.notNull())
        .addColumn("json", "text", (c) => c.notNull())
        .execute();
      await sql`PRAGMA user_version = 1`.execute(db);
    },
  },
  "2026-02-opened": {
    async up(db: Kysely<unknown>) {
      // Numbers of jobs are asked for on every new job and import: without this, the whole log is read for them.
      await sql`create index events_opened on events (job_id) where type = 'job.opened'`.execute(db);
    },
  },
};

MIGRATIONS["2026-03-panels-and-trade"] = {
  async up(db: Kysely<unknown>) {
    // Ten thousand panels: a page reads those of one size, the search only names and hashes, never every record.
    await sql`create index panels_by_size on reference (json_extract(json, '$.diagonalIn.value')) where kind = 'panel'`.execute(
      db,
    );
    await sql`create index panels_changed on reference (version) where kind = 'panel'`.execute(db);
    // What the shop bought and when it came: asked for on every page that names a seller.
    await sql`create index events_trade on events (type, job_id)
      where type in ('match.ordered', 'match.arrived', 'match.returned', 'job.takenBack')`.execute(db);
    await db.schema
      .createTable("imports")
      .addColumn("id", "text", (c) => c.primaryKey())
      .addColumn("name", "text", (c) => c.notNull())
      .addColumn("state", "text", (c) => c.notNull())
      .addColumn("rows", "integer", (c) => c.notNull())
      .addColumn("part", "real", (c) => c.notNull())
      .addColumn("notes", "text", (c) => c.notNull())
      .addColumn("created_at", "text", (c) => c.notNull())
      .execute();
    await db.schema
      .createTable("import_rows")
      .addColumn("import_id", "text", (c) => c.notNull())
      .addColumn("row", "integer", (c) => c.notNull())
      .addColumn("code", "text", (c) => c.notNull())
      .addColumn("outcome", "text", (c) => c.notNull())
      .addColumn("says", "text", (c) => c.notNull())
      .addPrimaryKeyConstraint("import_rows_key", ["import_id", "row"])
      .execute();
    await db.schema.createIndex("import_rows_by_outcome").on("import_rows").columns(["import_id", "outcome", "row"]).execute();
    await db.schema
      .createTable("import_panels")
      .addColumn("import_id", "text", (c) => c.notNull())
      .addColumn("id", "text", (c) => c.notNull())
      .addColumn("expected", "integer", (c) => c.notNull())
      .addColumn("hash", "text", (c) => c.notNull())
      .addColumn("json", "text", (c) => c.notNull())
      .addPrimaryKeyConstraint("import_panels_key", ["import_id", "id"])
      .execute();
  },
};

MIGRATIONS["2026-04-placed"] = {
  async up(db: Kysely<unknown>) {
    // What is stored already stands where its clock said.
    await sql`alter table events add column placed text not null default ''`.execute(db);
    await sql`update events set placed = clock`.execute(db);
    await sql`create index cards_open on job_list (job_id) where json_extract(json, '$.closed') is null`.execute(db);
  },
};

MIGRATIONS["2026-05-devices"] = {
  async up(db: Kysely<unknown>) {
    // Who is let in, by a name a person knows it by. Those let in before unlock once more.
    await sql`drop table sessions`.execute(db);
    await db.schema
      .createTable("sessions")
      .addColumn("token_hash", "text", (c) => c.primaryKey())
      .addColumn("name", "text", (c) => c.notNull())
      .addColumn("address", "text", (c) => c.notNull())
      .addColumn("opened_at", "text", (c) => c.notNull())
      .addColumn("seen_at", "text", (c) => c.notNull())
      .addColumn("expires_at", "text", (c) => c.notNull())
      .execute();
  },
};

MIGRATIONS["2026-06-told"] = {
  async up(db: Kysely<unknown>) {
    // What the stock and the shop's figures are told from, beside the cards: made again from the log, as they are.
    await db.schema
      .createTable("job_told")
      .addColumn("job_id", "text", (c) => c.primaryKey())
      .addColumn("stock", "text", (c) => c.notNull())
      .addColumn("facts", "text", (c) => c.notNull())
      .execute();
    // Whether any card changed is asked with every look at a list: without reading the cards.
    await db.schema.createIndex("cards_stamp").on("job_list").columns(["fold_version", "last_seq"]).execute();
  },
};

/** Names of every migration this Helvane knows, in order. */
export const MIGRATION_NAMES: readonly string[] = Object.keys(MIGRATIONS);

export const migrations: MigrationProvider = { getMigrations: async () => MIGRATIONS };
