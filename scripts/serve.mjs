#!/usr/bin/env node
// The production server: one listener on this machine only, and a second one on the bench network that the settings open and close.
import { existsSync, readFileSync } from "node:fs";
import { createServer } from "node:http";
import { createServer as createTlsServer } from "node:https";
import { networkInterfaces } from "node:os";
import { Worker } from "node:worker_threads";
import next from "next";

const port = Number(process.env.PORT ?? 4180);
const benchPort = Number(process.env.BENCH_PORT ?? port + 1);
const VIA = "x-helvane-via";
const ADDRESS = "x-helvane-address";
const SCHEME = "x-helvane-scheme";
/** A certificate the shop supplies, in PEM: with it the bench network is encrypted. */
const { HELVANE_TLS_CERT: certFile, HELVANE_TLS_KEY: keyFile } = process.env;
const tls = certFile && keyFile ? { cert: readFileSync(certFile), key: readFileSync(keyFile) } : null;
const scheme = tls ? "https" : "http";

// Whether the database is whole takes reading all of it: another core does that while the pages are loaded. The start asks for the answer.
const database = process.env.HELVANE_DB ?? "data-local/helvane.sqlite";
if (existsSync(database)) globalThis.helvaneWhole = readThrough(database);

function readThrough(file) {
  return new Promise((done) => {
    const worker = new Worker(new URL("./quickCheck.mjs", import.meta.url), { workerData: file });
    worker.once("message", done);
    // It asks for itself then.
    worker.once("error", () => done(null));
    worker.once("exit", () => done(null));
  });
}

const app = next({ dev: process.env.NODE_ENV === "development", hostname: "127.0.0.1", port });
const handle = app.getRequestHandler();

const local = createServer((req, res) => {
  for (const h of [VIA, ADDRESS, SCHEME]) delete req.headers[h];
  handle(req, res);
});
let bench = null;

globalThis.helvaneListener = {
  addresses: () =>
    Object.values(networkInterfaces())
      .flatMap((list) => list ?? [])
      .filter((i) => i.family === "IPv4" && !i.internal)
      .map((i) => `${scheme}://${i.address}:${benchPort}`),
  open() {
    if (bench) return Promise.resolve(this.addresses());
    return new Promise((done, fail) => {
      const answer = (req, res) => {
        req.headers[VIA] = "bench-network";
        req.headers[ADDRESS] = req.socket.remoteAddress ?? "unknown";
        req.headers[SCHEME] = scheme;
        handle(req, res);
      };
      const server = tls ? createTlsServer(tls, answer) : createServer(answer);
      server.once("error", fail);
      server.listen(benchPort, process.env.BENCH_HOST ?? "0.0.0.0", () => {
        bench = server;
        done(this.addresses());
      });
    });
  },
  close() {
    const server = bench;
    bench = null;
    if (!server) return Promise.resolve();
    server.closeAllConnections();
    return new Promise((done) => server.close(() => done()));
  },
};

local.on("error", (e) => {
  console.error(
    e.code === "EADDRINUSE"
      ? `Port ${port} is taken. Stop what uses it, or choose another: PORT=4190 npm run demo`
      : `The server could not start: ${e.message}`,
  );
  process.exit(1);
});

await app.prepare();
// The first page a fresh process makes takes several times as long as any later one: it is made before anybody can ask, at a port of its own.
await new Promise((done) => {
  const first = createServer((req, res) => handle(req, res));
  first.once("error", done);
  first.listen(0, "127.0.0.1", async () => {
    await fetch(`http://127.0.0.1:${first.address().port}/`, { signal: AbortSignal.timeout(10_000) })
      .then((r) => r.arrayBuffer())
      .catch(() => null);
    first.close(done);
    first.closeAllConnections();
  });
});
local.listen(port, "127.0.0.1", async () => {
  console.log(`Helvane is ready at http://127.0.0.1:${port}`);
  const res = await fetch(`http://127.0.0.1:${port}/api/network`).catch(() => null);
  if (res?.ok && (await res.json()).on)
    await globalThis.helvaneListener.open().then(
      () => console.log(`Bench network open on port ${benchPort}`),
      (e) => console.error(`Bench network not opened: ${e.message}`),
    );
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => process.exit(0));
