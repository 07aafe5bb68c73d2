#!/usr/bin/env node
// `npm run e2e [-- NAME]`: browser tests, all or those whose file or name has NAME; builds first when the source is newer.
import { build, checkNode, chromium, packages, run } from "./prepare.mjs";

checkNode();
await packages();
await chromium();
await build();
const [name, ...rest] = process.argv.slice(2);
const { code } = await run(process.execPath, [
  "node_modules/@playwright/test/cli.js",
  "test",
  "--reporter=list",
  ...(name ? [name.endsWith(".spec.ts") ? name : `--grep=${name}`] : []),
  ...rest,
]);
process.exit(code);
