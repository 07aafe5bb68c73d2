#!/usr/bin/env node
// `npm run bench`: medians and ratios of what the docs promise. Builds first, so that pages are the production ones.
import { build, checkNode, packages, run } from "./prepare.mjs";

checkNode();
await packages();
await build();
const { code } = await run(process.execPath, ["--import", "tsx", "bench/run.ts"], { env: { NODE_ENV: "production" } });
process.exit(code);
