import { plannedJob, snapshots, type TestBench } from "@tests/bench";
import { type JobEvent, makeEventId } from "@/core/job";
import { migrate, openConnection } from "@/data/connection";
import { insertEvent } from "@/data/eventStore";

/** One whole job of each family, from opened to closed, as the product's own gates let it pass. */
function wholeJob(family: "B" | "C"): readonly JobEvent[] {
  const b: TestBench = plannedJob(family).until(null);
  b.do("job.closed", { outcome: "handedOver", reason: "" });
  return b.events;
}

/** Adds open jobs: whole jobs cut off somewhere on their way, so that every shelf has some. */
export async function addOpenJobs(file: string, count: number): Promise<number> {
  return addJobs(file, count, (log, i) => log.slice(0, 3 + Math.floor((((i * 37) % 100) / 100) * (log.length - 4))), 20_000);
}

/** Adds closed jobs to a database that has the demo scenario: copies of whole jobs under ids and numbers of their own. */
export async function addClosedJobs(file: string, count: number): Promise<number> {
  return addJobs(file, count, (log) => log, 10_000);
}

async function addJobs(
  file: string,
  count: number,
  part: (log: readonly JobEvent[], i: number) => readonly JobEvent[],
  firstNumber: number,
): Promise<number> {
  const c = openConnection(file);
  await migrate(c);
  const logs = { B: wholeJob("B"), C: wholeJob("C") };
  let n = 0;
  const id = () => {
    n += 1;
    return makeEventId(
      1_760_000_000_000 + firstNumber * 1_000_000 + n,
      new Uint8Array([n >> 24, n >> 16, n >> 8, n, 7, 7, 7, 7, 7, 7]),
    );
  };
  let total = 0;
  await c.db.transaction().execute(async (trx) => {
    for (let i = 0; i < count; i++) {
      const jobId = id();
      for (const e of part(logs[i % 2 ? "B" : "C"], i)) {
        const payload =
          e.type === "job.opened" ? { ...e.payload, number: `H-${firstNumber + i}`, customer: `Reader ${i}` } : e.payload;
        const own = Object.values(payload).filter((v): v is string => typeof v === "string" && v in snapshots);
        await insertEvent(
          trx,
          { ...e, id: id(), jobId, payload } as JobEvent,
          "2026-01-01T00:00:00.000Z",
          Object.fromEntries(own.map((h) => [h, { kind: snapshots[h]!.kind, json: JSON.stringify(snapshots[h]!.data) }])),
        );
        total += 1;
      }
    }
  });
  c.raw.close();
  return total;
}

/** A log of this many events, each of which passed its gate: screws out and home again, over and over. */
export function longLog(events: number): JobEvent[] {
  const b = plannedJob("C").until("screwsOut:base-screws");
  const screws = ["b1", "b2", "b3", "b4", "b5", "b6"];
  const log: JobEvent[] = [...b.events];
  // The gates are asked on a short copy of the log: what follows repeats a round that has passed them.
  const round = [
    ...screws.map((screw) => ({ type: "open.screwOut" as const, payload: { screw } })),
    ...screws.map((screw) => ({ type: "close.screwBack" as const, payload: { screw } })),
    { type: "job.noted" as const, payload: { text: "round and round" } },
  ];
  for (const a of round) b.do(a.type, a.payload);
  for (let i = 0; log.length < events; i++) log.push(b.make(round[i % round.length] as never));
  return log.slice(0, events);
}
