import { plannedJob, TestBench } from "@tests/bench";
import { serverDb } from "@tests/serverDb";
import { describe, expect, it } from "vitest";
import { type JobEvent, makeEventId, STOCK_LOG, stockFromJob, stockFromLog } from "@/core/job";
import { foldStock, type StockState } from "@/core/stock";
import { connection } from "@/data/connection";
import { eventsAfter, readLog } from "@/data/eventStore";
import { outdateOpenCards } from "@/data/jobListStore";
import { appendOne } from "./append";
import { renewCards } from "./jobList";
import { readStock } from "./stockState";

let n = 0;
const id = () => {
  n += 1;
  return makeEventId(1_770_000_000_000 + n, new Uint8Array([n >> 8, n, 3, 3, 3, 3, 3, 3, 3, 3].map((x) => x & 255)));
};
const jobs = [1, 2, 3].map((k) => `00000000-0000-7000-8000-0000000000a${k}`);
/** The stock told from the beginning, all logs in one: what the one told item by item has to be. */
async function plain(): Promise<StockState> {
  const { db } = connection();
  const told = await Promise.all(jobs.map(async (j) => readLog(db, j).then((l) => stockFromJob(l.events, l.snapshots))));
  const own = (await eventsAfter(db, STOCK_LOG, 0)).map((r) => r.event);
  return foldStock([...told.flat(), ...stockFromLog(own)]);
}
const sorted = (s: StockState) => ({
  items: s.items,
  lots: s.lots,
  reserved: [...s.reserved].sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1)),
  breaches: [...s.breaches].sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1)),
});
const put = async (events: readonly JobEvent[]) => {
  for (const e of events) expect(await appendOne({ ...e, id: id() }, 1_790_000_000_000)).toMatchObject({ ok: true });
};

serverDb("stock-state");

describe("the stock told item by item", () => {
  it("is after every act what all logs told from the beginning say", async () => {
    expect(sorted((await readStock()).state)).toEqual(sorted(await plain()));
    const shop = new TestBench("dev-shop", STOCK_LOG);
    const own: JobEvent[] = [
      shop.do("stock.received", { item: "tape/4x0.5", lot: "R-1", count: 700, place: "drawer" }),
      shop.do("stock.received", { item: "screw/M2x3 wafer", lot: "S-1", count: 20, place: "cabinet" }),
    ];
    await put(own);
    for (const [k, job] of jobs.entries()) {
      const b = plannedJob("C", new TestBench(`dev-${k}`, job)).until(null);
      const events = b.events.map((e) =>
        e.type === "job.opened" ? { ...e, payload: { ...e.payload, number: `H-${k + 1}` } } : e,
      ) as JobEvent[];
      const half = events.findIndex((e) => e.type === "bond.panelSeated");
      await put(events.slice(0, half));
      expect(sorted((await readStock()).state)).toEqual(sorted(await plain()));
      await put(events.slice(half));
      expect(sorted((await readStock()).state)).toEqual(sorted(await plain()));
    }
    const more = [
      shop.do("stock.moved", { lot: "R-1", place: "wall" }),
      shop.do("stock.counted", { lot: "S-1", item: "screw/M2x3 wafer", count: 17 }),
      shop.do("stock.scrapped", { item: "tape/4x0.5", count: 3, why: "dusty" }),
    ];
    await put(more);
    const { state } = await readStock();
    expect(sorted(state)).toEqual(sorted(await plain()));
    expect(state.lots["R-1"]!.place).toBe("wall");
    // 700 were there, three jobs laid 372 each, 3 were thrown away: all 700 are gone.
    const tape = state.items["tape/4x0.5"]!;
    expect([tape.used + tape.scrapped, tape.scrapped, tape.onHand]).toEqual([700, 3, 0]);
    expect(state.breaches.length).toBeGreaterThan(0);
  });
  it("holds while cards are told anew by other rules, and when nothing changed is not told again", async () => {
    const { db } = connection();
    const first = (await readStock()).state;
    expect((await readStock()).state).toBe(first);
    await outdateOpenCards(db);
    expect(sorted((await readStock()).state)).toEqual(sorted(await plain()));
    await renewCards();
    expect(sorted((await readStock()).state)).toEqual(sorted(await plain()));
  });
  it("is whole at the first look after a start, when no job has told yet what it took", async () => {
    const { db } = connection();
    const told = sorted((await readStock()).state);
    await db.deleteFrom("job_told").execute();
    await db.deleteFrom("job_list").execute();
    expect(sorted((await readStock()).state)).toEqual(told);
    expect(told).toEqual(sorted(await plain()));
  });
});
