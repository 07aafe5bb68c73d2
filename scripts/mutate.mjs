#!/usr/bin/env node
// `npm run mutate -- --seed N`: puts small faults into core, one at a time, drawn by a seed from outside, and counts how many the
// unit tests notice. First all tests run once on a copy that tells which of them come past which fault; then each fault is tried
// against those tests only, quickest first. A fault not noticed within its share of the time counts as not noticed.
import { execFileSync, fork } from "node:child_process";
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { cpus, tmpdir } from "node:os";
import { join, resolve } from "node:path";
import ts from "typescript";
import { mutantsOf, mutated, seeded } from "./mutants.mjs";

const arg = (name, otherwise) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? otherwise : Number(process.argv[at + 1]);
};
const seed = arg("seed", Number(process.env.HELVANE_MUTATE_SEED ?? Date.now() % 1_000_000));
const count = arg("count", 200);
const minutes = arg("minutes", 9.5);
const WANTED = 80;
const began = Date.now();
const left = () => minutes * 60_000 - (Date.now() - began);

const files = execFileSync("git", ["ls-files", "-co", "--exclude-standard", "src/core"], { encoding: "utf8" })
  .split("\n")
  .filter((f) => f.endsWith(".ts") && !f.endsWith(".test.ts"));
const all = files.flatMap((f) => mutantsOf(f));
const random = seeded(seed);
const drawn = all
  .map((m) => ({ m, at: random() }))
  .sort((a, b) => a.at - b.at)
  .slice(0, count)
  .map(({ m }, id) => ({ ...m, id }));
console.log(`seed ${seed}: ${drawn.length} of ${all.length} possible faults in ${files.length} files of core`);

const root = mkdtempSync(join(tmpdir(), "helvane-mutate-"));
process.on("exit", () => rmSync(root, { recursive: true, force: true }));
/** A copy of all that the unit tests need. */
function copyTo(name) {
  const dir = join(root, name);
  mkdirSync(dir);
  for (const f of ["src", "tests", "data", "e2e", "bench", "package.json", "tsconfig.json"])
    cpSync(f, join(dir, f), { recursive: true });
  symlinkSync(resolve("node_modules"), join(dir, "node_modules"));
  cpSync("scripts/mutateWorker.mjs", join(dir, "mutateWorker.mjs"));
  return dir;
}

/** Where a call can be put that tells that the function around a place was entered: text to insert, last place first. */
function markAt(source, place, id) {
  const sf = ts.createSourceFile("x.ts", source, ts.ScriptTarget.ES2022, true);
  let body = null;
  const visit = (n) => {
    if (n.getStart(sf) > place || n.getEnd() <= place) return;
    if (ts.isFunctionLike(n) && n.body && n.body.getStart(sf) <= place) body = n.body;
    ts.forEachChild(n, visit);
  };
  visit(sf);
  const call = `globalThis.__past?.(${id})`;
  if (!body) return [{ at: sf.statements.find((x) => !ts.isImportDeclaration(x))?.getStart(sf) ?? 0, text: `${call};\n` }];
  if (ts.isBlock(body)) return [{ at: body.getStart(sf) + 1, text: `${call};` }];
  return [
    { at: body.getEnd(), text: ")" },
    { at: body.getStart(sf), text: `(${call},` },
  ];
}

// --- which tests come past which fault -------------------------------------------------------------------------------------------
const dry = copyTo("dry");
for (const file of new Set(drawn.map((m) => m.file))) {
  const source = readFileSync(file, "utf8");
  const marks = drawn.filter((m) => m.file === file).flatMap((m) => markAt(source, m.start, m.id));
  let out = source;
  // At one place what closes comes before what opens.
  for (const { at, text } of marks.sort((a, b) => b.at - a.at || (a.text === ")" ? 1 : -1)))
    out = `${out.slice(0, at)}${text}${out.slice(at)}`;
  writeFileSync(join(dry, file), out);
}
// Core's own tests and the golden runs: what the server and the screens notice beside them is not counted on.
const tests = execFileSync("git", ["ls-files", "-co", "--exclude-standard", "src/core", "tests"], { encoding: "utf8" })
  .split("\n")
  .filter((f) => /\.test\.ts$/.test(f));
