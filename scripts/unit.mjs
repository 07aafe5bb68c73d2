#!/usr/bin/env node
// `npm run unit [-- FILE ...]`: unit tests, all or those of the files named.
import { checkNode, packages, run } from "./prepare.mjs";

checkNode();
await packages();
const { code } = await run(process.execPath, ["node_modules/vitest/vitest.mjs", "run", ...process.argv.slice(2)]);
process.exit(code);
