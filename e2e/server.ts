import { type ChildProcess, spawn } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { join } from "node:path";

export const SCRATCH = join(process.cwd(), ".e2e");
export const SEEDED = join(SCRATCH, "seeded.sqlite");

export const freePort = (): Promise<number> =>
  new Promise((done, fail) => {
    const s = createServer();
    s.once("error", fail);
    s.listen(0, "127.0.0.1", () => {
      const { port } = s.address() as { port: number };
      s.close(() => done(port));
    });
  });

/** Which bench-network port belongs to which local one. */
export const benchPorts = new Map<number, number>();

export interface Running {
  url: string;
  db: string;
  process: ChildProcess;
  stop(signal?: NodeJS.Signals): Promise<void>;
}

/** Starts the production server on a free port over one database file. */
export async function startServer(db: string, env: Record<string, string> = {}, samePort?: number): Promise<Running> {
  const port = samePort ?? (await freePort());
  const benchPort = await freePort();
  benchPorts.set(port, benchPort);
  const child = spawn(process.execPath, ["scripts/serve.mjs"], {
    env: {
      ...process.env,
      NODE_ENV: "production",
      PORT: String(port),
      BENCH_PORT: String(benchPort),
      BENCH_HOST: "127.0.0.1",
      HELVANE_DB: db,
      HELVANE_BACKUP_SCHEDULE: "off",
      NEXT_TELEMETRY_DISABLED: "1",
      ...env,
    },
    stdio: ["ignore", "pipe", "pipe"],
  });
  let said = "";
  child.stdout.on("data", (d) => {
    said += d;
  });
  child.stderr.on("data", (d) => {
    said += d;
  });
  const url = `http://127.0.0.1:${port}`;
  for (let i = 0; ; i++) {
    const ok = await fetch(`${url}/api/health`).then(
      (r) => r.ok,
      () => false,
    );
    if (ok) break;
    if (i > 300 || child.exitCode !== null) throw new Error(`the server did not start:\n${said}`);
    await new Promise((r) => setTimeout(r, 100));
  }
  return {
    url,
    db,
    process: child,
    stop: (signal = "SIGTERM") =>
      new Promise((done) => {
        if (child.exitCode !== null || child.signalCode) return done();
        child.once("exit", () => done());
        child.kill(signal);
      }),
  };
}

export function freshScratch(): void {
  rmSync(SCRATCH, { recursive: true, force: true });
  mkdirSync(SCRATCH, { recursive: true });
}

/** Runs the server's start to its end, where it is meant to end by itself. */
export async function startThatEnds(env: Record<string, string>): Promise<{ code: number | null; text: string }> {
  const port = await freePort();
  return new Promise((done) => {
    const child = spawn(process.execPath, ["scripts/serve.mjs"], {
      env: { ...process.env, NODE_ENV: "production", PORT: String(port), ...env },
    });
    let text = "";
    for (const s of [child.stdout, child.stderr])
      s.on("data", (d) => {
        text += d;
      });
    child.on("close", (code) => done({ code, text }));
  });
}
