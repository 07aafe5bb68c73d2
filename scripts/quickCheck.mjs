// Reads a database through and says whether it is whole, on a thread of its own (`serve.mjs`). An error is no answer: the start looks itself.
import { parentPort, workerData } from "node:worker_threads";
import BetterSqlite from "better-sqlite3";

const raw = new BetterSqlite(workerData, { fileMustExist: true });
try {
  parentPort.postMessage(raw.pragma("quick_check(1)", { simple: true }));
} finally {
  raw.close();
}
