#!/usr/bin/env node
// `npm run mutate -- --seed N`: puts small faults into core, drawn by a seed from outside, one at a time, and counts how many core's
// tests notice. All drawn faults are built into one copy, each behind a switch. First every test file runs once and tells which faults
// it comes past; then each fault is switched on for those files only. What is not noticed within its share of the time is not noticed.
import { execFileSync, spawn } from "node:child_process";
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { build } from "vite";
import { mutantsOf, seeded, switched } from "./mutants.mjs";

const arg = (name, otherwise) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? otherwise : Number(process.argv[at + 1]);
};
const seed = arg("seed", Number(process.env.HELVANE_MUTATE_SEED ?? Date.now() % 1_000_000));
const count = arg("count", 200);
const minutes = arg("minutes", 9.5);
const WANTED = 80;
const LANES = 2;
const began = Date.now();
const left = () => minutes * 60_000 - (Date.now() - began);
const told = () => `${Math.round((Date.now() - began) / 1000)} s`;
const listed = (...dirs) =>
  execFileSync("git", ["ls-files", "-co", "--exclude-standard", ...dirs], { encoding: "utf8" })
    .split("\n")
    .filter((f) => f.endsWith(".ts") && existsSync(f));

const files = listed("src/core").filter((f) => !f.endsWith(".test.ts"));
const all = files.flatMap((f) => mutantsOf(f));
const random = seeded(seed);
const drawn = all
  .map((m) => ({ m, at: random() }))
  .sort((a, b) => a.at - b.at)
  .slice(0, count)
  .map(({ m }, id) => ({ ...m, id }));
console.log(`seed ${seed}: ${drawn.length} of ${all.length} possible faults in ${files.length} files of core`);

// --- one copy with every drawn fault in it -----------------------------------------------------------------------------------------
const root = mkdtempSync(join(tmpdir(), "helvane-mutate-"));
process.on("exit", () => rmSync(root, { recursive: true, force: true }));
for (const f of ["src", "tests", "data", "e2e/pdfText.ts", "package.json"]) cpSync(f, join(root, f), { recursive: true });
symlinkSync(resolve("node_modules"), join(root, "node_modules"));
for (const file of new Set(drawn.map((m) => m.file)))
  writeFileSync(
    join(root, file),
    switched(
      readFileSync(file, "utf8"),
      drawn.filter((m) => m.file === file),
    ),
  );
// Core's own tests and the golden runs: what the server and the screens notice beside them is not counted on.
const tests = listed("src/core", "tests").filter((f) => f.endsWith(".test.ts"));
const input = Object.fromEntries(tests.map((f) => [f.replace(/\.ts$/, ""), join(root, f)]));
await build({
  root,
  configFile: false,
  logLevel: "error",
  resolve: { alias: { "@tests": join(root, "tests"), "@": join(root, "src") } },
  ssr: { target: "node" },
  build: {
    ssr: true,
    outDir: join(root, "built"),
    minify: false,
    rollupOptions: { input, output: { entryFileNames: "[name].mjs", chunkFileNames: "chunks/[name].mjs" } },
  },
});
cpSync("tests/golden", join(root, "built/tests/golden"), { recursive: true });
mkdirSync(join(root, "past"));
writeFileSync(
  join(root, "setup.mjs"),
  `import { writeFileSync } from "node:fs";
import { afterAll, expect } from "vitest";
const { HELVANE_FAULT, HELVANE_PAST } = process.env;
globalThis.__fault = HELVANE_FAULT === undefined ? -1 : Number(HELVANE_FAULT);
if (HELVANE_PAST) {
  const seen = (globalThis.__seen ??= new Uint8Array(${drawn.length}));
  globalThis.__past = (id) => { seen[id] = 1; };
  const began = Date.now();
  afterAll(() => {
    const file = expect.getState().testPath;
    const ids = [...seen].flatMap((x, id) => (x ? [id] : []));
    if (file) writeFileSync(HELVANE_PAST + "/" + file.replace(/[^A-Za-z0-9]/g, "_"), JSON.stringify({ file, ms: Date.now() - began, ids }));
  });
}
`,
);
writeFileSync(
  join(root, "vitest.config.mjs"),
  `const order = (process.env.HELVANE_ORDER ?? "").split("|");
const place = (s) => order.findIndex((f) => s.moduleId.endsWith(f));
export default {
  test: {
    include: ["built/**/*.test.mjs"],
    setupFiles: ["setup.mjs"],
    pool: "forks",
    maxWorkers: 1,
    fileParallelism: false,
    testTimeout: 20000,
    server: { deps: { external: [/built\\/chunks/] } },
    sequence: { sequencer: class { shard(f) { return f; } sort(f) { return [...f].sort((a, b) => place(a) - place(b)); } } },
  },
};
`,
);
console.log(`${told()}: built`);

