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

export const migrations: MigrationProvider = { getMigrations: async () => MIGRATIONS };
