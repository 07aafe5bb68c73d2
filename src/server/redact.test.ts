import { readFileSync } from "node:fs";
import { plannedJob, TestBench } from "@tests/bench";
import { serverDb } from "@tests/serverDb";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { fold, type JobEvent, makeClock, REMOVED } from "@/core/job";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { appendOne } from "./append";
import { storePhoto } from "./photo";
import { redactJobs, toRedact } from "./redact";
import { shopLogOf } from "./shopLog";
import { exportJob, importJob } from "./transfer";

serverDb("redact", { jobs: true });
const NAME = "Wilhelmina Ostergaard";
const WORDS = "the one with the violet sticker";
const job = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, "0")}`;
let n = 0;
const id = () => `0190ffff-0000-7000-8000-${String(++n).padStart(12, "0")}`;
let now = 0;

/** A whole job of this customer, with a note and a photo, closed. */
async function closed(k: number, customer: string): Promise<void> {
  const b = plannedJob("C", new TestBench("device-a", job(k))).until(null);
  b.events[0] = {
    ...b.events[0]!,
    payload: { ...b.state.job!, number: `H-${k}`, customer, words: WORDS, serial: `SN-VIOLET-${k}` },
  } as JobEvent;
  now = b.ms + 60_000;
  for (const e of b.events) expect(await appendOne({ ...e, id: id() }, now)).toMatchObject({ ok: true });
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: { r: 10 * k, g: 90, b: 40 } } })
    .jpeg()
    .toBuffer();
  const photo = (await storePhoto(picture))!;
  const put = async (type: string, payload: object) => {
    now += 1000;
    const seen = (await readLog(connection().db, job(k))).cursor;
    const e = {
      id: id(),
      jobId: job(k),
      type,
      v: 1,
      payload,
      who: "Bench 1",
      device: "device-a",
      clock: makeClock(now, 0),
      seen,
    } as JobEvent;
    expect(await appendOne(e, now), type).toMatchObject({ ok: true });
  };
  await put("job.noted", { text: `${WORDS}, call ${customer}`, photo });
  await put("job.closed", { outcome: "handedOver", reason: "" });
}
const bytes = () => {
  connection().raw.pragma("wal_checkpoint(TRUNCATE)");
  return readFileSync(connection().raw.name);
};
const photos = () => (connection().raw.prepare("select count(*) as n from blobs").get() as { n: number }).n;

beforeAll(async () => {
  await closed(1, NAME);
  await closed(2, "Harbour Branch");
});

describe("removing personal words", () => {
  it("dry run: by time and by name, closed jobs only", async () => {
    expect(await toRedact({ customer: ` ${NAME.toUpperCase()} ` })).toMatchObject([{ number: "H-1", customer: NAME, photos: 1 }]);
    expect(await toRedact({ customer: "Nobody" })).toEqual([]);
    expect(await toRedact({ before: new Date(now + 1).toISOString() })).toHaveLength(2);
    expect(await toRedact({ before: "2020-01-01T00:00:00.000Z" })).toEqual([]);
  });
  it("nothing of them is left in any byte of the file, everything physical and every figure stays", async () => {
    const zip = (await exportJob(job(1)))!;
    const before = await readLog(connection().db, job(1));
    const was = fold(before.events, before.snapshots);
    const log = await shopLogOf("C");
    expect(bytes().includes(NAME)).toBe(true);
    expect(photos()).toBe(2);
    expect(await redactJobs([job(1), job(1)], "asked", "Bench 1")).toMatchObject({ jobs: 1 });
    const file = bytes();
    for (const word of [NAME, "SN-VIOLET-1", `call ${NAME}`]) expect(file.includes(word), word).toBe(false);
    expect(photos()).toBe(1);
    const after = await readLog(connection().db, job(1));
    const is = fold(after.events, after.snapshots);
    expect(is.job).toMatchObject({
      number: "H-1",
      customer: REMOVED,
      words: REMOVED,
      serial: REMOVED,
      machineModel: was.job!.machineModel,
    });
    expect([is.screws, is.connectors, is.prove, is.close.seams, is.closed]).toEqual([
      was.screws,
      was.connectors,
      was.prove,
      was.close.seams,
      was.closed,
    ]);
    expect(after.events.slice(0, -1).map((e) => [e.id, e.clock, e.type])).toEqual(
      before.events.map((e) => [e.id, e.clock, e.type]),
    );
    expect(after.events.at(-1)).toMatchObject({ type: "job.redacted", payload: { because: "asked" } });
    expect(await shopLogOf("C")).toEqual(log);
    // The words of others stay.
    expect(bytes().includes("Harbour Branch")).toBe(true);
    expect(await toRedact({ customer: NAME })).toEqual([]);
    expect(await redactJobs([job(1)], "time", "x")).toEqual({ jobs: 0, entries: 0 });
    // An older copy met again is the same job: nothing comes back, nothing is refused.
    expect(await importJob(zip)).toMatchObject({ ok: true, added: 0, repeated: before.events.length });
    expect(bytes().includes(NAME)).toBe(false);
    const again = before.events.find((e) => e.type === "job.noted")!;
    expect(await appendOne(again, now)).toMatchObject({ ok: true, repeated: true });
    expect(bytes().includes(`call ${NAME}`)).toBe(false);
  });
  it("a job that is still open keeps them: they are needed", async () => {
    for (const e of plannedJob("C", new TestBench("device-a", job(3))).events) {
      const own = { ...e, id: id() };
      if (own.type === "job.opened") own.payload = { ...own.payload, number: "H-3", customer: NAME };
      expect(await appendOne(own as JobEvent, now)).toMatchObject({ ok: true });
    }
    expect(await redactJobs([job(3)], "asked", "x")).toEqual({ jobs: 0, entries: 0 });
    expect(await toRedact({ customer: NAME })).toEqual([]);
  });
});
