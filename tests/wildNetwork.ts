import type { JobPorts, Pulled } from "@/client/jobClient";
import { type Held, type HeldBy, type Kept, Outbox, type Sent, type Told } from "@/client/outbox";
import { askGate, type JobEvent, laneOf, placeAct, placeOf, ruleOf } from "@/core/job";
import { seededRandom } from "./randomActs";

const AWAY: Held = { by: "away", words: null };

/** A server that keeps a log the way the real one does: each id once, placed once, each act through its gate unless it comes late. */
export class SmallServer {
  readonly log: JobEvent[] = [];
  constructor(start: readonly JobEvent[]) {
    this.log.push(...start);
  }
  get cursor(): number {
    return this.log.length;
  }
  take(k: Kept, nowMs: number): Sent {
    const had = this.log.find((x) => x.id === k.event.id);
    if (had) return { is: "taken", placed: placeOf(had), cursor: this.cursor };
    const { placed: _, ...plain } = k.event;
    const before = this.log.filter((x, i) => x.device === plain.device || i < plain.seen).map(placeOf);
    const floor = before.reduce<string | null>((m, p) => (m !== null && m > p ? m : p), null);
    const e = { ...plain, placed: placeAct(plain.clock, k.aheadMs, floor, nowMs) } as JobEvent;
    const late = this.log.some((x, i) => x.device !== e.device && i >= e.seen);
    const shut = askGate(this.log, {}, e);
    if (shut && (!late || ruleOf(e.type).noAct)) return { is: "refused", refusal: shut, cursor: this.cursor };
    this.log.push(e);
    return { is: "taken", placed: e.placed!, cursor: this.cursor };
  }
  after(cursor: number): Pulled {
    return { events: this.log.slice(cursor), snapshots: {}, cursor: this.cursor };
  }
}

/** One browser: what it keeps through a reload, how far its clock is off, and its tabs. */
export class Browser {
  readonly disk = new Map<string, Kept>();
  readonly tabs = new Set<Page>();
  sender: Page | null = null;
  /** How far ahead its clock is, and how far it was measured to be. */
  aheadMs = 0;
  measured: number | null = null;
  /** Its session ran out: nothing it sends is answered by the log. */
  locked = false;
  constructor(readonly id: string) {}
}

/** A page of a tab; once it is gone, nothing it waited for is heard any more. */
export class Page {
  gone = false;
  private readonly ears: ((t: Told) => void)[] = [];
  constructor(
    readonly browser: Browser,
    readonly lane: string,
  ) {
    browser.tabs.add(this);
  }
  hear(l: (t: Told) => void): void {
    this.ears.push(l);
  }
  told(t: Told): void {
    if (!this.gone) for (const l of this.ears) l(structuredClone(t));
  }
  close(): void {
    this.gone = true;
    this.browser.tabs.delete(this);
  }
}

/**
 * A network that cuts before or after the act arrives, is slow, delivers twice, answers about something else, and lets others act
 * in between. Nothing happens by itself: `step` lets one thing that is on its way arrive.
 */
export class WildNetwork {
  readonly random: () => number;
  private readonly under: (() => void)[] = [];
  private readonly timers = new Set<() => void>();
  private readonly followers = new Set<{ page: Page; grown: (held: HeldBy | null, mine: boolean) => void }>();
  private pages = 0;
  private ids = 0;
  /** From now on everything arrives, once, in order. */
  calm = false;
  /** The server is not there at all. */
  down = false;
  ms = 1_780_000_000_000;

