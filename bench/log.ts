import { rmSync } from "node:fs";
import { snapshots } from "@tests/bench";
import { fold } from "@/core/job";
import { connection, migrate } from "@/data/connection";
import { longLog } from "./shop";
import { quantile, say, timeMs } from "./stats";

/** Fold of long logs, and durable appends through the same use case the route handler calls. */
export async function benchLog(): Promise<void> {
  const five = longLog(5000);
  const ten = longLog(10_000);
  const state = fold(five, snapshots);
  if (state.breaches.length) throw new Error(`the long log does not pass its gates: ${state.breaches[0]!.reason}`);
  const a: number[] = [];
  const b: number[] = [];
  // In turn, so that a slow moment of the machine hits both.
  for (let i = 0; i < 12; i++) {
    a.push(...timeMs(() => fold(five, snapshots), 1, i === 0 ? 3 : 0));
    b.push(...timeMs(() => fold(ten, snapshots), 1, i === 0 ? 2 : 0));
  }
  const m5 = quantile(a, 0.5);
  const m10 = quantile(b, 0.5);
  say("fold of 5,000 validated events, median", `${m5.toFixed(2)} ms`, "under 20 ms", m5 < 20);
  say("fold of 10,000 against 5,000, ratio of medians", `${(m10 / m5).toFixed(2)}`, "at most 2.3", m10 / m5 <= 2.3);

  const file = ".bench/append.sqlite";
  for (const t of ["", "-wal", "-shm"]) rmSync(file + t, { force: true });
  process.env.HELVANE_DB = file;
  const c = connection();
  await migrate(c);
  const { appendOne } = await import("@/server/append");
  const { plannedJob } = await import("@tests/bench");
  const log = plannedJob("C").until(null).events;
  for (const [hash, s] of Object.entries(snapshots))
    await c.db
      .insertInto("reference")
      .values({
        kind: s.kind as never,
        id: hash.slice(0, 30),
        hash,
        version: 1,
        json: JSON.stringify(s.data),
        updated_at: "2026",
      })
      .execute();
  const each: number[] = [];
  const began = performance.now();
  for (const e of log) {
    const at = performance.now();
    const done = await appendOne(e, Date.parse("2026-06-01T00:00:00Z"));
    if (!done.ok) throw new Error(`${e.type}: ${done.reason}`);
    each.push(performance.now() - at);
  }
  const perSecond = (log.length / (performance.now() - began)) * 1000;
  say("durable appends of one whole job, gates asked, per second", perSecond.toFixed(0));
  say("one durable append, p50 / p95", `${quantile(each, 0.5).toFixed(2)} / ${quantile(each, 0.95).toFixed(2)} ms`);
  // The floor of this disk: the same number of one-row transactions with nothing around them.
  c.raw.exec("create table floor (n integer primary key, t text)");
  const put = c.raw.prepare("insert into floor (t) values (?)");
  const bare: number[] = [];
  for (let i = 0; i < log.length; i++) {
    const at = performance.now();
    put.run("x".repeat(300));
    bare.push(performance.now() - at);
  }
  say("the same against a bare one-row commit on this disk, ratio", (quantile(each, 0.5) / quantile(bare, 0.5)).toFixed(2));
}
