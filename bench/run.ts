import { mkdirSync, rmSync } from "node:fs";
import { benchLog } from "./log";
import { benchPages } from "./pages";
import { benchEdidFuzz, benchSearch } from "./search";
import { missed } from "./stats";
import { benchTriage } from "./triage";

rmSync(".bench", { recursive: true, force: true });
mkdirSync(".bench", { recursive: true });
console.log(`Node ${process.version}, ${new Date().toISOString()}. Absolute times are this machine's; ratios travel.\n`);
await benchLog();
await benchTriage();
benchEdidFuzz();
benchSearch();
await benchPages();
const bad = missed();
console.log(bad.length ? `\n${bad.length} target(s) not reached: ${bad.map((f) => f.what).join("; ")}` : "\nall targets reached");
process.exit(0);
