#!/usr/bin/env node
// `npm run mutate -- --seed N`: puts small faults into core, drawn by a seed from outside, one at a time, and counts how many core's
// tests notice. All drawn faults are built into one copy, each behind a switch. First every test runs once and tells which faults it
// comes past; then each fault is switched on for those tests only, in a process of its own.
import { execFileSync, spawn } from "node:child_process";
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { pathToFileURL } from "node:url";
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
/** Tests of this long in all are asked for one fault, ms. */
const MOST_MS = 8_000;
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
const runner = join(root, "runner.mjs");
cpSync("scripts/mutateRunner.mjs", runner);
await build({
  root,
  configFile: false,
  logLevel: "error",
  resolve: { alias: { "@tests": join(root, "tests"), "@": join(root, "src") } },
  plugins: [
    {
      name: "runner",
      enforce: "pre",
      resolveId: (id) => (id === "vitest" ? { id: pathToFileURL(runner).href, external: true } : null),
    },
  ],
  ssr: { target: "node" },
  build: {
    ssr: true,
    outDir: join(root, "built"),
    minify: false,
    rollupOptions: {
      input: Object.fromEntries(tests.map((f) => [f.replace(/\.ts$/, ""), join(root, f)])),
      output: { entryFileNames: "[name].mjs", chunkFileNames: "chunks/[name].mjs" },
    },
  },
});
cpSync("tests/golden", join(root, "built/tests/golden"), { recursive: true });
const past = join(root, "past");
mkdirSync(past);
console.log(`${told()}: built`);

/** Runs the runner: true when all it was given holds, false when something does not, null when it was not through in its time. */
const run = (args, ms) =>
  new Promise((done) => {
    const child = spawn(process.execPath, ["--no-warnings", runner, ...args], {
      cwd: root,
      stdio: ["ignore", "pipe", "pipe"],
      env: { ...process.env, NO_COLOR: "1", CI: "1", HELVANE_TEST_SCALE: "0.1" },
    });
    let out = "";
    for (const s of [child.stdout, child.stderr])
      s.on("data", (d) => {
        out += d;
      });
    let late = false;
    const timer = setTimeout(() => {
      late = true;
      child.kill("SIGKILL");
    }, ms);
    child.on("close", (code) => {
      clearTimeout(timer);
      done({ answer: late ? null : code === 0, out });
    });
  });
/** Works a list off, two at a time. */
const inLanes = async (list, work) => {
  const queue = [...list];
  await Promise.all(
    Array.from({ length: LANES }, async () => {
      for (let x = queue.shift(); x !== undefined; x = queue.shift()) await work(x);
    }),
  );
};

// --- which test comes past which fault -----------------------------------------------------------------------------------------------
const built = tests.map((f) => join(root, "built", f.replace(/\.ts$/, ".mjs")));
const covering = drawn.map(() => []);
await inLanes(built, async (file) => {
  const report = join(past, file.slice(root.length + 1).replace(/[^A-Za-z0-9]/g, "_"));
  const { answer, out } = await run(["--past", String(drawn.length), report, file], left());
  if (answer !== true) {
    console.error(`${file} fails without any fault:\n${out.slice(-2000)}`);
    process.exit(1);
  }
  const told = JSON.parse(readFileSync(report, "utf8"));
  for (const t of told.tests) {
    for (const id of new Set([...t.ids, ...told.atImport]))
      covering[id].push({ file, i: t.i, ms: t.ms, loads: !t.ids.includes(id) });
  }
});
/**
 * What really comes past it before what only loads it, its own folder's tests first, then the quickest. What is evaluated at import is
 * mostly the shape of a format: the test of the limits comes first there.
 */
const rank = (m, t) => {
  if (t.loads) return /tests\/limits\w*\.test\.mjs$/.test(t.file) ? 2 : 3;
  return t.file.startsWith(join(root, "built", m.file.slice(0, m.file.lastIndexOf("/")))) ? 0 : 1;
};
for (const m of drawn) covering[m.id].sort((a, b) => rank(m, a) - rank(m, b) || a.ms - b.ms);
console.log(`${told()}: every test of ${tests.length} files run once`);

// --- each fault, against the tests that come past it ---------------------------------------------------------------------------------
const outcome = new Map();
await inLanes(drawn, async (m) => {
  let sum = 0;
  const list = covering[m.id].filter((t) => {
    sum += t.ms;
    return sum <= MOST_MS;
  });
  if (list.length === 0) outcome.set(m.id, "no test comes past it");
  else if (left() < 2000) outcome.set(m.id, "no time left");
  else {
    // A test that does not end is a test that fails; it is given ten times what all of them take.
    const ms = Math.min(left(), 10_000 + 10 * Math.min(sum, MOST_MS));
    const { answer } = await run(["--fault", String(m.id), JSON.stringify(list.map(({ file, i }) => ({ file, i })))], ms);
    outcome.set(m.id, answer === false ? "noticed" : answer ? "not noticed" : ms < left() ? "never ends" : "no time left");
  }
});
const isNoticed = (m) => outcome.get(m.id) === "noticed" || outcome.get(m.id) === "never ends";
const noticed = drawn.filter(isNoticed).length;
const endless = drawn.filter((m) => outcome.get(m.id) === "never ends").length;
for (const m of drawn) if (!isNoticed(m)) console.log(`  ${m.file}:${m.line} ${m.what} - ${outcome.get(m.id)}`);
const share = (100 * noticed) / drawn.length;
console.log(
  `${noticed} of ${drawn.length} faults noticed (${endless} because a test never ended), ${share.toFixed(1)} % (wanted: ${WANTED}), in ${told()}, seed ${seed}`,
);
process.exit(share >= WANTED ? 0 : 1);
