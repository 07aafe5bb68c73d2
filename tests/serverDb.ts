import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll } from "vitest";
import { connection, migrate } from "@/data/connection";
import { loadReference } from "@/data/demoScenario";
import { snapshots } from "./bench";

export const ISO = "2026-06-01T08:00:00.000Z";

/**
 * A database of its own for a test file, migrated, with the shipped reference data; with `jobs` also what the test bench's
 * jobs rely on. Gone when the file is through.
 */
export function serverDb(name: string, { reference = true, jobs = false } = {}): string {
  const dir = mkdtempSync(join(tmpdir(), `helvane-${name}-`));
  beforeAll(async () => {
    process.env.HELVANE_DB = join(dir, `${name}.sqlite`);
    const c = connection();
    await migrate(c);
    if (reference) await loadReference(c, "data", ISO);
    if (!jobs) return;
    for (const [hash, s] of Object.entries(snapshots))
      await c.db
        .insertInto("reference")
        .values({
          kind: s.kind,
          id: `zz-${hash.slice(0, 20)}`,
          hash,
          version: 1,
          json: JSON.stringify(s.data),
          updated_at: ISO,
        } as never)
        .onConflict((x) => x.doNothing())
        .execute();
  });
  afterAll(() => {
    connection().raw.close();
    rmSync(dir, { recursive: true, force: true });
  });
  return dir;
}
