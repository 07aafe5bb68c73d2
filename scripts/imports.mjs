#!/usr/bin/env node
// The import rule: arrows only point down, and nobody reaches into another folder's inside.
//   app, workers -> ui -> core;  app, process -> server -> data -> core;  wire is shared by ui, app and server, and imports core only.
import { readdirSync, readFileSync, statSync } from "node:fs";
import { dirname, join, normalize, relative } from "node:path";

const MAY = {
  core: ["core"],
  wire: ["core", "wire"],
  data: ["core", "data"],
  server: ["core", "data", "wire", "server", "standins"],
  standins: ["core", "standins"],
  client: ["core", "wire", "client"],
  ui: ["core", "wire", "client", "ui"],
  // A device that stands beside the browser, as a phone, is simulated there.
  workers: ["core", "wire", "standins", "workers"],
  process: ["core", "data", "wire", "server", "process"],
  app: ["core", "wire", "server", "ui", "app", "proxy"],
  "proxy.ts": ["server"],
  "instrumentation.ts": ["server"],
};
/** The order among core's folders: a folder may import those before it, never those after it. */
const CORE_ORDER = [
  "quantity",
  "chance",
  "numeric",
  "edid",
  "build",
  "panel",
  "tape",
  "heat",
  "hinge",
  "procedure",
  "causes",
  "proof",
  "triage",
  "catalogue",
  "identify",
  "quote",
  "stock",
  "job",
  "teardown",
  "promise",
  "reorder",
  "shopReport",
];
const PURE = /^(react|react-dom|next|kysely|better-sqlite3|node:|fs$|path$)/;
const files = [];
const walk = (dir) => {
  for (const name of readdirSync(dir)) {
    const p = join(dir, name);
    if (statSync(p).isDirectory()) walk(p);
    else if (/\.tsx?$/.test(name)) files.push(p);
  }
};
walk("src");
const wrong = [];
/** Files of core by what they import, types included. */
const within = new Map();
for (const file of files) {
  const rel = relative("src", file);
  const top = rel.split("/")[0];
  const test = /\.test\.tsx?$/.test(file);
  const text = readFileSync(file, "utf8");
  for (const m of text.matchAll(/(?:from|import)\s*\(?\s*["']([^"']+)["']/g)) {
    const spec = m[1];
    if (top === "core" && !test && PURE.test(spec)) wrong.push(`${file}: core imports ${spec}`);
    const target = spec.startsWith("@/") ? spec.slice(2) : spec.startsWith(".") ? normalize(join(dirname(rel), spec)) : null;
    if (target === null || test) continue;
    // Tables that ship as data (grammar of codes) belong to the core that reads them.
    if (top === "core" && /^\.\.\/data\/reference\/[\w-]+\.json$/.test(target)) continue;
    const to = target.split("/")[0];
    if (top === "core" && to === "core") {
      const [mine, other] = [rel, target].map((p) => CORE_ORDER.indexOf(p.split("/")[1]));
      if (mine < 0 || other < 0)
        wrong.push(
          `${file}: core/${(mine < 0 ? rel : target).split("/")[1]} has no place in the order of core (scripts/imports.mjs)`,
        );
      else if (other > mine)
        wrong.push(`${file}: core/${CORE_ORDER[mine]} may not import core/${CORE_ORDER[other]}, which comes after it`);
      within.set(rel, [...(within.get(rel) ?? []), target]);
    }
    if (!MAY[top]?.includes(to)) wrong.push(`${file}: ${top} may not import ${to} (${spec})`);
    // A folder of core shows its index; one file of it may be named only where the rest would weigh on a page.
    const parts = target.split("/");
    if (
      to === "core" &&
      parts.length > 2 &&
      !(top === "core" && rel.split("/")[1] === parts[1]) &&
      // One file of a folder may be named only where the rest of it would weigh on a page, or would drag a schema along.
      ![
        "core/proof/patterns",
        "core/proof/touchTest",
        "core/quantity/shapes",
        "core/stock/items",
        "core/stock/shapes",
        "core/stock/tape",
      ].includes(target)
    )
      wrong.push(`${file}: reaches into core/${parts[1]} (${spec})`);
  }
  if (top === "core" && !test)
    for (const m of text
      .replace(/\/\*[\s\S]*?\*\/|\/\/.*$/gm, "")
      .matchAll(/\b(Date\.now\(|new Date\(\)|Math\.random\(|process\.|window\.|document\.|localStorage)/g))
      wrong.push(`${file}: core uses ${m[1]}`);
}
const names = new Set(files.map((f) => relative("src", f)));
const fileOf = (target) => [`${target}.ts`, `${target}.tsx`, `${target}/index.ts`].find((f) => names.has(f));
const state = new Map();
const path = [];
function circle(file) {
  if (state.get(file) === "done") return;
  if (state.get(file) === "open") {
    wrong.push(`a circle in core: ${[...path.slice(path.indexOf(file)), file].join(" -> ")}`);
    return;
  }
  state.set(file, "open");
  path.push(file);
  for (const t of within.get(file) ?? []) {
    const f = fileOf(t);
    if (f) circle(f);
  }
  path.pop();
  state.set(file, "done");
}
for (const f of within.keys()) circle(f);
/** Every job's first load carries the comparison of panels: it must not drag their schema, and with it Zod, along. */
const HEAVY = new Set(["zod", "./schema", "../schema", "./panelTable", "../panelTable"]);
const light = (file, seen = new Set()) => {
  if (seen.has(file)) return;
  seen.add(file);
  for (const m of readFileSync(file, "utf8").matchAll(/^import (?!type)[^;]*?["']([^"']+)["'];/gms)) {
    if (HEAVY.has(m[1])) wrong.push(`${file}: loads ${m[1]} with every job's first page`);
    const to = m[1].startsWith(".") ? join("src", `${normalize(join(dirname(relative("src", file)), m[1]))}.ts`) : null;
    if (to?.startsWith("src/core/panel/") && names.has(relative("src", to))) light(to, seen);
  }
};
for (const entry of ["fit", "verdict", "claims", "rank", "codeKey"]) light(`src/core/panel/${entry}.ts`);
/** What `npm run NAME` starts must load on a fresh clone, before there is any package: only node's own and each other, statically. */
const bare = (file, from) => {
  for (const m of readFileSync(file, "utf8").matchAll(/^import [^;]*?["']([^"']+)["'];/gms)) {
    if (m[1].startsWith("./")) bare(join("scripts", m[1]), from);
    else if (!m[1].startsWith("node:")) wrong.push(`${from}: loads ${m[1]} in ${file} before packages are installed`);
  }
};
// A tool of those who write Helvane, on a checkout that has run its tests.
const AFTER = new Set(["scripts/mutate.mjs"]);
for (const line of Object.values(JSON.parse(readFileSync("package.json", "utf8")).scripts)) {
  const file = /^node (scripts\/[\w.]+)/.exec(line)?.[1];
  if (file && !AFTER.has(file)) bare(file, file);
}
if (wrong.length) {
  console.error(wrong.join("\n"));
  process.exit(1);
}
console.log(`import rules hold in ${files.length} files`);
