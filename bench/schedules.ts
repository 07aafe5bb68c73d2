import { JobClient } from "@/client/jobClient";
import type { JobPorts } from "@/client/jobPorts";
import { readReply } from "@/client/jobServer";
import { type Kept, Outbox, type Sent, type Told } from "@/client/outbox";
import { type JobEvent, laneOf } from "@/core/job";
import type { AppendReply, EventsReply } from "@/wire/jobs";
import { benchPorts, type Running, startServer } from "../e2e/server";
import { seededRandom } from "../tests/randomActs";
import { say } from "./stats";

const DAY = 86_400_000;
const PASSCODE = "paper-lantern";
const AWAY: Sent = { is: "unknown", held: { by: "away", words: null } };

/** One browser of the shop: what it keeps through a reload, its clock, and how it reaches the server. */
interface Browser {
  id: string;
  disk: Map<string, Kept>;
  tabs: Set<Tab>;
  sender: Tab | null;
  aheadMs: number;
  measured: number | null;
  /** On the bench network, with a session that can end. */
  cookie: string | null;
  remote: boolean;
}
interface Tab {
  client: JobClient;
  outbox: Outbox;
  gone: boolean;
  ears: ((t: Told) => void)[];
  timers: Set<() => void>;
  stop: () => void;
}

/** The whole server as it ships, over a network that cuts, doubles and answers wrongly. */
class Shop {
  calm = false;
  private ids = 0;
  constructor(
    public server: Running,
    readonly random: () => number,
  ) {}

  private origin(b: Browser): string {
    const port = Number(new URL(this.server.url).port);
    return b.remote ? `http://127.0.0.1:${benchPorts.get(port)}` : this.server.url;
  }
  async unlock(b: Browser): Promise<void> {
    const ask = () =>
      fetch(`${this.origin(b)}/api/unlock`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ passcode: PASSCODE, name: b.id }),
      }).catch(() => null);
    let res = await ask();
    // A server that has just come back opens its second listener a moment later.
    for (let i = 0; !res && i < 100; i++) {
      await new Promise((done) => setTimeout(done, 100));
      res = await ask();
    }
    if (!res) throw new Error("the bench network did not open");
    if (!res.ok) throw new Error(`not let in: ${await res.text()}`);
    b.cookie = res.headers.get("set-cookie")!.split(";")[0]!;
  }
  /** Signs the tablet out at the bench, as when a session runs out. */
  async endSession(b: Browser): Promise<void> {
    await fetch(`${this.origin(b)}/api/unlock`, { method: "DELETE", headers: b.cookie ? { cookie: b.cookie } : {} }).catch(
      () => null,
    );
  }
  private ask(b: Browser, path: string, init: RequestInit = {}): Promise<Response> {
    const headers = { ...(init.headers as Record<string, string>), ...(b.cookie ? { cookie: b.cookie } : {}) };
    return fetch(this.origin(b) + path, { ...init, headers, redirect: "manual" });
  }
  private async send(b: Browser, k: Kept): Promise<Sent> {
    const post = async (): Promise<Sent> => {
      const res = await this.ask(b, `/api/jobs/${k.event.jobId}/events`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ events: [k.event], aheadMs: [k.aheadMs] }),
      }).catch(() => null);
      return res ? readReply(k.event, res) : AWAY;
    };
    const luck = this.calm ? 1 : this.random();
    if (luck < 0.12) return AWAY;
    if (luck < 0.26) {
      await post();
      return AWAY;
    }
    if (luck < 0.36) void post();
    return post();
  }

  open(b: Browser, jobId: string, first: { events: readonly JobEvent[]; cursor: number }): Tab {
    this.ids += 1;
    const lane = laneOf(b.id, `t${this.ids}`);
    const tab = { gone: false, ears: [], timers: new Set() } as unknown as Tab;
    tab.outbox = new Outbox({
      disk: {
        all: async () => [...b.disk.values()],
        put: async (k) => void b.disk.set(k.event.id, k),
        drop: async (id) => void b.disk.delete(id),
      },
      elected: async () => {
        if (tab.gone) return false;
        if (!b.sender || b.sender.gone || (!this.calm && this.random() < 0.05)) b.sender = tab;
        return b.sender === tab;
      },
      tabs: {
        hear: (l) => void tab.ears.push(l),
        tell: (t) => {
          for (const o of b.tabs)
            if (o !== tab) queueMicrotask(() => !o.gone && o.ears.forEach((l) => void l(structuredClone(t))));
        },
      },
      send: (k) => this.send(b, k),
      later: (_, then) => {
        const once = () => {
          tab.timers.delete(once);
          if (!tab.gone) then();
        };
        tab.timers.add(once);
        return () => void tab.timers.delete(once);
      },
    });
    const ports: JobPorts = {
      outbox: tab.outbox,
      pull: async (after) => {
        if (!this.calm && this.random() < 0.15) throw new Error("cut");
        const at = Date.now() + b.aheadMs;
        const res = await this.ask(b, `/api/jobs/${jobId}/events?after=${after}`);
        if (!res.ok) throw new Error(`${res.status}`);
        const body = (await res.json()) as EventsReply & Partial<AppendReply>;
        b.measured = at - Date.now();
        return { events: body.events.map((x) => x.event as JobEvent), snapshots: {}, cursor: body.cursor };
      },
      follow: () => () => {},
      keepKnown: () => {},
      now: () => Date.now() + b.aheadMs,
      aheadMs: () => b.measured,
      random: () => crypto.getRandomValues(new Uint8Array(10)),
      who: () => "Bench 1",
      device: () => lane,
    };
    tab.client = new JobClient(jobId, ports, { ...first, snapshots: {} }, {});
    const ends = [tab.outbox.start(), tab.client.start()];
    tab.stop = () => {
      tab.gone = true;
      b.tabs.delete(tab);
      for (const end of ends) end();
    };
    b.tabs.add(tab);
    return tab;
  }
  /** Every timer of a tab goes off. */
  async tick(tab: Tab): Promise<void> {
    for (const t of [...tab.timers]) t();
    await new Promise((done) => setTimeout(done, 1 + this.random() * 6));
  }
}

