import type { HeldBy } from "./outbox";

/** What the follower needs of the browser. */
export interface FollowPorts {
  /** True when this tab is the one that listens for all of them. */
  elected(): Promise<boolean>;
  /** Comes back with the jobs that grew past a cursor of the whole shop, or with none after a while; throws when not reached. */
  wait(after: number | null, stop: AbortSignal): Promise<{ cursor: number; jobs: readonly string[] }>;
  tabs: { tell(g: Grown): void; hear(listener: (g: Grown) => void): void };
  later(ms: number, then: () => void): () => void;
}
/** Jobs that grew, or that may have while nothing was heard (`jobs` null: all); why nothing is heard, or null. */
export interface Grown {
  jobs: readonly string[] | null;
  held: HeldBy | null;
}
/** Why the stream was not followed. */
export class NotFollowed extends Error {
  constructor(readonly by: HeldBy) {
    super(`not followed: ${by}`);
  }
}

const PAUSE_MS = 3000;

/** Follows what other devices do, over one stream for all tabs of a browser: a second one would cost each tab's acts their turn. */
export class Follower {
  private readonly listeners = new Set<{ jobId: string; grown: (held: HeldBy | null, mine: boolean) => void }>();
  private stop: AbortController | null = null;
  private renew: (() => void) | null = null;
  private lost: HeldBy | null = null;

  constructor(private readonly ports: FollowPorts) {
    ports.tabs.hear((g) => this.pass(g));
  }
  private pass(g: Grown): void {
    for (const l of [...this.listeners]) l.grown(g.held, g.jobs === null || g.jobs.includes(l.jobId));
  }
  private tell(g: Grown): void {
    this.pass(g);
    this.ports.tabs.tell(g);
  }

  /** Calls `grown` when a job may have grown, or when the server was lost or reached again; until the answer is called. */
  follow(jobId: string, grown: (held: HeldBy | null, mine: boolean) => void): () => void {
    const l = { jobId, grown };
    this.listeners.add(l);
    if (!this.stop) void this.run();
    return () => {
      this.listeners.delete(l);
      if (this.listeners.size) return;
      this.stop?.abort();
      this.renew?.();
      this.stop = null;
    };
  }

  private pause(): Promise<void> {
    return new Promise((done) => void this.ports.later(PAUSE_MS, done));
  }

  private async run(): Promise<void> {
    const stop = new AbortController();
    this.stop = stop;
    let after: number | null = null;
    while (!stop.signal.aborted) {
      if (!(await this.ports.elected())) {
        // Whoever listens now may stop: what it heard before is asked for again when this tab's turn comes.
        after = null;
        await this.pause();
        continue;
      }
      const turn = new AbortController();
      stop.signal.addEventListener("abort", () => turn.abort(), { once: true });
      this.keepTurn(turn);
      try {
        const first = after === null;
        const got = await this.ports.wait(after, turn.signal);
        if (turn.signal.aborted) continue;
        after = got.cursor;
        if (first || this.lost !== null) this.tell({ jobs: null, held: null });
        else if (got.jobs.length) this.tell({ jobs: got.jobs, held: null });
        this.lost = null;
      } catch (e) {
        if (turn.signal.aborted) continue;
        after = null;
        const by = e instanceof NotFollowed ? e.by : "away";
        if (this.lost !== by) this.tell({ jobs: [], held: by });
        this.lost = by;
        await this.pause();
      } finally {
        this.renew?.();
      }
    }
  }
  /** Holds this tab's turn while it waits; lets go when another tab has taken it. */
  private keepTurn(turn: AbortController): void {
    const again = () => {
      this.renew = this.ports.later(PAUSE_MS, () => {
        if (turn.signal.aborted) return;
        again();
        void this.ports.elected().then((mine) => {
          if (!mine) turn.abort();
        });
      });
    };
    again();
  }
}
