import { mkdirSync, rmSync } from "node:fs";
import { benchAftermath } from "./aftermath";
import { benchFuzz } from "./fuzz";
import { benchHeat } from "./heat";
import { benchImport } from "./imports";
import { benchLog } from "./log";
import { benchPages } from "./pages";
import { benchPhotos } from "./photos";
import { benchReliability } from "./reliability";
import { benchEdidFuzz, benchSearch } from "./search";
import { missed } from "./stats";
import { benchTeardownInWorker } from "./teardown";
import { benchTriage } from "./triage";

rmSync(".bench", { recursive: true, force: true });
mkdirSync(".bench", { recursive: true });
console.log(`Node ${process.version}, ${new Date().toISOString()}. Absolute times are this machine's; ratios travel.\n`);
const only = process.argv[2];
const { spawnSync } = await import("node:child_process");
if (only === "machines") {
  const env = { ...process.env, HELVANE_MACHINES: process.argv[3] ?? "10000" };
  const args = ["node_modules/vitest/vitest.mjs", "run", "src/core/teardown/machines.test.ts", "--testTimeout=1800000"];
  process.exit(spawnSync(process.execPath, args, { env, stdio: "inherit" }).status ?? 1);
}
if (only === "scenes") {
  const env = { ...process.env, HELVANE_SCENES: process.argv[3] ?? "300" };
  const args = ["node_modules/vitest/vitest.mjs", "run", "src/core/proof/evenness/verdict.test.ts", "-t", "drawn panels"];
  process.exit(spawnSync(process.execPath, args, { env, stdio: "inherit" }).status ?? 1);
}
if (only === "screens") {
  const env = { ...process.env, HELVANE_ALL_WIDTHS: "1" };
  const args = [
    "node_modules/@playwright/test/cli.js",
    "test",
    "axe.spec.ts",
    "layout.spec.ts",
    "--reporter=list",
    "--retries=0",
  ];
  process.exit(spawnSync(process.execPath, args, { env, stdio: "inherit" }).status ?? 1);
}
if (only === "reliability" || only === "fuzz" || only === "aftermath" || only === "heat" || only === "photos") {
  if (only === "fuzz") await benchFuzz();
  else if (only === "photos") benchPhotos();
  else if (only === "heat") benchHeat(Number(process.argv[3] ?? 500));
  else if (only === "aftermath") benchAftermath(Number(process.argv[3] ?? 300));
  else await benchReliability(process.argv[3]);
  const bad = missed();
  console.log(
    bad.length ? `\n${bad.length} target(s) not reached: ${bad.map((f) => f.what).join("; ")}` : "\nall targets reached",
  );
  process.exit(bad.length ? 1 : 0);
}
await benchLog();
await benchImport();
await benchTriage();
await benchTeardownInWorker();
benchEdidFuzz();
benchSearch();
await benchPages();
const bad = missed();
console.log(bad.length ? `\n${bad.length} target(s) not reached: ${bad.map((f) => f.what).join("; ")}` : "\nall targets reached");
process.exit(0);
