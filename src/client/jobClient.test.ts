import { plannedJob } from "@tests/bench";
import { runs } from "@tests/scale";
import { Disk, Page, SmallServer, WildNetwork } from "@tests/wildNetwork";
import { describe, expect, it, vi } from "vitest";
import { type Act, fold, type JobEvent } from "@/core/job";
import { JobClient } from "./jobClient";
import { readReply } from "./jobServer";

const JOB = "00000000-0000-7000-8000-000000000001";
const opened = plannedJob("C").events.slice(0, 1);
const note = (text: string): Act => ({ type: "job.noted", payload: { text } });
const first = (events: readonly JobEvent[]) => ({ events, snapshots: {}, cursor: events.length });
const ids = (events: readonly JobEvent[]) => events.map((e) => e.id);

/** A page over a network that can be trusted. */
function calmPage(events = opened) {
  const server = new SmallServer(events);
  const net = new WildNetwork(server, 1);
  net.calm = true;
  const disk = new Disk();
  const client = new JobClient(JOB, net.ports(disk, "device-a"), first(events), {});
  const settle = async () => {
    for (let i = 0; i < 40 && (net.busy || client.log().unsent > 0); i++) await net.step();
  };
  return { server, net, disk, client, settle };
}

describe("a job on one device", () => {
  it("10,000 orders of cut, slow, doubled, refused and strange answers, with reloads and another device: no act lost, none doubled", async () => {
    let recorded = 0;
    let refusedByServer = 0;
    let reloads = 0;
    let stations = 0;
    for (let seed = 1; seed <= runs(10_000); seed++) {
      const server = new SmallServer(opened);
      const net = new WildNetwork(server, seed);
      const disk = new Disk();
      const told: string[] = [];
      const mine: string[] = [];
      let page = new Page();
      const open = () => {
        const c = new JobClient(JOB, net.ports(disk, "device-a", page), first(server.log.slice()), {});
        let last = c.log().refusal;
        c.subscribe(() => {
          const { refusal } = c.log();
          if (refusal && refusal !== last) told.push(refusal.reason);
          last = refusal;
        });
        return { c, stop: c.start() };
      };
      let { c, stop } = open();
      for (let i = 0; i < 7; i++) {
        const luck = net.random();
        if (luck < 0.5) {
          const before = new Set(ids(c.log().events));
          // A price whose gate the server's log may shut by the time it arrives, or a note that goes always.
          const ok =
            net.random() < 0.3
              ? c.record({ type: "job.promised", payload: { promiseAt: null } })
              : c.record(note(`${seed}.${i}`));
          const made = ids(c.log().events).filter((id) => !before.has(id));
          expect(made).toHaveLength(ok ? 1 : 0);
          mine.push(...made);
          recorded += made.length;
        } else if (luck < 0.62) {
          // Another device raises a safety stop: what is recorded here without knowing it may be refused.
          const e = {
            ...opened[0]!,
            id: `other-${i}`,
            device: "device-b",
            clock: `${String(net.ms + 500).padStart(15, "0")}-000000`,
          };
          server.log.push({ ...e, type: "job.safetyRaised", payload: { hazard: "hotBattery", note: "" } } as JobEvent);
        } else if (luck < 0.7) {
          // The next station of the same page, or the page loaded anew.
          stop();
          if (net.random() < 0.5) {
            page.gone = true;
            page = new Page();
            reloads += 1;
          } else stations += 1;
          ({ c, stop } = open());
        } else await net.step();
        // At every moment an act is on screen once, or was told to be refused.
        const shown = ids(c.log().events);
        expect(new Set(shown).size).toBe(shown.length);
      }
      net.calm = true;
      for (let i = 0; i < 80 && (i < 4 || net.busy || c.log().unsent > 0 || c.log().events.length < server.log.length); i++)
        await net.step();
      // The last refusal may have been told to a page that is gone.
      const onServer = ids(server.log);
      expect(new Set(onServer).size).toBe(onServer.length);
      const gone = mine.filter((id) => !onServer.includes(id));
      refusedByServer += gone.length;
      if (gone.length > told.length)
        throw new Error(
          `seed ${seed}: ${gone.length} acts gone, ${told.length} refusals told; unsent ${c.log().unsent}, disk ${disk.unsent.size}, busy ${net.busy}, server ${server.log.length}`,
        );
      expect(c.log().unsent).toBe(0);
      expect(disk.unsent.size).toBe(0);
      expect(new Set(ids(c.log().events))).toEqual(new Set(onServer));
      expect(ids(c.log().events).filter((id) => gone.includes(id))).toEqual([]);
      stop();
    }
    // The run is worth something: acts, refusals and reloads all came about, often.
    expect(recorded).toBeGreaterThan(runs(10_000) * 2.0);
    expect(refusedByServer).toBeGreaterThan(runs(10_000) * 0.02);
    expect(reloads).toBeGreaterThan(runs(10_000) * 0.2);
    expect(stations).toBeGreaterThan(runs(10_000) * 0.2);
  });

  it("several acts are recorded whole or not at all, and the first that is shut is told", async () => {
    const { client, disk, server, settle } = calmPage();
    const seen = vi.fn();
    client.subscribe(seen);
    expect(
      client.record(note("one"), { type: "plan.rebuilt", payload: { buildHash: "a".repeat(64), why: "x" } }, note("two")),
    ).toBe(false);
    expect(client.log().refusal?.reason).toMatch(/relies on is not with the job/);
    expect(client.log().unsent).toBe(0);
    expect(disk.unsent.size).toBe(0);
    expect(seen).toHaveBeenCalledTimes(1);
    // An act may rest on the one before it.
    expect(
      client.record(
        { type: "job.safetyRaised", payload: { hazard: "hotBattery", note: "" } },
        { type: "job.madeSafe", payload: { hazard: "hotBattery", by: "Bench", how: "cooled" } },
      ),
    ).toBe(true);
    expect(client.log().refusal).toBeNull();
    expect(client.log().state.hazards.hotBattery?.madeSafe?.how).toBe("cooled");
    await settle();
    expect(server.log.map((e) => e.type)).toEqual(["job.opened", "job.safetyRaised", "job.madeSafe"]);
  });
  it("acts keep the order of the hand, on this device and on the server", async () => {
    const { client, server, settle } = calmPage();
    for (let i = 0; i < 6; i++) client.record(note(`n${i}`));
    const clocks = client.log().events.map((e) => e.clock);
    expect([...clocks].sort()).toEqual(clocks);
    expect(new Set(clocks).size).toBe(clocks.length);
    await settle();
    expect(server.log.flatMap((e) => (e.type === "job.noted" ? [e.payload.text] : []))).toEqual([
      "n0",
      "n1",
      "n2",
      "n3",
      "n4",
      "n5",
    ]);
    expect(fold(server.log, {}).notes.map((n) => n.text)).toEqual(client.log().state.notes.map((n) => n.text));
  });
  it("says that the server was not reached, keeps what is unsent, and says when it is back", async () => {
    const { client, net, disk, settle } = calmPage();
    const ports = client.ports;
    const send = ports.send;
    ports.send = async () => ({ is: "unknown", reached: false });
    client.record(note("while it is away"));
    for (let i = 0; i < 4; i++) await net.step();
    expect(client.log()).toMatchObject({ offline: true, unsent: 1 });
    expect([...disk.unsent.keys()]).toEqual([client.log().events.at(-1)!.id]);
    expect(ports.outbox.failed.size).toBe(1);
    const via: string[] = [];
    ports.send = (e, how) => {
      via.push(how);
      return send(e, how);
    };
    client.record(note("again"));
    await settle();
    expect(client.log()).toMatchObject({ offline: false, unsent: 0 });
    // What waited arrives late, and so does what waited behind it; nothing else does.
    expect(via).toEqual(["outbox", "live"]);
  });
  it("takes back its own newest entry, never another's, and says so when there is none", async () => {
    const { client, settle } = calmPage();
    expect(client.log().canTakeBack).toBeNull();
    expect(client.takeBack()).toBe(false);
    expect(client.log().refusal?.reason).toBe("Nothing of this device to take back.");
    client.refuse(null);
    expect(client.log().refusal).toBeNull();
    client.record(note("wrong"));
    const wrong = client.log().canTakeBack!;
    expect(client.takeBack()).toBe(true);
    expect(client.log().state.notes).toEqual([]);
    expect(client.takeBack(wrong.id)).toBe(false);
    expect(client.log().refusal?.reason).toMatch(/taken back already/);
    client.record({ type: "job.safetyRaised", payload: { hazard: "hotBattery", note: "" } });
    // What stays is nobody's to take back.
    expect(client.log().canTakeBack).toBeNull();
    await settle();
  });
  it("follows what others do, and starts with what a page before it left unsent", async () => {
    const { client, server, net, disk, settle } = calmPage();
    client.record(note("left behind"));
    const left = client.log().events.at(-1)!;
    const again = new JobClient(JOB, net.ports(disk, "device-a"), first(opened), {});
    const stop = again.start();
    await settle();
    for (let i = 0; i < 10; i++) await net.step();
    expect(ids(again.log().events)).toContain(left.id);
    expect(server.log.filter((e) => e.id === left.id)).toHaveLength(1);
    const ports = again.ports;
    let go: (cursor: number) => void = () => {};
    ports.wait = () => new Promise((done) => (go = done));
    const follower = new JobClient(JOB, ports, first(server.log.slice()), {});
    const end = follower.start();
    for (let i = 0; i < 4; i++) await net.step();
    server.log.push({ ...left, id: "from-another", device: "device-b", clock: `9${left.clock.slice(1)}` });
    go(server.cursor);
    for (let i = 0; i < 8; i++) await net.step();
    expect(ids(follower.log().events)).toContain("from-another");
    end();
    stop();
  });
});

