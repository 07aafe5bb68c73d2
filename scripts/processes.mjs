import { readdirSync } from "node:fs";
import { build } from "esbuild";

/** What the server runs in a process of its own, each in one file, so that it starts at once. */
export async function bundleProcesses(outdir) {
  const entries = readdirSync("src/process").filter((f) => f.endsWith(".ts") && f !== "answer.ts");
  await build({
    entryPoints: entries.map((f) => `src/process/${f}`),
    outdir,
    outExtension: { ".js": ".mjs" },
    bundle: true,
    platform: "node",
    format: "esm",
    packages: "external",
    logLevel: "error",
    tsconfig: "tsconfig.json",
  });
}

/** Patterns, dots and touch as one plain script: what the file for a stick carries. */
export async function bundleStick(outdir) {
  await build({
    entryPoints: ["src/ui/prove/stick/main.ts"],
    outfile: `${outdir}/stick.js`,
    bundle: true,
    minify: true,
    platform: "browser",
    format: "iife",
    target: "es2020",
    charset: "utf8",
    logLevel: "error",
    tsconfig: "tsconfig.json",
  });
}
