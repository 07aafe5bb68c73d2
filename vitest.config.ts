import { availableParallelism } from "node:os";
import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: {
    alias: {
      "@tests": fileURLToPath(new URL("./tests", import.meta.url)),
      "@": fileURLToPath(new URL("./src", import.meta.url)),
    },
  },
  test: {
    // A busy machine is slow, not wrong: properties over many machines take their time there.
    testTimeout: 240_000,
    hookTimeout: 120_000,
    include: ["src/**/*.test.ts", "scripts/**/*.test.ts", "tests/**/*.test.ts"],
    environment: "node",
    // As many as there are cores: tests are most of what runs.
    maxWorkers: Math.max(2, availableParallelism()),
    // Copies are made where a test asks for them.
    globalSetup: ["./tests/processes.ts"],
    env: { HELVANE_BACKUP_SCHEDULE: "off" },
  },
});
