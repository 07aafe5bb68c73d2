import { serverDb } from "@tests/serverDb";
import { type Counted, countZip } from "@tests/zipCount";
import { beforeAll, describe, expect, it } from "vitest";
import { counting, type JobEvent, makeEventId, msOf } from "@/core/job";
import { connection } from "@/data/connection";
import { demoEvents, demoHashes, demoSnapshots, demoStock } from "@/data/demoScenario";
import { demoYear, demoYearStock } from "@/data/demoYear";
import { readLog } from "@/data/eventStore";
import { plantLogs } from "@/data/plantLogs";
import { appendOne } from "./append";
import { readStock } from "./stockState";
import { exportJob } from "./transfer";

serverDb("stock-adds-up");
const NOW = Date.parse("2026-06-01T08:00:00.000Z");
let jobs: string[] = [];
/** What the shop itself wrote down, beside its jobs: pieces, or mm, by item. */
const own = { used: {} as Record<string, number> };

beforeAll(async () => {
  const snapshots = demoSnapshots("data");
  const demo = demoEvents("data", demoHashes("data"), NOW);
  const year = demoYear(demo, snapshots, NOW, 24);
  jobs = [...demo, ...year].map((l) => l[0]!.jobId);
  const shelf = demoStock("data", NOW);
  const rolls = demoYearStock(year, snapshots, NOW);
  for (const e of [...shelf, ...rolls])
    if (e.type === "stock.used") own.used[e.payload.item] = (own.used[e.payload.item] ?? 0) + e.payload.count;
  plantLogs(connection(), [...demo, ...year, shelf, rolls], snapshots, new Date(NOW).toISOString());
});

const zips = () => Promise.all(jobs.map(async (j) => countZip((await exportJob(j))!)));
const sum = (all: readonly Counted[], of: (c: Counted) => number) => all.reduce((n, c) => n + of(c), 0);
const tapeOf = (all: readonly Counted[]) => {
  const out: Record<string, number> = {};
  for (const c of all) for (const [item, mm] of Object.entries(c.tape)) out[item] = (out[item] ?? 0) + mm;
  return out;
};

async function agrees() {
  const [counted, { state }] = [await zips(), await readStock()];
  const items = (kind: string) => Object.entries(state.items).filter(([k]) => k.startsWith(`${kind}/`));
  const byHand = (kind: string) => Object.entries(own.used).reduce((n, [k, c]) => n + (k.startsWith(`${kind}/`) ? c : 0), 0);
  const flow = (kind: string, of: (i: (typeof state.items)[string]) => number) => items(kind).reduce((n, [, i]) => n + of(i), 0);
  // What was used beyond the books is a breach with its amount: with it every millimetre that was laid is told.
  const beyond: Record<string, number> = {};
  for (const b of state.breaches) {
    const m = /^(\d+) of (tape\/\S+) used/.exec(b.why);
    if (m) beyond[m[2]!] = (beyond[m[2]!] ?? 0) + Number(m[1]);
  }
  const used = Object.fromEntries(
    items("tape").flatMap(([k, i]) => (i.used + (beyond[k] ?? 0) > 0 ? [[k, i.used + (beyond[k] ?? 0)]] : [])),
  );
  const laid = tapeOf(counted);
  for (const [item, mm] of Object.entries(own.used)) if (item.startsWith("tape/")) laid[item] = (laid[item] ?? 0) + mm;
  expect(used).toEqual(laid);
  expect(flow("panel", (i) => i.used)).toBe(sum(counted, (c) => c.panelsFitted) + byHand("panel"));
  expect(flow("panel", (i) => i.scrapped)).toBe(sum(counted, (c) => c.panelsBack));
  expect(flow("donor", (i) => i.salvaged)).toBe(sum(counted, (c) => c.oldPanels));
  expect(flow("screw", (i) => i.used)).toBe(sum(counted, (c) => c.screwsUsed) + byHand("screw"));
  expect(flow("screw", (i) => i.salvaged)).toBe(sum(counted, (c) => c.screwsKept));
  for (const [, i] of items("tape")) expect(i.onHand).toBe(i.received + i.salvaged + i.corrected - i.used - i.scrapped);
  return { counted, state };
}

describe("the stock against the zips of all jobs, counted by hand", () => {
  it("metres of tape, screws and panels add up to the last piece", async () => {
    const { counted } = await agrees();
    // Something was counted: a year's jobs, and rolls that were there.
    expect(sum(counted, (c) => c.panelsFitted)).toBeGreaterThan(20);
    expect(Object.values(tapeOf(counted)).reduce((a, b) => a + b, 0)).toBeGreaterThan(1000);
  });
  it("and still do after the last acts of jobs were taken back", async () => {
    let taken = 0;
    for (const id of jobs) {
      const { events } = await readLog(connection().db, id);
      const last = counting(events).at(-1)!;
      for (const e of counting(events).reverse().slice(0, 12)) {
        if (!/^(bond|match|close|swap|open)\./.test(e.type)) continue;
        taken += 1;
        const back: JobEvent = {
          ...last,
          id: makeEventId(NOW + taken, new Uint8Array([taken, 9, 9, 9, 9, 9, 9, 9, 9, taken])),
          type: "job.takenBack",
          payload: { eventId: e.id },
          v: 1,
          clock: `${String(msOf(events.at(-1)!.clock) + 60_000 + taken).padStart(15, "0")}-000000`,
          seen: 10_000_000,
        } as JobEvent;
        if (!(await appendOne(back, NOW + 86_400_000)).ok) taken -= 1;
        break;
      }
    }
    // Of open jobs a last act can be taken back; of closed ones none.
    expect(taken).toBeGreaterThan(0);
    await agrees();
  });
});
