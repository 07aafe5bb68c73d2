// What `npm run demo` and `npm test` need before they can do anything: a new enough Node, packages, a compiler for SQLite.
import { execFileSync, spawn } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";

export const say = (text) => console.log(`[helvane] ${text}`);
export function fail(text) {
  console.error(`[helvane] ${text}`);
  process.exit(1);
}

const has = (name) => {
  try {
    execFileSync("which", [name], { stdio: "ignore" });
    return true;
  } catch {
    return false;
  }
};
const isRoot = () => process.getuid?.() === 0;

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 9))
    fail(`Node ${process.versions.node} is too old: Helvane needs 20.9 or newer. Install a newer Node, then run this again.`);
}

/** Runs a command with its output shown; resolves with its exit code. */
export function run(command, args, { env = {}, quiet = false } = {}) {
  return new Promise((done) => {
    const child = spawn(command, args, {
      stdio: quiet ? ["ignore", "pipe", "pipe"] : "inherit",
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", ...env },
    });
    let text = "";
    child.stdout?.on("data", (d) => {
      text += d;
    });
    child.stderr?.on("data", (d) => {
      text += d;
    });
    child.on("error", () => done({ code: 127, text }));
    child.on("close", (code, signal) => done({ code: code ?? (signal ? 1 : 0), text }));
  });
}

/** Tells every ten seconds that something long is still going on. */
export async function withProgress(what, work) {
  const began = Date.now();
  say(`${what} …`);
  const tick = setInterval(() => say(`${what}: ${Math.round((Date.now() - began) / 1000)} s so far`), 10_000);
  try {
    return await work();
  } finally {
    clearInterval(tick);
  }
}

/** Installs Debian packages when the user may, else names the one line to type. */
export async function debian(packages, what) {
  const line = `apt-get install -y ${packages.join(" ")}`;
  if (!has("apt-get"))
    fail(`${what} is missing, and this is not Debian. Install it with your system's tools: ${packages.join(", ")}.`);
  if (!isRoot()) fail(`${what} is missing, and this user may not install it. Type:  sudo ${line}`);
  await withProgress(`Installing ${packages.join(", ")} from Debian`, async () => {
    await run("apt-get", ["update"], { quiet: true });
    const { code, text } = await run("apt-get", ["install", "-y", "--no-install-recommends", ...packages], {
      quiet: true,
      env: { DEBIAN_FRONTEND: "noninteractive" },
    });
    if (code !== 0) fail(`${what} could not be installed. Type:  ${line}\n${text.slice(-800)}`);
  });
}

/** Where the headers of the running Node lie, so that the native build need not fetch them. */
function nodeHeaders() {
  for (const root of [dirname(dirname(process.execPath)), "/usr", "/usr/local"]) {
    const header = join(root, "include/node/node_version.h");
    if (!existsSync(header)) continue;
    const text = readFileSync(header, "utf8");
    const n = (name) => new RegExp(`#define NODE_${name}_VERSION (\\d+)`).exec(text)?.[1];
    if (`${n("MAJOR")}.${n("MINOR")}.${n("PATCH")}` === process.versions.node) return root;
  }
  return null;
}

const works = () => {
  const r = createRequire(join(process.cwd(), "package.json"));
  try {
    const script = `const D = require(${JSON.stringify(r.resolve("better-sqlite3"))}); new D(":memory:").close();`;
    execFileSync(process.execPath, ["-e", script], { stdio: "ignore" });
    return true;
  } catch {
    return false;
  }
};

const STAMP = "node_modules/.helvane-installed";
const lockHash = () => createHash("sha256").update(readFileSync("package-lock.json")).update(process.version).digest("hex");

/** Packages as the lock file names them, and SQLite built for this Node. */
export async function packages() {
  if (existsSync(STAMP) && readFileSync(STAMP, "utf8") === lockHash() && works()) return;
  if (!existsSync("node_modules/next/package.json") || !existsSync(STAMP) || readFileSync(STAMP, "utf8") !== lockHash()) {
    const { code, text } = await withProgress("Installing packages", () =>
      run("npm", ["ci", "--ignore-scripts", "--no-audit", "--no-fund"], { quiet: true }),
    );
    if (code !== 0) fail(`The packages could not be installed (npm ci):\n${text.slice(-1500)}`);
  }
  if (!works()) {
    const missing = [
      ["g++", "g++"],
      ["make", "make"],
      ["python3", "python3"],
    ]
      .filter(([cmd]) => !has(cmd))
      .map(([, pkg]) => pkg);
    if (missing.length) await debian(missing, "A compiler for the database");
    const headers = nodeHeaders();
    const env = headers ? { npm_config_nodedir: headers } : {};
    const { code, text } = await withProgress("Building the database for this Node (two to four minutes, once)", () =>
      run("npm", ["rebuild", "better-sqlite3", "--foreground-scripts"], { quiet: true, env }),
    );
    if (code !== 0 || !works()) fail(`The database could not be built:\n${text.slice(-2000)}`);
  }
  writeFileSync(STAMP, lockHash());
}

/** A Chromium on the PATH for the browser tests and pictures. */
export async function chromium() {
  if (has("chromium") || has("chromium-browser")) return;
  await debian(["chromium"], "Chromium, for the browser tests,");
  if (!has("chromium")) fail("Chromium was installed but is not on the PATH. Add its folder to PATH, then run this again.");
}

const newest = (path, skip = new Set()) => {
  if (!existsSync(path)) return 0;
  const s = statSync(path);
  if (!s.isDirectory()) return s.mtimeMs;
  let most = 0;
  for (const name of readdirSync(path))
    if (!skip.has(name) && !/\.test\.tsx?$/.test(name)) most = Math.max(most, newest(join(path, name), skip));
  return most;
};

/** Builds the production bundle when there is none, or the source is newer. */
export async function build({ force = false } = {}) {
  const id = ".next/BUILD_ID";
  const source = Math.max(...["src", "package-lock.json", "next.config.mjs", "postcss.config.mjs"].map((p) => newest(p)));
  if (!force && existsSync(id) && statSync(id).mtimeMs > source) return;
  const { code, text } = await withProgress("Building the application", () =>
    run(process.execPath, ["node_modules/next/dist/bin/next", "build"], { quiet: true, env: { NODE_ENV: "production" } }),
  );
  if (code !== 0) fail(`The application could not be built:\n${text.slice(-3000)}`);
  // Only here: it needs a package, and what imports this file runs before there are any.
  const { bundleProcesses, bundleStick } = await import("./processes.mjs");
  await Promise.all([bundleProcesses(".next/process"), bundleStick(".next")]);
}
