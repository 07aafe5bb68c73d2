#!/usr/bin/env node
// `npm run backup`: see docs/keeping.md.
import { checkNode, packages, run } from "./prepare.mjs";

checkNode();
await packages();
const { code } = await run(process.execPath, ["--import", "tsx", "src/process/backup.ts", ...process.argv.slice(2)]);
process.exit(code);
