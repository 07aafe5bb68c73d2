#!/usr/bin/env node
// The import rule: arrows only point down, and nobody reaches into another folder's inside.
//   app, workers -> ui -> core;  app -> server -> data -> core;  wire is shared by ui, app and server, and imports core only.
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
  workers: ["core", "workers"],
  app: ["core", "wire", "server", "ui", "app", "proxy"],
  "proxy.ts": ["server"],
  "instrumentation.ts": ["server"],
};
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
    if (!MAY[top]?.includes(to)) wrong.push(`${file}: ${top} may not import ${to} (${spec})`);
    // A folder of core shows its index; one file of it may be named only where the rest would weigh on a page.
    const parts = target.split("/");
    if (
      to === "core" &&
      parts.length > 2 &&
      !(top === "core" && rel.split("/")[1] === parts[1]) &&
      // One file of a folder may be named only where the rest of it would weigh on a page, or would drag a schema along.
      !["core/proof/patterns", "core/quantity/shapes"].includes(target)
    )
      wrong.push(`${file}: reaches into core/${parts[1]} (${spec})`);
  }
  if (top === "core" && !test)
    for (const m of text
      .replace(/\/\*[\s\S]*?\*\/|\/\/.*$/gm, "")
      .matchAll(/\b(Date\.now\(|new Date\(\)|Math\.random\(|process\.|window\.|document\.|localStorage)/g))
      wrong.push(`${file}: core uses ${m[1]}`);
}
if (wrong.length) {
  console.error(wrong.join("\n"));
  process.exit(1);
}
console.log(`import rules hold in ${files.length} files`);