const read = async (s: Running, jobId: string) => {
  const body = (await (await fetch(`${s.url}/api/jobs/${jobId}/events?after=0`)).json()) as EventsReply;
  return { events: body.events.map((x) => x.event as JobEvent), cursor: body.cursor };
};

/**
 * Random schedules of two tabs of one browser and a tablet on the bench network, against the server as it ships: cuts before and
 * after arrival, doubled sending, reloads, clocks up to 400 days off, sessions that end, stops and kills of the server.
 */
export async function schedules(count: number, jobsOf: (s: Running) => Promise<string[]>): Promise<void> {
  const db = ".bench/schedules.sqlite";
  let server = await startServer(db);
  await fetch(`${server.url}/api/network`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ on: true, passcode: PASSCODE }),
  });
  const jobs = await jobsOf(server);
  let recorded = 0;
  let onServer = 0;
  let aside = 0;
  let restarts = 0;
  let ended = 0;
  const gone: string[] = [];
  const doubled: string[] = [];
  for (let seed = 1; seed <= count; seed++) {
    const random = seededRandom(seed);
    const shop = new Shop(server, random);
    const jobId = jobs[seed % jobs.length]!;
    const first = await read(server, jobId);
    const make = (id: string, remote: boolean): Browser => ({
      id: `dev-${id}-${seed}`,
      disk: new Map(),
      tabs: new Set(),
      sender: null,
      aheadMs: random() < 0.4 ? 0 : Math.round((random() * 2 - 1) * 400 * DAY),
      measured: null,
      cookie: null,
      remote,
    });
    const bench = make("bench", false);
    const tablet = make("tablet", true);
    await shop.unlock(tablet);
    const tabs = [bench, bench, tablet].map((b) => ({ b, tab: shop.open(b, jobId, first) }));
    const mine: string[] = [];
    for (let i = 0; i < 24; i++) {
      const luck = random();
      const at = Math.floor(random() * tabs.length);
      const { b, tab } = tabs[at]!;
      if (luck < 0.55) {
        const before = new Set(tab.client.log().events.map((e) => e.id));
        const which = random();
        if (which < 0.2) tab.client.takeBack();
        else if (which < 0.3) tab.client.record({ type: "job.promised", payload: { promiseAt: null } });
        else tab.client.record({ type: "job.noted", payload: { text: `${seed}.${i}` } });
        mine.push(...tab.client.log().events.flatMap((e) => (before.has(e.id) || !e.device.startsWith(b.id) ? [] : [e.id])));
      } else if (luck < 0.63) {
        // Acts of another page of the browser that had not been told of yet are its own: only what this tab made was counted.
        tab.stop();
        tabs[at] = { b, tab: shop.open(b, jobId, first) };
      } else if (luck < 0.69) {
        ended += 1;
        await shop.endSession(tablet);
      } else if (luck < 0.71 && seed % 4 === 0) {
        restarts += 1;
        await server.stop(random() < 0.5 ? "SIGKILL" : "SIGTERM");
        for (const t of tabs) await shop.tick(t.tab);
        server = await startServer(db);
        shop.server = server;
      } else await shop.tick(tab);
    }
    shop.calm = true;
    await shop.endSession(tablet);
    await shop.unlock(tablet);
    const waits = () => tabs.some(({ tab }) => tab.outbox.unsent() > 0);
    for (let i = 0; i < 400 && (i < 3 || waits()); i++) for (const t of tabs) await shop.tick(t.tab);
    const there = (await read(server, jobId)).events.map((e) => e.id);
    const counted = new Map<string, number>();
    for (const id of there) counted.set(id, (counted.get(id) ?? 0) + 1);
    const ids = new Set(mine);
    recorded += ids.size;
    for (const id of ids) {
      const listed = tabs.some(({ tab }) => tab.outbox.aside(jobId).some((k) => k.event.id === id));
      if (counted.has(id)) onServer += 1;
      if (listed) aside += 1;
      if (!counted.has(id) && !listed) gone.push(`seed ${seed}: ${id}`);
      if ((counted.get(id) ?? 0) > 1 || (listed && counted.has(id))) doubled.push(`seed ${seed}: ${id}`);
    }
    for (const { tab } of tabs) tab.stop();
  }
  await server.stop();
  say(
    `${count} random schedules on the full server, ${recorded} acts, ${restarts} restarts, ${ended} sessions ended: on the server, not taken and listed, vanished, doubled`,
    `${onServer}, ${aside}, ${gone.length}, ${doubled.length}`,
    "all, rest, 0, 0",
    gone.length + doubled.length === 0,
  );
  for (const g of [...gone, ...doubled].slice(0, 5)) console.log(`  ${g}`);
}
