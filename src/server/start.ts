import { connection, migrate } from "@/data/connection";
import { demoEvents, loadReference } from "@/data/demoScenario";
import { endBrokenImports } from "@/data/importStore";
import { readSetting, writeSetting } from "@/data/settingStore";
import { appendOne } from "./append";
import { dataDir } from "./dataDir";
import { nowIso, nowMs } from "./now";

/** Called once when the server starts: newest schema, then the demo scenario when asked for and the database is new. */
export async function start(): Promise<void> {
  const c = connection();
  await migrate(c);
  await endBrokenImports(c.db);
  if (process.env.HELVANE_SEED === "none" || (await readSetting(c.db, "seeded"))) return;
  const hashes = await loadReference(c, dataDir(), nowIso());
  if (process.env.HELVANE_SEED !== "reference")
    for (const job of demoEvents(dataDir(), hashes, nowMs()))
      for (const e of job) {
        const done = await appendOne(e, nowMs());
        if (!done.ok) throw new Error(`the demo scenario does not pass its own gates: ${e.type}: ${done.reason}`);
      }
  await writeSetting(c.db, "seeded", { at: nowIso() });
}