  constructor(
    readonly server: SmallServer,
    seed: number,
  ) {
    this.random = seededRandom(seed);
  }
  get busy(): boolean {
    return this.under.length > 0;
  }
  /** One thing that is on its way arrives, whichever; timers go off when nothing else moves. */
  async step(): Promise<void> {
    this.ms += 1000;
    const at = this.calm ? 0 : Math.floor(this.random() * this.under.length);
    const [arrives] = this.under.splice(at, 1);
    if (arrives) arrives();
    else {
      for (const t of [...this.timers]) t();
      if (!this.down) for (const f of this.followers) if (!f.page.gone && (this.calm || this.random() < 0.5)) f.grown(null, true);
    }
    for (let i = 0; i < 12; i++) await Promise.resolve();
  }
  private arrives<T>(page: Page, work: () => T): Promise<T> {
    return new Promise((done, fail) => {
      this.under.push(() => {
        try {
          const answer = work();
          if (!page.gone) done(answer);
        } catch (e) {
          if (!page.gone) fail(e as Error);
        }
      });
    });
  }
  private send(page: Page, k: Kept): Promise<Sent> {
    const take = () => (this.down ? ({ is: "unknown", held: AWAY } as const) : this.server.take(k, this.ms));
    if (page.browser.locked)
      return this.arrives(page, () => ({ is: "unknown", held: { by: "locked", words: "This device is not let in." } }));
    const luck = this.calm ? 1 : this.random();
    const lost: Sent = { is: "unknown", held: AWAY };
    if (luck < 0.12) return this.arrives(page, () => lost);
    // It arrives; its answer does not.
    if (luck < 0.24)
      return this.arrives(page, () => {
        take();
        return lost;
      });
    // Twice, the second long after.
    if (luck < 0.36) void this.arrives(page, take);
    // Somebody else answers: a page that is no answer.
    if (luck < 0.44) return this.arrives(page, () => ({ is: "unknown", held: { by: "trouble", words: null } }));
    return this.arrives(page, take);
  }
  private later(then: () => void): () => void {
    const once = () => {
      this.timers.delete(once);
      then();
    };
    this.timers.add(once);
    return () => this.timers.delete(once);
  }
  /** A tab of a browser over this network: a lane of its own, the browser's disk, one tab elected to send. */
  tab(browser: Browser): { page: Page; ports: JobPorts; outbox: Outbox } {
    this.pages += 1;
    const page = new Page(browser, laneOf(browser.id, `t${this.pages}`));
    const outbox = new Outbox({
      disk: {
        all: async () => [...browser.disk.values()],
        put: async (k) => void browser.disk.set(k.event.id, k),
        drop: async (id) => void browser.disk.delete(id),
      },
      elected: async () => {
        const s = browser.sender;
        // A lease may also run out while its holder is slow.
        if (page.gone) return false;
        if (!s || s.gone || s === page || (!this.calm && this.random() < 0.05)) browser.sender = page;
        return browser.sender === page;
      },
      tabs: {
        hear: (l) => page.hear(l),
        tell: (t) => {
          for (const other of browser.tabs) if (other !== page) void this.arrives(other, () => other.told(t));
        },
      },
      send: (k) => this.send(page, k),
      later: (_, then) => this.later(() => !page.gone && then()),
    });
    outbox.start();
    const ports: JobPorts = {
      outbox,
      pull: (after) =>
        this.arrives(page, () => {
          if (this.down || browser.locked || (!this.calm && this.random() < 0.15)) throw new Error("cut");
          browser.measured = browser.aheadMs;
          return this.server.after(after);
        }),
      follow: (_, grown) => {
        const f = { page, grown };
        this.followers.add(f);
        return () => this.followers.delete(f);
      },
      keepKnown: () => {},
      now: () => {
        this.ms += 1000;
        return this.ms + browser.aheadMs;
      },
      aheadMs: () => browser.measured,
      random: () => {
        this.ids += 1;
        return Uint8Array.from({ length: 10 }, (_, i) =>
          i < 4 ? Math.floor(this.random() * 256) : Math.floor(this.ids / 256 ** (9 - i)) % 256,
        );
      },
      who: () => "Bench 1",
      device: () => page.lane,
    };
    return { page, ports, outbox };
  }
}
