import { defineConfig } from "@playwright/test";
import { chromiumPath } from "./e2e/chromium";

export default defineConfig({
  testDir: "e2e",
  testMatch: "*.spec.ts",
  fullyParallel: true,
  workers: 2,
  timeout: 90_000,
  // A machine that is busy with something else may miss a wait. What passes only the second time is listed as flaky: a defect.
  retries: 1,
  expect: { timeout: 7_000 },
  reporter: [["list"]],
  globalSetup: "./e2e/seed.ts",
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: chromiumPath(), args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"] },
  },
});
