#!/usr/bin/env node
// `npm run shape`: what the house is measured by. Sizes and the share of tests are counted; what a new kind of event, step, fit
// rule, fact or reference table costs is measured by really adding one of each to a copy and asking the compiler once.
import { execFileSync, spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";

const MOST = { core: 300, component: 250 };
const TESTS = [27, 33];
let bad = 0;
const tell = (good, words) => {
  console.log(`${good ? "good" : "WRONG"}  ${words}`);
  if (!good) bad += 1;
};

// --- sizes and tests -----------------------------------------------------------------------------------------------------------
const files = execFileSync("git", ["ls-files", "-co", "--exclude-standard", "-z"], { encoding: "utf8", maxBuffer: 1 << 28 })
  .split("\0")
  .filter((f) => /\.(ts|tsx|mjs)$/.test(f));
const text = (f) => {
  try {
    return readFileSync(f, "utf8");
  } catch {
    return "";
  }
};
const lines = (f) => text(f).split("\n").length - 1;
const isTest = (f) => /\.(test|spec)\.(ts|tsx|mjs)$/.test(f) || /^(e2e|tests)\//.test(f);
for (const [what, pick, most] of [
  ["file of core", (f) => f.startsWith("src/core/"), MOST.core],
  ["component", (f) => f.endsWith(".tsx"), MOST.component],
]) {
  const long = files.filter((f) => pick(f) && lines(f) > most).map((f) => `${f} (${lines(f)})`);
  const longest = files.filter(pick).sort((a, b) => lines(b) - lines(a))[0];
  tell(
    long.length === 0,
    `no ${what} over ${most} lines; longest ${longest} (${lines(longest)})${long.length ? `: ${long.join(", ")}` : ""}`,
  );
}
const full = (f) =>
  text(f)
    .split("\n")
    .filter((l) => l.trim()).length;
let tests = 0;
let all = 0;
for (const f of files) {
  all += full(f);
  if (isTest(f)) tests += full(f);
}
const share = (100 * tests) / all;
tell(
  share >= TESTS[0] && share <= TESTS[1],
  `tests are ${share.toFixed(1)} % of ${all} lines of TypeScript and scripts (wanted: ${TESTS.join(" to ")})`,
);
const order = spawnSync(process.execPath, ["scripts/imports.mjs"], { encoding: "utf8" });
tell(
  order.status === 0,
  `arrows point down, core's folders keep their order, no circle in core${order.status ? `\n${order.stderr}` : ""}`,
);

// --- a probe of each sort, in a copy ---------------------------------------------------------------------------------------------
const copy = mkdtempSync(join(tmpdir(), "helvane-shape-"));
process.on("exit", () => rmSync(copy, { recursive: true, force: true }));
cpSync("src", join(copy, "src"), { recursive: true, filter: (f) => !/\.test\.tsx?$/.test(f) });
for (const f of ["package.json", "next-env.d.ts"])
  try {
    cpSync(f, join(copy, f));
  } catch {
    // Next writes its types at the first build.
  }
symlinkSync(resolve("node_modules"), join(copy, "node_modules"));
const config = JSON.parse(readFileSync("tsconfig.json", "utf8"));
config.include = ["next-env.d.ts", "src/**/*"];
config.compilerOptions.incremental = false;
config.compilerOptions.paths = { "@/*": ["./src/*"] };
config.compilerOptions.plugins = [];
cpSync("data", join(copy, "data"), { recursive: true });
writeFileSync(join(copy, "tsconfig.json"), JSON.stringify(config));

/** Files written for a probe; each is counted once. */
const written = new Map();
const put = (probe, file, change) => {
  const at = join(copy, file);
  let old = "";
  try {
    old = readFileSync(at, "utf8");
  } catch {
    // A new file.
  }
  const next = change(old);
  if (next === old) throw new Error(`the probe "${probe}" found no place in ${file}`);
  writeFileSync(at, next);
  written.set(probe, new Set(written.get(probe)).add(file));
};
const before = (mark, more) => (s) => {
  const at = s.lastIndexOf(mark);
  return at < 0 ? s : `${s.slice(0, at)}${more}${s.slice(at)}`;
};
const J = "src/core/job";
const rule = (type, on) => `  "${type}": { name: "a probe", on: "${on}", apply: () => undefined },\n`;

// A whole event, of the desk: its station's two files.
put("event", `${J}/quote/payloads.ts`, before("} as const", '  "quote.probed": z.strictObject({ why: z.string() }),\n'));
put("event", `${J}/quote/rules.ts`, before("} satisfies RulesOf", rule("quote.probed", "desk")));
// A payload whose rule was forgotten.
put("event without a rule", `${J}/bench/payloads.ts`, before("} as const", '  "bench.forgotten": nothing,\n'));
// An act on the machine that no step knows of.
put("act without a step", `${J}/bond/payloads.ts`, before("} as const", '  "bond.homeless": nothing,\n'));
put("act without a step", `${J}/bond/rules.ts`, before("} satisfies RulesOf", rule("bond.homeless", "machine")));
// A hash that does not say what it is of.
put("hash of nothing", `${J}/plan/payloads.ts`, before("} as const", '  "plan.unsaid": z.strictObject({ secretHash: hash }),\n'));
put("hash of nothing", `${J}/plan/rules.ts`, before("} satisfies RulesOf", rule("plan.unsaid", "desk")));
put(
  "step",
  "src/core/teardown/steps/probeStep.ts",
  () => `import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    probeStep: true;
  }
}

export const probeStep = {
  station: "bond",
  make: () => ({ title: "Probe", how: "Probe it.", minutes: 1 }),
  done: (v) => v.s.bond.dusted,
  next: () => null,
  events: {},
  press: "Press when it is probed",
} satisfies StepRule;
`,
);
put(
  "fit rule",
  "src/core/panel/rules/probeRule.ts",
  () => `import { type FitRule, row } from "./row";

declare module "./row" {
  interface FitFields {
    probeRule: true;
  }
}

export const probeRule = {
  fact: "lanes",
  judge: ({ old, candidate }) =>
    row({ field: "probeRule", name: "Probe", words: String, look: "Look" }, old.lanes, candidate.lanes, {
      verdict: "same",
      words: "same",
      reason: "A probe.",
    }),
} satisfies FitRule;
`,
);
put("fact", "src/core/panel/factNames.ts", before("] as const", '  "probeFact",\n'));
put(
  "reference table",
  "src/core/tape/probeTable.ts",
  () => 'import { z } from "zod";\n\nexport const ProbeTable = z.strictObject({ id: z.string(), mm: z.number() });\n',
);
put("reference table", "src/data/registry.ts", (s) =>
  before(
    "} as const;\n\nexport type ReferenceKind",
    "  probe: table({ schema: ProbeTable, shipped: null, id: (r) => r.id, snapshot: false }),\n",
  )(s).replace(
    'import { ToolStock } from "@/core/teardown";',
    'import { ProbeTable } from "@/core/tape/probeTable";\nimport { ToolStock } from "@/core/teardown";',
  ),
);
put("snapshot kind", `${J}/state.ts`, (s) =>
  s.replace(
    '  | { kind: "build"; data: Build }',
    '  | { kind: "build"; data: Build }\n  | { kind: "probeKept"; data: { id: string } }',
  ),
);

const run = spawnSync(
  process.execPath,
  [resolve("node_modules/typescript/bin/tsc"), "--noEmit", "-p", copy, "--pretty", "false"],
  {
    encoding: "utf8",
    maxBuffer: 1 << 28,
    cwd: copy,
  },
);
const named = [];
for (const l of run.stdout.split("\n")) {
  const m = /^(src\/[^(]+)\((\d+),\d+\): error TS\d+: (.*)$/.exec(l);
  if (m) named.push({ file: m[1], words: m[3] });
  else if (l.startsWith(" ") && named.length) named.at(-1).words += ` ${l.trim()}`;
}
const MARKS = {
  event: ["quote.probed"],
  "event without a rule": ["bench.forgotten"],
  "act without a step": ["bond.homeless"],
  "hash of nothing": ["secretHash", "plan.unsaid"],
  step: ["probeStep"],
  "fit rule": ["probeRule"],
  fact: ["probeFact"],
  "reference table": ["ProbeTable", "probeTable"],
  "snapshot kind": ["probeKept"],
};
const names = (probe) =>
  [...new Set(named.filter((n) => MARKS[probe].some((m) => n.words.includes(m))).map((n) => n.file))].sort();
/** How many files are written by hand, and what the compiler names: exactly these, or at least these. */
const expected = (probe, hand, list, atLeast = false) => {
  const got = names(probe);
  const holds = atLeast ? list.every((f) => got.includes(f)) : JSON.stringify(got) === JSON.stringify([...list].sort());
  const files = written.get(probe).size;
  tell(
    holds && files === hand,
    `${probe}: ${files} file${files === 1 ? "" : "s"}${got.length ? `; the compiler names ${got.join(", ")}` : "; the compiler names nothing else"}${holds ? "" : ` (expected ${list.join(", ") || "nothing"})`}`,
  );
};
expected("event", 2, []);
expected("event without a rule", 1, [`${J}/bench/rules.ts`], true);
expected("act without a step", 2, ["src/core/teardown/steps/index.ts"], true);
expected("hash of nothing", 2, [`${J}/plan/rules.ts`], true);
expected("step", 1, ["src/core/teardown/steps/index.ts"]);
expected("fit rule", 1, ["src/core/panel/rules/index.ts"]);
expected("fact", 1, ["src/core/panel/schema.ts", "src/core/panel/factWords.ts"], true);
expected("reference table", 2, []);
expected("snapshot kind", 1, ["src/data/registry.ts"], true);
// One error follows from another: only a file that no probe is about is a surprise.
const about = new Set(Object.keys(MARKS).flatMap(names));
const stray = named.filter((n) => !about.has(n.file));
tell(
  stray.length === 0,
  `the compiler names nothing for any other reason${
    stray.length
      ? `:\n${stray
          .slice(0, 8)
          .map((n) => `  ${n.file}: ${n.words.slice(0, 200)}`)
          .join("\n")}`
      : ""
  }`,
);
process.exit(bad ? 1 : 0);
