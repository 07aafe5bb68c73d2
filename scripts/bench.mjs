#!/usr/bin/env node
// `npm run bench`: medians and ratios of what the docs promise, then 200 faults put into core (`--seed N` draws them). Builds first,
// so that pages are the production ones.
import { build, checkNode, packages, run } from "./prepare.mjs";

checkNode();
await packages();
await build();
// One part of it: reliability, fuzz.
const parts = /^(reliability|fuzz)$/.test(process.argv[2] ?? "") ? process.argv.slice(2) : [];
const { code } = await run(process.execPath, ["--import", "tsx", "bench/run.ts", ...parts], { env: { NODE_ENV: "production" } });
if (code || parts.length) process.exit(code);
const { code: faults } = await run(process.execPath, ["scripts/mutate.mjs", ...process.argv.slice(2)]);
process.exit(faults);
