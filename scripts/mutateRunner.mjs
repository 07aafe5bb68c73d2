// What `npm run mutate` runs tests with: describe, it and expect as the tests import them, each test by itself, in a fresh process
// that ends in milliseconds. The matchers are the real runner's own. With --past it runs a file's tests once and tells which faults
// each comes past; with --fault it runs the tests it is given until one fails.
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { resolve } from "node:path";
import {
  ASYMMETRIC_MATCHERS_OBJECT,
  customMatchers,
  GLOBAL_EXPECT,
  getState,
  JestAsymmetricMatchers,
  JestChaiExpect,
  JestExtend,
  setState,
} from "@vitest/expect";
import * as chai from "chai";

chai.use(JestExtend);
chai.use(JestChaiExpect);
chai.use(JestAsymmetricMatchers);
export const expect = (value, message) => chai.expect(value, message);
Object.assign(expect, chai.expect);
Object.assign(expect, globalThis[ASYMMETRIC_MATCHERS_OBJECT]);
expect.getState = () => getState(expect);
expect.setState = (s) => setState(s, expect);
expect.extend = (more) => chai.expect.extend(expect, more);
globalThis[GLOBAL_EXPECT] = expect;
expect.setState({ assertionCalls: 0, isExpectingAssertions: false, expectedAssertionsNumber: null });
expect.extend(customMatchers);
// A golden run is held against its file, as the real runner does.
chai.util.addMethod(chai.Assertion.prototype, "toMatchFileSnapshot", async function toMatchFileSnapshot(file) {
  const at = resolve("tests", file);
  const want = existsSync(at) ? readFileSync(at, "utf8") : "";
  if (this._obj !== want) throw new Error(`not as ${file}`);
});

let collected = [];
let scope = { before: [], after: [] };
export const describe = (_, body) => {
  const outer = scope;
  scope = { before: [...outer.before], after: [...outer.after] };
  body();
  scope = outer;
};
export const it = (name, ...more) => {
  const run = more.find((m) => typeof m === "function");
  if (run) collected.push({ name, run, scope });
};
it.each = (rows) => (name, body) => {
  for (const row of rows) it(name, () => (Array.isArray(row) ? body(...row) : body(row)));
};
export const test = it;
export const beforeAll = (f) => scope.before.push(f);
export const afterAll = (f) => scope.after.push(f);

/** The tests of a built file, in the order they stand there; what is evaluated at import counts as come past by all of them. */
async function testsOf(file) {
  collected = [];
  await import(file);
  return collected;
}
const begun = new Set();
async function run(t) {
  for (const f of t.scope.before)
    if (!begun.has(f)) {
      begun.add(f);
      await f();
    }
  await t.run();
}

/** Not awaited: a test file imports this module, which has to be there before. */
async function main([mode, ...rest]) {
  if (mode === "--past") {
    const [size, out, file] = rest;
    globalThis.__fault = -1;
    let seen = new Uint8Array(Number(size));
    globalThis.__past = (id) => {
      seen[id] = 1;
    };
    const take = () => {
      const ids = [...seen].flatMap((x, id) => (x ? [id] : []));
      seen = new Uint8Array(Number(size));
      return ids;
    };
    const tests = await testsOf(file);
    const atImport = take();
    const told = [];
    for (const [i, t] of tests.entries()) {
      const from = process.hrtime.bigint();
      await run(t);
      told.push({ i, ms: Number(process.hrtime.bigint() - from) / 1e6, ids: take() });
    }
    writeFileSync(out, JSON.stringify({ file, atImport, tests: told }));
  } else if (mode === "--fault") {
    globalThis.__fault = Number(rest[0]);
    const loaded = new Map();
    for (const { file, i } of JSON.parse(rest[1])) {
      if (!loaded.has(file)) loaded.set(file, await testsOf(file));
      await run(loaded.get(file)[i]);
    }
  }
}
main(process.argv.slice(2)).then(
  () => process.exit(0),
  (e) => {
    console.log(String(e?.message ?? e).slice(0, 300));
    process.exit(1);
  },
);
