#!/usr/bin/env node
// `npm test`: installs what is missing, then types, lint, the shape of the house with its import rules, unit tests, build, browser tests.
import { readFileSync } from "node:fs";
import { build, checkNode, chromium, fail, packages, run, say } from "./prepare.mjs";

checkNode();
await packages();
await chromium();
const began = Date.now();
const bin = (p) => `node_modules/${p}`;
const step = async (name, args, env) => {
  say(name);
  const at = Date.now();
  const { code } = await run(process.execPath, args, { env });
  if (code !== 0) fail(`${name}: failed`);
  say(`${name}: good, ${Math.round((Date.now() - at) / 1000)} s`);
};
await step("Types", [bin("typescript/bin/tsc"), "--noEmit"]);
await step("Lint", [bin("@biomejs/biome/bin/biome"), "check", "--diagnostic-level=error"]);
await step("Shape of the house", ["scripts/shape.mjs"]);
await step("Unit tests", [
  bin("vitest/vitest.mjs"),
  "run",
  "--reporter=default",
  "--reporter=json",
  "--outputFile.json=.unit.json",
]);
await build({ force: process.argv.includes("--build") });
await step("Browser tests", [bin("@playwright/test/cli.js"), "test", "--reporter=list,json"], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: ".browser.json",
});
const unit = JSON.parse(readFileSync(".unit.json", "utf8"));
const browser = JSON.parse(readFileSync(".browser.json", "utf8")).stats;
say(`${Math.round((Date.now() - began) / 1000)} s after installation`);
console.log(`unit: ${unit.numPassedTests} passed, ${unit.numFailedTests} failed`);
console.log(`browser: ${browser.expected} passed, ${browser.unexpected} failed`);
console.log(`${unit.numPassedTests + browser.expected} passed, ${unit.numFailedTests + browser.unexpected} failed`);
