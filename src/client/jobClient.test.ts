import { plannedJob } from "@tests/bench";
import { runs } from "@tests/scale";
import { Browser, SmallServer, WildNetwork } from "@tests/wildNetwork";
import { describe, expect, it, vi } from "vitest";
import { type Act, fold, type JobEvent, msOf, placeOf } from "@/core/job";
import { JobClient } from "./jobClient";
import { readReply } from "./jobServer";

const JOB = "00000000-0000-7000-8000-000000000001";
const opened = plannedJob("C").events.slice(0, 1);
const note = (text: string): Act => ({ type: "job.noted", payload: { text } });
const first = (events: readonly JobEvent[]) => ({ events, snapshots: {}, cursor: events.length });
const ids = (events: readonly JobEvent[]) => events.map((e) => e.id);
const DAY = 86_400_000;

/** A page over a network that can be trusted. */
function calmPage(events = opened) {
  const server = new SmallServer(events);
  const net = new WildNetwork(server, 1);
  net.calm = true;
  const browser = new Browser("device-a");
  const open = () => {
    const tab = net.tab(browser);
    const client = new JobClient(JOB, tab.ports, first(server.log.slice()), {});
    return { ...tab, client, stop: client.start() };
  };
  const { client } = open();
  const settle = async (clients = [client]) => {
    for (let i = 0; i < 60 && (i < 6 || net.busy || clients.some((c) => c.log().unsent > 0)); i++) await net.step();
  };
  return { server, net, browser, client, settle, open };
}

describe("what was taken back", () => {
  it("is put again in the turned order, until something else is done", async () => {
    const { client } = calmPage();
    const said = () => client.log().state.notes.map((n) => n.text);
    for (const t of ["a", "b", "c"]) client.record(note(t));
    expect(client.putAgain()).toBe(false);
    expect(client.log().refusal?.reason).toMatch(/Nothing that was taken back/);
    client.takeBack();
    client.takeBack();
    expect(said()).toEqual(["a"]);
    expect(client.putAgain()).toBe(true);
    expect(client.putAgain()).toBe(true);
    expect(said()).toEqual(["a", "b", "c"]);
    expect(client.putAgain()).toBe(false);
    client.takeBack();
    client.record(note("d"));
    expect(client.log().canPutAgain).toBeNull();
    expect(said()).toEqual(["a", "b", "d"]);
  });
});

