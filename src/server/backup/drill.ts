import { spawn } from "node:child_process";
import { copyFileSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { connection } from "@/data/connection";
import { newestJobs } from "@/data/copy";
import { readSetting, writeSetting } from "@/data/settingStore";
import { nowIso } from "../now";

/** How the last drill went: the shop started from a copy, in a second instance. */
export interface Drill {
  at: string;
  ok: boolean;
  problem: string | null;
  file: string;
  /** Pages of jobs that were read, the bench beside them. */
  jobs: number;
}
const KEY = "backupDrill";
/** Days between drills. */
export const DRILL_DAYS = 30;
const MOST_MS = 90_000;
const JOBS = 3;

export const readDrill = (): Promise<Drill | null> => readSetting<Drill>(connection().db, KEY);

const freePort = (): Promise<number> =>
  new Promise((done, fail) => {
    const s = createServer();
    s.once("error", fail);
    s.listen(0, "127.0.0.1", () => {
      const { port } = s.address() as { port: number };
      s.close(() => done(port));
    });
  });

const home = (): string => process.env.HELVANE_HOME ?? process.cwd();
/** A second instance needs what is served to be built. */
export const canDrill = (): boolean => process.env.NODE_ENV === "production" && existsSync(join(home(), ".next", "BUILD_ID"));

/** Starts a second instance on a copy of the backup and reads the bench and some jobs there; null when all was as it should be. */
async function tryOut(file: string, jobs: readonly { id: string; number: string }[]): Promise<string | null> {
  const [port, benchPort] = [await freePort(), await freePort()];
  const child = spawn(process.execPath, [join("scripts", "serve.mjs")], {
    cwd: home(),
    stdio: ["ignore", "pipe", "pipe"],
    env: {
      ...process.env,
      PORT: String(port),
      BENCH_PORT: String(benchPort),
      BENCH_HOST: "127.0.0.1",
      HELVANE_DB: file,
      HELVANE_BACKUPS: `${file}-backups`,
      HELVANE_BACKUP_SCHEDULE: "off",
      NODE_OPTIONS: "",
    },
  });
  let said = "";
  for (const out of [child.stdout, child.stderr])
    out.on("data", (d) => {
      said = (said + String(d)).slice(-1500);
    });
  const url = `http://127.0.0.1:${port}`;
  const until = Date.now() + MOST_MS;
  try {
    for (;;) {
      if (child.exitCode !== null) return `it did not start: ${said.trim().split("\n").slice(0, 3).join(" ")}`;
      if (Date.now() > until) return `it had not started after ${MOST_MS / 1000} s`;
      const there = await fetch(`${url}/api/health`).then(
        (r) => r.ok,
        () => false,
      );
      if (there) break;
      await new Promise((next) => setTimeout(next, 200));
    }
    const read = async (path: string) => {
      const r = await fetch(url + path, { signal: AbortSignal.timeout(MOST_MS) });
      return { ok: r.ok, status: r.status, text: await r.text() };
    };
    const bench = await read("/");
    if (!bench.ok) return `the bench answered ${bench.status}`;
    for (const j of jobs) {
      const page = await read(`/jobs/${j.id}/triage`);
      if (!page.ok) return `job ${j.number} answered ${page.status}`;
      if (!page.text.includes(j.number)) return `the page of job ${j.number} does not show it`;
    }
    return null;
  } catch (e) {
    return (e as Error).message;
  } finally {
    child.kill("SIGKILL");
  }
}

/**
 * Starts the shop from a backup, in a second instance on a free port of this machine, as one would after a loss, and notes how that
 * went. The backup itself is not touched.
 */
export async function drill(file: string): Promise<Drill> {
  const dir = mkdtempSync(join(tmpdir(), "helvane-drill-"));
  let problem: string | null = null;
  let jobs: { id: string; number: string }[] = [];
  try {
    const copy = join(dir, "shop.sqlite");
    copyFileSync(file, copy);
    jobs = newestJobs(copy, JOBS);
    problem = canDrill() ? await tryOut(copy, jobs) : "this server runs from its source: a second one needs a build";
  } catch (e) {
    problem = (e as Error).message;
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
  const done: Drill = { at: nowIso(), ok: problem === null, problem, file, jobs: problem === null ? jobs.length : 0 };
  await writeSetting(connection().db, KEY, done);
  return done;
}
