#!/usr/bin/env node
// `npm start`: installs what is missing, builds, opens the shop, starts the production server. `npm run demo`: the same with the demo scenario.
import { rmSync } from "node:fs";
import { createServer } from "node:net";
import { build, checkNode, fail, packages, say } from "./prepare.mjs";

checkNode();
const demo = process.argv.includes("--demo");
const command = demo ? "npm run demo" : "npm start";
const port = Number(process.env.PORT ?? 4180);
if (!Number.isInteger(port) || port < 1 || port > 65534)
  fail(`PORT is "${process.env.PORT}"; expected a number from 1 to 65534.`);
await new Promise((done) => {
  const probe = createServer();
  probe.once("error", (e) =>
    fail(
      e.code === "EADDRINUSE"
        ? `Port ${port} is taken. Stop what uses it, or choose another:  PORT=${port + 10} ${command}`
        : e.code === "EACCES"
          ? `This user may not open port ${port}. Choose one above 1023:  PORT=4180 ${command}`
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
process.env.HELVANE_DB ??= demo ? "data-local/helvane.sqlite" : "data-local/shop.sqlite";
// A shop of one's own begins with the reference tables and nothing else.
process.env.HELVANE_SEED ??= demo ? "year" : "shop";
if (demo && process.argv.includes("--fresh")) {
  for (const tail of ["", "-wal", "-shm"]) rmSync(process.env.HELVANE_DB + tail, { force: true });
  process.env.HELVANE_NEW = "1";
  say("The demo scenario starts anew.");
}
await import("./serve.mjs");
