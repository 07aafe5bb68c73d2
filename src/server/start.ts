import { fold, type JobEvent } from "@/core/job";
import { closeConnection, connection, migrate, migrationsAhead } from "@/data/connection";
import { DEMO_HOURS, demoEvents, demoSnapshots, demoStock, loadReference } from "@/data/demoScenario";
import { demoWarming } from "@/data/demoWarming";
import { demoReturn, demoYear, demoYearStock } from "@/data/demoYear";
import { endBrokenImports } from "@/data/importStore";
import { holderOf, takeLock } from "@/data/lock";
import { plantLogs } from "@/data/plantLogs";
import { listKinds, saveReference } from "@/data/referenceStore";
import { readSetting, writeSetting } from "@/data/settingStore";
import { makeBackup } from "./backup/make";
import { backupsHere } from "./backup/place";
import { startSchedule } from "./backup/schedule";
import { databaseFile } from "./databaseFile";
import { dataDir } from "./dataDir";
import { saveShopHours } from "./hours";
import { renewCards } from "./jobList";
import { nowIso, nowMs } from "./now";
import { wasDown } from "./presence";
import { troubleOf } from "./trouble";
import { isTrusted, mayWrite, trustWhenRead } from "./trust";

/** A start that cannot be: what is wrong, what is known good, what to do. */
export class CannotStart extends Error {}

/** How often a running server shows a sign of life, ms. */
const ALIVE_MS = 10_000;

/** Called once when the server starts: the right to write, newest schema, then the demo scenario when asked for and the database is new. */
export async function start(): Promise<void> {
  const file = databaseFile();
  const before = holderOf(file);
  const port = Number(process.env.PORT ?? 0) || null;
  const got = takeLock(file, { port, what: "serving", since: nowIso() });
  if (!got.ok) {
    const h = got.holder;
    throw new CannotStart(
      `Another Helvane has this shop open: ${h ? `process ${h.pid}, ${h.what} since ${h.since}${h.port ? `, at http://127.0.0.1:${h.port}` : ""}` : "it does not say which"}. Use that one, or stop it first. The database is ${file}.`,
    );
  }
  // A holder that is still named did not stop by itself: from its last sign of life to now the server was not there.
  if (before) wasDown(before.aliveMs, nowMs());
  setInterval(() => got.lock.alive(), ALIVE_MS).unref();
  process.once("exit", () => {
    try {
      closeConnection();
    } finally {
      got.lock.release();
    }
  });
  const reading = (globalThis as { helvaneWhole?: Promise<string | null> }).helvaneWhole;
  const wrong = await trustWhenRead(reading ?? null);
  if (wrong) throw new CannotStart(wrong);
  try {
    const c = connection();
    const ahead = migrationsAhead(c);
    // What is to be written now waits for the reading after all.
    const damage = ahead.length || !(await readSetting(c.db, "seeded").catch(() => null)) ? await mayWrite() : null;
    if (damage) throw new CannotStart(damage.words);
    if (ahead.length) await makeBackup(backupsHere(), nowIso(), "beforeMigration");
    await migrate(c);
    const tidy = () => endBrokenImports(c.db);
    if (isTrusted()) await tidy();
    else void mayWrite().then((wrong) => (wrong ? undefined : tidy()));
    await seed();
  } catch (e) {
    if (e instanceof CannotStart) throw e;
    const missing = (e as { code?: string; path?: string }).code === "ENOENT" ? (e as { path?: string }).path : undefined;
    throw new CannotStart(
      missing
        ? `The file ${missing} is missing: it ships with Helvane. Get the whole folder again, or "git checkout -- data".`
        : (troubleOf(e)?.words ?? (e as Error).message),
    );
  }
  startSchedule();
}

async function seed(): Promise<void> {
  const c = connection();
  if (process.env.HELVANE_SEED === "none") return;
  if (await readSetting(c.db, "seeded")) {
    // A shop from before a table was shipped gets it once; what it has is its own.
    const have = new Set((await listKinds(c.db)).map((r) => r.kind));
    await loadReference(c, dataDir(), nowIso(), (file, kind) => file.startsWith("reference/") && !have.has(kind));
    return;
  }
  const shop = process.env.HELVANE_SEED === "shop";
  const hashes = await loadReference(c, dataDir(), nowIso(), shop ? (file) => file.startsWith("reference/") : undefined);
  // The demo's bench is open whenever somebody looks at it.
  if (!shop) await saveShopHours(DEMO_HOURS);
  const demo = shop ? [] : demoEvents(dataDir(), hashes, nowMs());
  if (!shop) await plantDemo([...demo, demoStock(dataDir(), nowMs())]);
  if (process.env.HELVANE_SEED === "year") await plantYear(demo);
  await writeSetting(c.db, "seeded", { at: nowIso() });
}

/** The demo's own logs, each asked by its own gates as a whole, and the cards its bench opens with. */
async function plantDemo(logs: readonly (readonly JobEvent[])[]): Promise<void> {
  const snapshots = demoSnapshots(dataDir());
  for (const log of logs) {
    const shut = fold(log, snapshots).breaches[0];
    const e = log.find((x) => x.id === shut?.eventId);
    if (shut) throw new Error(`the demo scenario does not pass its own gates: ${e?.type}: ${shut.reason}`);
  }
  plantLogs(connection(), logs, snapshots, nowIso());
  await renewCards();
}

/** A year of closed jobs behind the demo's own, with the rolls they took. Each is a job of the demo, whose gates let it pass. */
async function plantYear(demo: readonly (readonly JobEvent[])[]): Promise<void> {
  const c = connection();
  const snapshots = demoSnapshots(dataDir());
  const year = demoYear(demo, snapshots, nowMs());
  const warm = demoWarming(snapshots, nowMs());
  await saveReference(c.db, "build", warm.build.id, warm.build, null, nowIso());
  const { machineModel: model, machineCodes: codes, id } = warm.build;
  await saveReference(c.db, "machine", model, { model, codes, build: id, panels: [], seen: {}, otherNames: [] }, null, nowIso());
  const logs = [...year, demoReturn(year, nowMs()), ...warm.logs, demoYearStock(year, snapshots, nowMs())];
  plantLogs(c, logs, warm.snapshots, nowIso());
}

/** As above, or ends in words: a process that stays and answers every page with an error helps nobody. */
export async function startOrEnd(): Promise<void> {
  try {
    await start();
  } catch (e) {
    console.error(e instanceof CannotStart ? `[helvane] ${e.message}` : e);
    process.exit(1);
  }
}