/** Runs test files in this order; true when all hold, false when one does not, null when they were not through in their time. */
const run = (list, env, ms, more = []) =>
  new Promise((done) => {
    const child = spawn(
      process.execPath,
      [join(root, "node_modules/vitest/vitest.mjs"), "run", "--config", "vitest.config.mjs", "--reporter=dot", ...more, ...list],
      {
        cwd: root,
        stdio: ["ignore", "pipe", "pipe"],
        detached: true,
        env: { ...process.env, NO_COLOR: "1", CI: "1", HELVANE_TEST_SCALE: "0.1", HELVANE_ORDER: list.join("|"), ...env },
      },
    );
    let out = "";
    child.stdout.on("data", (d) => {
      out += d;
    });
    child.stderr.on("data", (d) => {
      out += d;
    });
    const end = (answer) => {
      clearTimeout(timer);
      done({ answer, out });
    };
    const timer = setTimeout(() => {
      try {
        process.kill(-child.pid, "SIGKILL");
      } catch {
        // It ended by itself in the same moment.
      }
      end(null);
    }, ms);
    child.on("close", (code) => end(code === 0));
  });

// --- which test files come past which fault ----------------------------------------------------------------------------------------
const names = Object.keys(input).map((f) => `built/${f}.mjs`);
const halves = Array.from({ length: LANES }, (_, k) => names.filter((_, i) => i % LANES === k));
for (const { answer, out } of await Promise.all(halves.map((list) => run(list, { HELVANE_PAST: join(root, "past") }, left()))))
  if (answer !== true) {
    console.error(`tests that fail without any fault:\n${out.slice(-3000)}`);
    process.exit(1);
  }
const past = new Map(drawn.map((m) => [m.id, []]));
for (const name of readdirSync(join(root, "past"))) {
  const { file, ms, ids } = JSON.parse(readFileSync(join(root, "past", name), "utf8"));
  for (const id of ids) past.get(id).push({ file: file.slice(root.length + 1), ms });
}
/** Its own folder's tests first, then the quickest. */
const own = (m, f) => (f.startsWith(`built/${m.file.slice(0, m.file.lastIndexOf("/"))}`) ? 0 : 1);
for (const m of drawn) past.get(m.id).sort((a, b) => own(m, a.file) - own(m, b.file) || a.ms - b.ms);
console.log(`${told()}: all ${tests.length} test files run once`);

// --- each fault, against the files that come past it -------------------------------------------------------------------------------
const queue = [...drawn];
const outcome = new Map();
const lane = async () => {
  for (let m = queue.shift(); m; m = queue.shift()) {
    const list = past.get(m.id).map((x) => x.file);
    if (list.length === 0) outcome.set(m.id, "no test comes past it");
    else if (left() < 3000) outcome.set(m.id, "no time left");
    else {
      const share = (left() * LANES) / (queue.length + 1);
      const { answer } = await run(list, { HELVANE_FAULT: String(m.id) }, Math.min(left(), Math.max(5000, share * 2.5)), [
        "--bail=1",
        "--no-isolate",
      ]);
      outcome.set(m.id, answer === false ? "noticed" : answer ? "not noticed" : "not through in its time");
    }
  }
};
await Promise.all(Array.from({ length: LANES }, lane));
const noticed = [...outcome.values()].filter((o) => o === "noticed").length;
for (const m of drawn) if (outcome.get(m.id) !== "noticed") console.log(`  ${m.file}:${m.line} ${m.what} - ${outcome.get(m.id)}`);
const share = (100 * noticed) / drawn.length;
console.log(
  `${noticed} of ${drawn.length} faults noticed, ${share.toFixed(1)} % (wanted: ${WANTED}), in ${told()}, seed ${seed}`,
);
process.exit(share >= WANTED ? 0 : 1);
