import { plannedJob, TestBench } from "@tests/bench";
import { seededRandom } from "@tests/randomActs";
import { serverDb } from "@tests/serverDb";
import { describe, expect, it } from "vitest";
import { compareEvents, fold, type JobEvent, makeClock, movedBy, msOf, nextClock, placeOf } from "@/core/job";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { appendOne } from "./append";
import { heardOf } from "./presence";

const DAY = 86_400_000;
serverDb("place", { jobs: true });

const newestOf = (events: readonly JobEvent[]): string => events.map(placeOf).sort().at(-1)!;
let made = 0;
const jobId = () => `00000000-0000-7000-8000-${String(++made).padStart(12, "0")}`;
/** A job opened and planned on one device, and the server's time just after. */
async function planned(until: string | null = "drain") {
  const id = jobId();
  const b = plannedJob("C", new TestBench("device-a", id)).until(until);
  const now = b.ms + 60_000;
  for (const e of b.events) expect(await appendOne(own(id, e), now)).toMatchObject({ ok: true });
  return { id, now, last: b.events.at(-1)!, stored: async () => readLog(connection().db, id) };
}
let ids = 0;
const own = (id: string, e: JobEvent): JobEvent => ({
  ...e,
  id: `0190aaaa-0000-7000-8000-${String(++ids).padStart(12, "0")}`,
  jobId: id,
});
const note = (id: string, device: string, clock: string, seen: number, text: string): JobEvent =>
  own(id, { id: "", jobId: id, type: "job.noted", v: 1, payload: { text }, who: "Bench 1", device, clock, seen });

describe("an act is placed where the hand was", () => {
  it("by its device's clock less what was measured, whichever way it is off", async () => {
    for (const days of [-400, -1, 0, 1, 400]) {
      const { id, now, stored } = await planned();
      const { cursor } = await stored();
      const said = makeClock(now + 5_000 + days * DAY, 0);
      const done = await appendOne(note(id, "device-b", said, cursor, "n"), now + 9_000, days * DAY);
      expect(done, `${days} days`).toMatchObject({ ok: true, placed: makeClock(now + 5_000, 0) });
      const kept = (await stored()).events.at(-1)!;
      expect(kept).toMatchObject({ clock: said, placed: makeClock(now + 5_000, 0) });
    }
  });
  it("never after the server's now, and on arrival where nothing was ever measured", async () => {
    const { id, now, stored } = await planned();
    const { cursor } = await stored();
    for (const ahead of [0, null]) {
      const done = await appendOne(note(id, "device-b", makeClock(now + 400 * DAY, 3), cursor, "n"), now, ahead);
      expect(done.ok && msOf(done.placed), String(ahead)).toBe(now);
    }
    // The next device is not dragged: what it records now stands at now.
    const mine = newestOf((await stored()).events);
    expect(msOf(nextClock(mine, now + 7))).toBe(now + 7);
  });
  it("after what its own lane did, and after what its device had seen, even with a clock four hundred days behind and unmeasured", async () => {
    const { id, now, stored } = await planned();
    const { cursor, events } = await stored();
    const newest = newestOf(events);
    const one = await appendOne(note(id, "device-b", makeClock(now - 400 * DAY, 0), cursor, "one"), now);
    const two = await appendOne(note(id, "device-b", makeClock(now - 400 * DAY, 0), cursor, "two"), now);
    expect(one.ok && two.ok && one.placed > newest && two.placed > one.placed).toBe(true);
    const state = fold((await stored()).events, (await stored()).snapshots);
    expect(state.notes.map((n) => n.text).slice(-2)).toEqual(["one", "two"]);
    expect(state.breaches).toEqual([]);
  });
  it("once: sent again it stays where it is", async () => {
    const { id, now, stored } = await planned();
    const { cursor } = await stored();
    const e = note(id, "device-b", makeClock(now, 0), cursor, "n");
    const first = await appendOne(e, now);
    expect(await appendOne(e, now + DAY, -5 * DAY)).toEqual({ ...first, repeated: true });
  });
});

describe("late is seen, not claimed", () => {
  const plug = (id: string, now: number, seen: number) =>
    own(id, {
      id: "",
      jobId: id,
      type: "swap.cableDisconnected",
      v: 1,
      payload: { connector: "display-plug" },
      who: "Bench 2",
      device: "device-b--k1",
      clock: makeClock(now, 0),
      seen,
    } as JobEvent);
  it("an act with a current cursor meets its gate as if live, however it came", async () => {
    const { id, now, stored } = await planned("cableOff:battery-plug");
    expect(await appendOne(plug(id, now, (await stored()).cursor), now)).toMatchObject({ ok: false });
  });
  it("an act that had not seen another's has happened", async () => {
    const { id, now, stored } = await planned("cableOff:battery-plug");
    expect(await appendOne(plug(id, now, 1), now)).toMatchObject({ ok: true, late: true });
    const log = await stored();
    expect(fold(log.events, log.snapshots).breaches).toHaveLength(1);
  });
  it("so has one recorded while the server itself missed that device, and only then", async () => {
    const { id, now, stored } = await planned("cableOff:battery-plug");
    const { cursor } = await stored();
    heardOf("device-b", now - 200_000);
    heardOf("device-b--k9", now - 100_000);
    heardOf("device-b--k9", now - 99_000);
    for (const at of [now - 201_000, now - 99_500, now])
      expect(await appendOne(plug(id, at, cursor), now), String(at - now)).toMatchObject({ ok: false });
    // Placed within the stretch: the log ended before it.
    const floor = msOf(newestOf((await stored()).events));
    expect(floor).toBeLessThan(now - 1000);
    heardOf("device-c", floor + 1);
    heardOf("device-c", now + 100_000);
    const act = { ...plug(id, now - 5_000, cursor), device: "device-c--k1" } as JobEvent;
    expect(await appendOne(act, now)).toMatchObject({ ok: true, late: true });
  });
});

describe("two tabs of one browser, both cut off, acting in turn", () => {
  it("every act of either arrives, whichever order they are sent in, with any clock", async () => {
    for (let seed = 1; seed <= 10; seed++) {
      const random = seededRandom(seed);
      const { id, now, stored } = await planned();
      const { cursor } = await stored();
      const skew = Math.round((random() * 2 - 1) * 400 * DAY);
      const lanes = ["device-t--a", "device-t--b"].map((device) => ({
        device,
        clock: null as string | null,
        acts: [] as JobEvent[],
      }));
      for (let i = 0; i < 12; i++) {
        const lane = lanes[i % 2]!;
        lane.clock = nextClock(lane.clock, now + i * 1000 + skew);
        lane.acts.push(note(id, lane.device, lane.clock, cursor, `${i}`));
      }
      const queues = lanes.map((l) => [...l.acts]);
      while (queues.some((q) => q.length)) {
        const q = queues[Math.floor(random() * 2)]!;
        const e = q.shift();
        if (e) expect(await appendOne(e, now + 20_000, skew), `seed ${seed}`).toMatchObject({ ok: true });
      }
      const log = await stored();
      const state = fold(log.events, log.snapshots);
      expect(
        state.notes.slice(-12).map((n) => n.text),
        `seed ${seed}`,
      ).toEqual(Array.from({ length: 12 }, (_, i) => `${i}`));
      expect([...log.events].sort(compareEvents).map((e) => e.placed)).toEqual(log.events.map((e) => e.placed!).sort());
      expect(movedBy(lanes[0]!.clock!, -skew)).toBe(makeClock(now + 10_000, 0));
    }
  });
});
