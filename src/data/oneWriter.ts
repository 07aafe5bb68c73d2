import {
  CompiledQuery,
  type DatabaseConnection,
  type Driver,
  type QueryResult,
  SqliteDialect,
  type SqliteDialectConfig,
  SqliteDriver,
} from "kysely";

/** How long a write waits for a file somebody else has locked; ms. */
const PATIENCE_MS = 4000;
const PAUSE_MS = 25;

export const isBusy = (e: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(String((e as { code?: unknown } | null)?.code));

/** Asks again while the file is locked, without keeping the server from anything else. */
class Patient implements DatabaseConnection {
  constructor(readonly inner: DatabaseConnection) {}
  async executeQuery<R>(q: CompiledQuery): Promise<QueryResult<R>> {
    const until = Date.now() + PATIENCE_MS;
    for (;;)
      try {
        return await this.inner.executeQuery<R>(q);
      } catch (e) {
        if (!isBusy(e) || Date.now() >= until) throw e;
        await new Promise((done) => setTimeout(done, PAUSE_MS));
      }
  }
  streamQuery<R>(q: CompiledQuery, size?: number): AsyncIterableIterator<QueryResult<R>> {
    return this.inner.streamQuery<R>(q, size ?? 1);
  }
}

/** A transaction takes the right to write when it begins: one that reads first and writes later could not wait for a lock. */
class ImmediateDriver extends SqliteDriver {
  override async acquireConnection(): Promise<DatabaseConnection> {
    return new Patient(await super.acquireConnection());
  }
  override async beginTransaction(c: DatabaseConnection): Promise<void> {
    await c.executeQuery(CompiledQuery.raw("begin immediate"));
  }
  /** A full disk or an error of it has ended the transaction already: then what is told is that, and not that there is nothing to undo. */
  override async rollbackTransaction(c: DatabaseConnection): Promise<void> {
    try {
      await super.rollbackTransaction(c);
    } catch (e) {
      if (!/no transaction is active/.test((e as Error).message)) throw e;
    }
  }
}

export class OneWriterDialect extends SqliteDialect {
  constructor(private readonly own: SqliteDialectConfig) {
    super(own);
  }
  override createDriver(): Driver {
    return new ImmediateDriver(this.own);
  }
}
