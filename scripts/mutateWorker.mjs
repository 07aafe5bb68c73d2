// One test runner kept warm for `npm run mutate`: runs the test files it is told, and says which failed and what they came past.
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, relative, resolve } from "node:path";
import { createVitest } from "vitest/node";

const out = mkdtempSync(join(tmpdir(), "helvane-past-"));
process.on("exit", () => rmSync(out, { recursive: true, force: true }));
writeFileSync(
  "mutateSetup.mjs",
  `import { writeFileSync } from "node:fs";
import { afterAll, expect } from "vitest";
const ids = globalThis.__ids ?? new Set();
globalThis.__ids = ids;
globalThis.__past = (id) => ids.add(id);
const began = Date.now();
afterAll(() => {
  const file = expect.getState().testPath;
  if (process.env.HELVANE_PAST && file)
    writeFileSync(process.env.HELVANE_PAST + "/" + file.replace(/[^A-Za-z0-9]/g, "_") + ".json", JSON.stringify({ file, ms: Date.now() - began, ids: [...ids] }));
});
`,
);
const alias = { "@tests": resolve("tests"), "@": resolve("src") };
let runner = null;
const start = (past) =>
  createVitest(
    "test",
    {
      watch: true,
      root: process.cwd(),
      config: false,
      pool: "forks",
      maxWorkers: 1,
      // Which faults a file comes past is told file by file; a fault is tried on files that share what they load.
      isolate: past,
      fileParallelism: false,
      testTimeout: 30_000,
      reporters: [{ onTestRunEnd() {} }],
      setupFiles: past ? [resolve("mutateSetup.mjs")] : [],
      include: ["src/**/*.test.ts", "tests/**/*.test.ts"],
      environment: "node",
      passWithNoTests: true,
      ...(past ? { env: { HELVANE_PAST: out } } : {}),
    },
    { resolve: { alias }, logLevel: "silent", server: { watch: null } },
  );

process.on("message", async ({ files, bail, past, changed }) => {
  runner ??= await start(!!past);
  runner.config.bail = bail;
  if (changed) runner.invalidateFile(resolve(changed));
  const specs = [];
  for (const f of files) specs.push(...(await runner.globTestSpecifications([resolve(f)])));
  const order = new Map(files.map((f, i) => [resolve(f), i]));
  specs.sort((a, b) => order.get(a.moduleId) - order.get(b.moduleId));
  const { testModules, unhandledErrors } = await runner.runTestSpecifications(specs, true);
  const failed = testModules.filter((m) => !m.ok()).map((m) => relative(process.cwd(), m.moduleId));
  if (unhandledErrors.length) failed.push("an error outside the tests");
  if (changed) runner.invalidateFile(resolve(changed));
  const seen = {};
  if (past)
    for (const name of readdirSync(out)) {
      const { file, ms, ids } = JSON.parse(readFileSync(join(out, name), "utf8"));
      seen[relative(process.cwd(), file)] = { ms, ids };
    }
  process.send({ failed, past: seen });
});