describe("what a reply means", () => {
  const e = opened[0]!;
  const reply = (status: number, body: unknown, type = "application/json") =>
    readReply(
      e,
      new Response(typeof body === "string" ? body : JSON.stringify(body), { status, headers: { "content-type": type } }),
    );
  it("only a reply that names the act says anything about it", async () => {
    expect(await reply(200, { accepted: [{ id: e.id, seq: 4 }], refused: null, cursor: 4 })).toEqual({ is: "taken", cursor: 4 });
    const refused = { id: e.id, gate: "mayConnect", reason: "Not isolated." };
    expect(await reply(409, { accepted: [], refused, cursor: 9 })).toEqual({
      is: "refused",
      refusal: { gate: "mayConnect", reason: "Not isolated." },
      cursor: 9,
    });
    const unknown = { is: "unknown", reached: true };
    expect(await reply(401, { problem: "Unlock first." })).toEqual(unknown);
    expect(await reply(403, { problem: "The bench network is off." })).toEqual(unknown);
    expect(await reply(413, { problem: "too large" })).toEqual(unknown);
    expect(await reply(500, { accepted: [], refused, cursor: 0 })).toEqual(unknown);
    expect(await reply(200, "<html>unlock</html>", "text/html")).toEqual(unknown);
    expect(await reply(200, "{ cut off")).toEqual(unknown);
    expect(await reply(409, { accepted: [], refused: { ...refused, id: "another" }, cursor: 9 })).toEqual(unknown);
    expect(await reply(200, { accepted: [{ id: "another" }], refused: null })).toEqual(unknown);
  });
});
