#!/usr/bin/env node
// `npm run demo`: installs what is missing, builds, opens the demo scenario, starts the production server.
import { rmSync } from "node:fs";
import { createServer } from "node:net";
import { build, checkNode, fail, packages, say } from "./prepare.mjs";

checkNode();
const port = Number(process.env.PORT ?? 4180);
if (!Number.isInteger(port) || port < 1 || port > 65534)
  fail(`PORT is "${process.env.PORT}"; expected a number from 1 to 65534.`);
await new Promise((done) => {
  const probe = createServer();
  probe.once("error", (e) =>
    fail(
      e.code === "EADDRINUSE"
        ? `Port ${port} is taken. Stop what uses it, or choose another:  PORT=${port + 10} npm run demo`
        : e.code === "EACCES"
          ? `This user may not open port ${port}. Choose one above 1023:  PORT=4180 npm run demo`
          : e.message,
    ),
  );
  probe.listen(port, "127.0.0.1", () => probe.close(done));
});
await packages();
await build();
process.env.NODE_ENV = "production";
process.env.NEXT_TELEMETRY_DISABLED = "1";
process.env.PORT = String(port);
process.env.HELVANE_DB ??= "data-local/helvane.sqlite";
if (process.argv.includes("--fresh")) {
  for (const tail of ["", "-wal", "-shm"]) rmSync(process.env.HELVANE_DB + tail, { force: true });
  process.env.HELVANE_NEW = "1";
  say("The demo scenario starts anew.");
}
await import("./serve.mjs");