describe("a job on one device", () => {
  it("10,000 orders of cut, slow, doubled, refused and strange answers, of two tabs, reloads, sessions that end, clocks that are off and another device: no act lost, none doubled", async () => {
    let recorded = 0;
    let aside = 0;
    let reloads = 0;
    let both = 0;
    for (let seed = 1; seed <= runs(10_000); seed++) {
      const server = new SmallServer(opened);
      const net = new WildNetwork(server, seed);
      const browser = new Browser("device-a");
      browser.aheadMs = net.random() < 0.5 ? 0 : Math.round((net.random() * 2 - 1) * 400 * DAY);
      const mine: string[] = [];
      const open = () => {
        const tab = net.tab(browser);
        const c = new JobClient(JOB, tab.ports, first(server.log.slice()), {});
        return { c, page: tab.page, stop: c.start() };
      };
      const tabs = net.random() < 0.5 ? [open()] : [open(), open()];
      if (tabs.length === 2) both += 1;
      for (let i = 0; i < 9; i++) {
        const luck = net.random();
        const at = Math.floor(net.random() * tabs.length);
        const { c, page, stop } = tabs[at]!;
        if (luck < 0.5) {
          const before = new Set(ids(c.log().events));
          // A correction whose gate the server's log may shut by the time it arrives, a promise, or a note that goes always.
          const which = net.random();
          const ok =
            which < 0.3
              ? c.takeBack()
              : which < 0.4
                ? c.record({ type: "job.promised", payload: { promiseAt: null } })
                : c.record(note(`${seed}.${i}`));
          const made = ids(c.log().events).filter((id) => !before.has(id));
          expect(made).toHaveLength(ok ? 1 : 0);
          mine.push(...made);
          recorded += made.length;
        } else if (luck < 0.6) {
          // Another device raises a safety stop: what is recorded here without knowing it may be refused.
          const e = {
            ...opened[0]!,
            id: `other-${i}`,
            device: "device-b",
            clock: `${String(net.ms + 500).padStart(15, "0")}-000000`,
          };
          server.log.push({ ...e, type: "job.safetyRaised", payload: { hazard: "hotBattery", note: "" } } as JobEvent);
        } else if (luck < 0.66) browser.locked = !browser.locked;
        else if (luck < 0.7) net.down = !net.down;
        else if (luck < 0.77) {
          // The page is loaded anew.
          stop();
          page.close();
          reloads += 1;
          tabs[at] = open();
        } else await net.step();
        // At every moment an act is on screen once.
        for (const t of tabs) {
          const shown = ids(t.c.log().events);
          expect(new Set(shown).size, `seed ${seed}`).toBe(shown.length);
        }
      }
      net.calm = true;
      net.down = false;
      browser.locked = false;
      const quiet = () => !net.busy && tabs.every(({ c }) => c.log().unsent === 0 && c.log().events.length >= server.log.length);
      for (let i = 0; i < 200 && (i < 4 || !quiet()); i++) await net.step();
      const onServer = ids(server.log);
      expect(new Set(onServer).size).toBe(onServer.length);
      for (const { c, stop } of tabs) {
        const { events, unsent, notTaken } = c.log();
        const listed = notTaken.map((x) => x.event.id);
        const lost = mine.filter((id) => !onServer.includes(id) && !listed.includes(id));
        if (lost.length)
          throw new Error(
            `seed ${seed}: ${lost.length} acts gone; unsent ${unsent}, disk ${browser.disk.size}, server ${server.log.length}`,
          );
        expect(
          mine.filter((id) => onServer.includes(id) && listed.includes(id)),
          `seed ${seed}`,
        ).toEqual([]);
        expect(unsent, `seed ${seed}`).toBe(0);
        expect([...browser.disk.keys()].sort()).toEqual([...listed].sort());
        expect(new Set(ids(events))).toEqual(new Set(onServer));
        aside += listed.length;
        stop();
      }
      // Whatever the clock of the device, nothing stands after the server's now.
      for (const e of server.log) expect(msOf(placeOf(e)), `seed ${seed}`).toBeLessThanOrEqual(net.ms + 500);
    }
    // The run is worth something: acts, refusals and reloads all came about, often.
    expect(recorded).toBeGreaterThan(runs(10_000) * 2.0);
    expect(aside).toBeGreaterThan(runs(10_000) * 0.01);
    expect(reloads).toBeGreaterThan(runs(10_000) * 0.2);
    expect(both).toBeGreaterThan(runs(10_000) * 0.3);
  });

  it("several acts are recorded whole or not at all, and the first that is shut is told", async () => {
    const { client, browser, server, settle } = calmPage();
    await settle();
    const seen = vi.fn();
    client.subscribe(seen);
    expect(
      client.record(note("one"), { type: "plan.rebuilt", payload: { buildHash: "a".repeat(64), why: "x" } }, note("two")),
    ).toBe(false);
    expect(client.log().refusal?.reason).toMatch(/relies on is not with the job/);
    expect(client.log().unsent).toBe(0);
    expect(browser.disk.size).toBe(0);
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
  it("acts keep the order of the hand, on this device and on the server, even where its clock is set back meanwhile", async () => {
    const { client, browser, server, settle } = calmPage();
    await settle();
    for (let i = 0; i < 6; i++) {
      client.record(note(`n${i}`));
      if (i === 2) browser.aheadMs -= 30 * DAY;
    }
    const clocks = client
      .log()
      .events.slice(1)
      .map((e) => e.clock);
    expect([...clocks].sort()).toEqual(clocks);
    expect(new Set(clocks).size).toBe(clocks.length);
    await settle();
    const texts = ["n0", "n1", "n2", "n3", "n4", "n5"];
    expect(server.log.flatMap((e) => (e.type === "job.noted" ? [e.payload.text] : []))).toEqual(texts);
    expect(fold(server.log, {}).notes.map((n) => n.text)).toEqual(texts);
    expect(client.log().state.notes.map((n) => n.text)).toEqual(texts);
  });
  it("begins as the server made the page, whatever this browser keeps beside it", async () => {
    const { client, net, settle, open } = calmPage();
    await settle();
    net.down = true;
    client.record(note("only here"));
    const again = open().client;
    await settle([]);
    const later = new JobClient(JOB, again.ports, first(opened), {});
    expect(ids(later.log().events)).toHaveLength(2);
    expect(ids(later.first().events)).toEqual(ids(opened));
    expect(later.first()).toMatchObject({ unsent: 0, notTaken: [], held: null, canTakeBack: null });
    expect(later.first()).toBe(later.first());
  });
  it("says why nothing is sent, keeps what waits, and says when it goes again", async () => {
    const { client, browser, net, settle } = calmPage();
    await settle();
    for (const [put, by] of [
      [() => (net.down = true), "away"],
      [() => (browser.locked = true), "locked"],
    ] as const) {
      put();
      client.record(note(by));
      for (let i = 0; i < 6; i++) await net.step();
      expect(client.log()).toMatchObject({ held: { by }, unsent: 1 });
      expect([...browser.disk.keys()]).toEqual([client.log().events.at(-1)!.id]);
      net.down = false;
      browser.locked = false;
      await settle();
      expect(client.log()).toMatchObject({ held: null, unsent: 0, notTaken: [] });
      expect(browser.disk.size).toBe(0);
    }
  });
  it("takes back its own newest entry, never another's, and says so when there is none", async () => {
    const { client, settle, open } = calmPage();
    expect(client.log().canTakeBack).toBeNull();
    expect(client.takeBack()).toBe(false);
    expect(client.log().refusal?.reason).toBe("Nothing of this device to take back.");
    client.refuse(null);
    expect(client.log().refusal).toBeNull();
    client.record(note("wrong"));
    const wrong = client.log().canTakeBack!;
    // Another tab of the same browser may take it back as well.
    const other = open().client;
    await settle([client, other]);
    expect(other.log().canTakeBack?.id).toBe(wrong.id);
    expect(client.takeBack()).toBe(true);
    expect(client.log().state.notes).toEqual([]);
    expect(client.takeBack(wrong.id)).toBe(false);
    expect(client.log().refusal?.reason).toMatch(/taken back already/);
    client.record({ type: "job.safetyRaised", payload: { hazard: "hotBattery", note: "" } });
    // What stays is nobody's to take back.
    expect(client.log().canTakeBack).toBeNull();
    await settle([client, other]);
    expect(other.log().state.notes).toEqual([]);
  });
  it("follows what others do, and sends what a page before it left unsent", async () => {
    const { client, server, net, browser, settle, open } = calmPage();
    await settle();
    net.down = true;
    client.record(note("left behind"));
    const left = client.log().events.at(-1)!;
    for (let i = 0; i < 4; i++) await net.step();
    for (const page of [...browser.tabs]) page.close();
    const again = open();
    net.down = false;
    await settle([again.client]);
    expect(ids(again.client.log().events)).toContain(left.id);
    expect(server.log.filter((e) => e.id === left.id)).toHaveLength(1);
    server.log.push({ ...left, id: "from-another", device: "device-b" });
    await settle([again.client]);
    expect(ids(again.client.log().events)).toContain("from-another");
  });
});

describe("an act the server does not take", () => {
  /** A promise recorded after all was seen, but the server has a safety stop this page has not drawn yet. */
  async function refused() {
    const page = calmPage();
    const { client, server, net, settle } = page;
    await settle();
    net.down = true;
    client.record({ type: "job.promised", payload: { promiseAt: "2026-07-01T10:00:00.000Z" } });
    client.record(note("goes on"));
    const stop = { ...opened[0]!, id: "stop", device: client.ports.device(), clock: opened[0]!.clock };
    server.log.push({ ...stop, type: "job.safetyRaised", payload: { hazard: "hotBattery", note: "" } } as JobEvent);
    net.down = false;
    await settle();
    return page;
  }
  it("stands in a list with why, and the rest goes on", async () => {
    const { client, server, browser } = await refused();
    const { notTaken, refusal, unsent } = client.log();
    expect(notTaken.map((x) => x.event.type)).toEqual(["job.promised"]);
    expect(notTaken[0]!.refusal.reason).toBe(refusal?.reason);
    expect(unsent).toBe(0);
    expect(browser.disk.size).toBe(1);
    expect(server.log.map((e) => e.type)).toEqual(["job.opened", "job.safetyRaised", "job.noted"]);
    // It says nothing about the job as it stands.
    expect(client.log().state.job?.promiseAt).not.toBe("2026-07-01T10:00:00.000Z");
  });
  it("is tried again at a new place with its time kept, once that is possible", async () => {
    const { client, server, settle } = await refused();
    const { event } = client.log().notTaken[0]!;
    client.record({ type: "job.madeSafe", payload: { hazard: "hotBattery", by: "Bench", how: "cooled" } });
    await settle();
    client.again(event.id);
    await settle();
    expect(client.log()).toMatchObject({ notTaken: [], refusal: null, unsent: 0 });
    const now = server.log.at(-1)!;
    expect(now).toMatchObject({ id: event.id, clock: event.clock });
    expect(placeOf(now) > placeOf(server.log.at(-2)!)).toBe(true);
    expect(fold(server.log, {}).job?.promiseAt).toBe("2026-07-01T10:00:00.000Z");
  });
  it("goes only on a person's word, and the word is logged", async () => {
    for (const asNote of [true, false]) {
      const { client, server, browser, settle } = await refused();
      const { event } = client.log().notTaken[0]!;
      expect(client.letGo("no-such", "x", asNote)).toBe(false);
      expect(client.letGo(event.id, "A promise, by Bench 1. Not taken: stopped.", asNote)).toBe(true);
      await settle();
      expect(client.log().notTaken).toEqual([]);
      expect(browser.disk.size).toBe(0);
      const last = server.log.at(-1)!;
      expect(last.type).toBe(asNote ? "job.noted" : "job.actDiscarded");
      expect(JSON.stringify(last.payload)).toContain("A promise, by Bench 1. Not taken: stopped.");
    }
  });
  it("names what else was not taken because of it", async () => {
    const { client, server, net, settle } = calmPage();
    await settle();
    net.down = true;
    client.record(
      { type: "job.safetyRaised", payload: { hazard: "swollenBattery", note: "" } },
      { type: "job.madeSafe", payload: { hazard: "swollenBattery", by: "Bench", how: "taped" } },
    );
    const [raised] = client.log().events.slice(-2);
    server.log.push({ ...opened[0]!, id: raised!.id, device: "x" } as JobEvent);
    const take = server.take.bind(server);
    server.take = (k, ms) =>
      k.event.id === raised!.id ? { is: "refused", refusal: { gate: "id", reason: "used" }, cursor: server.cursor } : take(k, ms);
    net.down = false;
    server.log.pop();
    await settle();
    const told = client.log().notTaken;
    expect(told.map((x) => x.event.type)).toEqual(["job.safetyRaised", "job.madeSafe"]);
    expect(told[0]!.dependent.map((e) => e.type)).toEqual(["job.madeSafe"]);
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
    expect(await reply(200, { accepted: [{ id: e.id, seq: 4, placed: "p" }], refused: null, cursor: 4 })).toEqual({
      is: "taken",
      placed: "p",
      cursor: 4,
    });
    const refused = { id: e.id, gate: "mayConnect", reason: "Not isolated." };
    expect(await reply(409, { accepted: [], refused, cursor: 9 })).toEqual({
      is: "refused",
      refusal: { gate: "mayConnect", reason: "Not isolated." },
      cursor: 9,
    });
    const unknown = { is: "unknown", held: { by: "trouble", words: null } };
    expect(await reply(401, { problem: "Unlock first." })).toEqual({
      is: "unknown",
      held: { by: "locked", words: "Unlock first." },
    });
    for (const [status, problem] of [
      [403, "The bench network is off."],
      [413, "too large"],
      [400, "The request has the wrong shape."],
      [429, "Slowly."],
      [507, "The disk is full."],
    ] as const)
      expect(await reply(status, { problem }), String(status)).toEqual({
        is: "unknown",
        held: { by: "trouble", words: problem },
      });
    expect(await reply(500, { accepted: [], refused, cursor: 0 })).toEqual(unknown);
    expect(await reply(200, "<html>unlock</html>", "text/html")).toEqual(unknown);
    expect(await reply(200, "{ cut off")).toEqual(unknown);
    expect(await reply(409, { accepted: [], refused: { ...refused, id: "another" }, cursor: 9 })).toEqual(unknown);
    expect(await reply(200, { accepted: [{ id: "another" }], refused: null })).toEqual(unknown);
  });
});
