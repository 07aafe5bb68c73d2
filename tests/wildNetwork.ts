import type { JobPorts, Pulled, Sent } from "@/client/jobClient";
import type { Known } from "@/client/known";
import type { JobEvent } from "@/core/job";
import { compareEvents, eventGate, fold } from "@/core/job";
import { seededRandom } from "./randomActs";

/** A server that keeps a log the way the real one does: each id once, each act through its gate unless it comes late. */
export class SmallServer {
  readonly log: JobEvent[] = [];
  constructor(start: readonly JobEvent[]) {
    this.log.push(...start);
  }
  get cursor(): number {
    return this.log.length;
  }
  take(e: JobEvent, via: "live" | "outbox"): Sent {
    if (this.log.some((x) => x.id === e.id)) return { is: "taken", cursor: this.cursor };
    const before = [...this.log].sort(compareEvents).filter((x) => compareEvents(x, e) < 0);
    const shut = via === "live" ? eventGate({ state: fold(before, {}), snapshots: {} }, e) : null;
    if (shut) return { is: "refused", refusal: shut, cursor: this.cursor };
    this.log.push(e);
    return { is: "taken", cursor: this.cursor };
  }
  after(cursor: number): Pulled {
    return { events: this.log.slice(cursor), snapshots: {}, cursor: this.cursor };
  }
}

/** What the browser keeps through a reload. */
export class Disk {
  readonly unsent = new Map<string, JobEvent>();
}

/** What a page keeps from one station to the next; after a reload nothing it waited for is heard any more. */
export class Page {
  readonly here = new Map<string, JobEvent>();
  readonly failed = new Set<string>();
  gone = false;
}

/**
 * A network that cuts before or after the act arrives, is slow, delivers twice, answers about something else, and lets others act
 * in between. Nothing happens by itself: `step` lets one thing that is on its way arrive.
 */
export class WildNetwork {
  readonly random: () => number;
  private readonly under: (() => void)[] = [];
  private readonly timers = new Set<() => void>();
  /** Who waits to hear of others; true once told. */
  private waits: (() => boolean)[] = [];
  /** From now on everything arrives, once, in order. */
  calm = false;
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
    const at = this.calm ? 0 : Math.floor(this.random() * this.under.length);
    const [arrives] = this.under.splice(at, 1);
    if (arrives) arrives();
    else for (const t of [...this.timers]) t();
    if (this.calm || this.random() < 0.3) this.waits = this.waits.filter((told) => !told());
    for (let i = 0; i < 8; i++) await Promise.resolve();
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
  private send(page: Page, e: JobEvent, via: "live" | "outbox"): Promise<Sent> {
    const luck = this.calm ? 1 : this.random();
    const lost: Sent = { is: "unknown", reached: false };
    if (luck < 0.12) return this.arrives(page, () => lost);
    // It arrives; its answer does not.
    if (luck < 0.24)
      return this.arrives(page, () => {
        this.server.take(e, via);
        return lost;
      });
    // Twice, the second long after.
    if (luck < 0.36) void this.arrives(page, () => this.server.take(e, via));
    // Somebody else answers: a session that ran out, a page that is no answer.
    if (luck < 0.44) return this.arrives(page, () => ({ is: "unknown", reached: true }));
    return this.arrives(page, () => this.server.take(e, via));
  }
  /** The world of one page over this network. */
  ports(disk: Disk, device: string, page = new Page(), known: (k: Known) => void = () => {}): JobPorts {
    const { here, failed } = page;
    let n = 0;
    return {
      send: (e, via) => this.send(page, e, via),
      pull: (after) =>
        this.arrives(page, () => {
          if (!this.calm && this.random() < 0.15) throw new Error("cut");
          return this.server.after(after);
        }),
      wait: (after) =>
        new Promise((done) => {
          this.waits.push(() => {
            if (page.gone) return true;
            if (this.server.cursor <= after) return false;
            done(this.server.cursor);
            return true;
          });
        }),
      outbox: {
        here: () => [...here.values()],
        left: async () => [...disk.unsent.values()],
        keep: (e) => {
          here.set(e.id, e);
          disk.unsent.set(e.id, e);
        },
        drop: async (e) => {
          here.delete(e.id);
          disk.unsent.delete(e.id);
        },
        failed,
      },
      keepKnown: known,
      now: () => {
        this.ms += 1000;
        return this.ms;
      },
      random: () => {
        n += 1;
        return Uint8Array.from({ length: 10 }, (_, i) => (i < 8 ? Math.floor(this.random() * 256) : n >> (8 * (9 - i))));
      },
      who: () => "Bench 1",
      device: () => device,
      later: (_, then) => {
        const once = () => {
          this.timers.delete(once);
          then();
        };
        this.timers.add(once);
        return () => this.timers.delete(once);
      },
    };
  }
}