const worker = (dir) => {
  const child = fork(join(dir, "mutateWorker.mjs"), [], {
    cwd: dir,
    env: { ...process.env, HELVANE_TEST_SCALE: "0.1", NO_COLOR: "1" },
  });
  return {
    ask: (what) =>
      new Promise((done, fail) => {
        child.once("message", done);
        child.once("exit", () => fail(new Error("the test runner ended")));
        child.send(what);
      }),
    end: () => child.kill("SIGKILL"),
  };
};
const halves = [0, 1].map((k) => tests.filter((_, i) => i % 2 === k));
const runs = await Promise.all(
  halves.map(async (list) => {
    const w = worker(dry);
    const answer = await w.ask({ files: list, bail: 0, past: true });
    w.end();
    return answer;
  }),
);
const unsound = runs.flatMap((r) => r.failed);
if (unsound.length) {
  console.error(`tests that fail without any fault: ${unsound.join(", ")}`);
  process.exit(1);
}
/** Test files by fault, quickest first. */
const past = new Map(drawn.map((m) => [m.id, []]));
for (const r of runs)
  for (const [file, { ms, ids }] of Object.entries(r.past)) for (const id of ids) past.get(id)?.push({ file, ms });
const mine = (m, file) => (file.startsWith(m.file.slice(0, m.file.lastIndexOf("/"))) ? 0 : 1);
for (const m of drawn) past.get(m.id).sort((a, b) => mine(m, a.file) - mine(m, b.file) || a.ms - b.ms);
const slow = runs.flatMap((r) => Object.entries(r.past)).sort((a, b) => b[1].ms - a[1].ms).slice(0, 5);
console.log(`slowest: ${slow.map(([f, { ms }]) => `${f} ${(ms / 1000).toFixed(1)} s`).join(", ")}`);
console.log(`${Math.round((Date.now() - began) / 1000)} s: all ${tests.length} test files run once`);

// --- each fault against the tests that come past it --------------------------------------------------------------------------------
const queue = [...drawn];
const outcome = new Map();
const lanes = Array.from({ length: Math.max(1, Math.min(2, cpus().length)) }, (_, k) => copyTo(`lane${k}`));
const each = () => Math.max(2000, (left() * lanes.length) / Math.max(1, queue.length)) * 2.5;
await Promise.all(
  lanes.map(async (dir) => {
    let w = worker(dir);
    for (let m = queue.shift(); m; m = queue.shift()) {
      const list = past.get(m.id).map((x) => x.file);
      if (list.length === 0) {
        outcome.set(m.id, "no test comes past it");
        continue;
      }
      if (left() < 3000) {
        outcome.set(m.id, "no time left");
        continue;
      }
      const source = readFileSync(m.file, "utf8");
      writeFileSync(join(dir, m.file), mutated(source, m));
      const limit = new Promise((done) => setTimeout(() => done(null), Math.min(each(), left())).unref());
      const answer = await Promise.race([
        w.ask({ files: list, bail: 1, changed: m.file }).catch(() => ({ failed: ["ended"] })),
        limit,
      ]);
      writeFileSync(join(dir, m.file), source);
      if (answer === null) {
        // Endless, or simply slow: what did not come to an end is not counted as noticed unless a test ran into its own limit.
        outcome.set(m.id, "not through in its time");
        w.end();
        w = worker(dir);
      } else {
        outcome.set(m.id, answer.failed.length ? "noticed" : "not noticed");
        if (answer.failed[0] === "ended") w = worker(dir);
      }
    }
    w.end();
  }),
);
const noticed = [...outcome.values()].filter((o) => o === "noticed").length;
for (const m of drawn) if (outcome.get(m.id) !== "noticed") console.log(`  ${m.file}:${m.line} ${m.what} - ${outcome.get(m.id)}`);
const share = (100 * noticed) / drawn.length;
console.log(
  `${noticed} of ${drawn.length} faults noticed, ${share.toFixed(1)} % (wanted: ${WANTED}), in ${Math.round((Date.now() - began) / 1000)} s, seed ${seed}`,
);
process.exit(share >= WANTED ? 0 : 1);
