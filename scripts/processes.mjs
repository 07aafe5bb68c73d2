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
