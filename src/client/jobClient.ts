import {
  type Act,
  askGate,
  counting,
  fold,
  type JobEvent,
  type JobState,
  makeEventId,
  newestVersion,
  nextClock,
  type Refusal,
  ruleOf,
  type Snapshots,
} from "@/core/job";
import type { Known } from "./known";

/** What the server says to one act that was sent. */
export type Sent =
  /** It is on the server, from now or from before. */
  | { is: "taken"; cursor: number }
  /** The act itself was refused: sent again it would be refused again. */
  | { is: "refused"; refusal: Refusal; cursor: number }
  /** Nothing is known of the act: no answer, or one that is about something else. It is sent again. */
  | { is: "unknown"; reached: boolean };

export interface Pulled {
  events: readonly JobEvent[];
  snapshots: Snapshots;
  cursor: number;
}

/** What the client needs of the world; every part of it can fail, be late, or say the same thing twice. */
export interface JobPorts {
  send: (e: JobEvent, via: "live" | "outbox") => Promise<Sent>;
  /** Events after a cursor; throws when the server is not reached. */
  pull: (after: number) => Promise<Pulled>;
  /** Comes back with the newest cursor once there is more than `after`, or after a while; throws when not reached. */
  wait: (after: number, stop: AbortSignal) => Promise<number>;
  outbox: {
    /** What this page knows to be unsent, at hand at once. */
    here: () => readonly JobEvent[];
    /** What a page before this one left unsent. */
    left: () => Promise<readonly JobEvent[]>;
    keep: (e: JobEvent) => void;
    drop: (e: JobEvent) => Promise<void>;
    /** Acts whose sending failed before: they arrive late. */
    failed: Set<string>;
  };
  keepKnown: (known: Known) => void;
  now: () => number;
  random: () => Uint8Array;
  who: () => string;
  device: () => string;
  /** Runs `then` after a while; the answer stops it. */
  later: (ms: number, then: () => void) => () => void;
}

/** The job as this device knows it, made anew with every change, so that whoever draws it can tell by identity. */
export interface JobLog {
  events: readonly JobEvent[];
  snapshots: Snapshots;
  state: JobState;
  refusal: Refusal | null;
  unsent: number;
  offline: boolean;
  /** This device's newest entry that may be taken back, or null. */
  canTakeBack: JobEvent | null;
}

const RETRY_MS = 3000;
const maxClock = (events: readonly JobEvent[]) =>
  events.reduce<string | null>((m, e) => (m === null || e.clock > m ? e.clock : m), null);

/** One job on this device: what the server acknowledged, what is still to be sent, and how the two come together. */
export class JobClient {
  private acked: readonly JobEvent[];
  private pending: readonly JobEvent[];
  private kept: Snapshots;
  private cursor: number;
  private offline = false;
  private refusal: Refusal | null = null;
  private sending = false;
  private stopped = true;
  private readonly listeners = new Set<() => void>();
  private now: JobLog;

  constructor(
    readonly jobId: string,
    readonly ports: JobPorts,
    first: Known,
    /** Reference data acts may rely on, by hash, beyond what the job already keeps. */
    private readonly reference: Snapshots,
  ) {
    this.acked = first.events;
    this.kept = first.snapshots;
    this.cursor = first.cursor;
    const known = new Set(first.events.map((e) => e.id));
    this.pending = ports.outbox.here().filter((e) => !known.has(e.id));
    this.now = this.draw();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly log = (): JobLog => this.now;

  private draw(): JobLog {
    const known = new Set(this.acked.map((e) => e.id));
    const events = [...this.acked, ...this.pending.filter((p) => !known.has(p.id))];
    const snapshots = { ...this.reference, ...this.kept };
    return {
      events,
      snapshots,
      state: fold(events, snapshots),
      refusal: this.refusal,
      unsent: this.pending.length,
      offline: this.offline,
      canTakeBack: this.newestOwn(events),
    };
  }
  private newestOwn(events: readonly JobEvent[]): JobEvent | null {
    const me = this.ports.device();
    return counting(events).findLast((e) => e.device === me && !ruleOf(e.type).stays) ?? null;
  }
  private changed(log: boolean): void {
    this.now = log ? this.draw() : { ...this.now, refusal: this.refusal, offline: this.offline };
    for (const l of this.listeners) l();
  }
  private put(acked: readonly JobEvent[], pending: readonly JobEvent[]): void {
    this.acked = acked;
    this.pending = pending;
    this.ports.keepKnown({ events: acked, snapshots: this.kept, cursor: this.cursor });
    this.changed(true);
  }

  /** Says why something was not recorded; null takes it off the screen. */
  refuse(refusal: Refusal | null): void {
    if (this.refusal === refusal) return;
    this.refusal = refusal;
    this.changed(false);
  }

  /**
   * Records acts, all or none: each gate is asked on the log with those before it, and the first that is shut is told.
   * @returns true when they are recorded
   */
  record(...acts: Act[]): boolean {
    const made: JobEvent[] = [];
    for (const act of acts) {
      const all = [...this.now.events, ...made];
      const ms = this.ports.now();
      const e = {
        id: makeEventId(ms, this.ports.random()),
        jobId: this.jobId,
        v: newestVersion(act.type),
        who: this.ports.who(),
        device: this.ports.device(),
        clock: nextClock(maxClock(all), ms),
        seen: this.cursor,
        ...act,
      } as JobEvent;
      const shut = askGate(all, this.now.snapshots, e);
      if (shut) {
        this.refuse(shut);
        return false;
      }
      made.push(e);
    }
    for (const e of made) this.ports.outbox.keep(e);
    this.refusal = null;
    this.put(this.acked, [...this.pending, ...made]);
    void this.flush();
    return true;
  }

  /** Takes back this device's newest entry that counts, or one by id. */
  takeBack(eventId: string | undefined = this.now.canTakeBack?.id): boolean {
    if (eventId) return this.record({ type: "job.takenBack", payload: { eventId } });
    this.refuse({ gate: "takeBack", reason: "Nothing of this device to take back." });
    return false;
  }

  /** Sends what is unsent, one after the other in the order it was recorded, until one gets no answer. */
  async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    try {
      for (let e = this.pending[0]; e; e = this.pending[0]) {
        const { failed } = this.ports.outbox;
        const sent = await this.ports.send(e, failed.has(e.id) ? "outbox" : "live");
        if (sent.is === "unknown") {
          // Whatever waits behind it arrives late as well.
          for (const p of this.pending) failed.add(p.id);
          this.offline = true;
          this.changed(false);
          return;
        }
        this.offline = false;
        const id = e.id;
        const rest = this.pending.filter((p) => p.id !== id);
        if (sent.is === "refused") this.refusal = sent.refusal;
        this.put(sent.is === "taken" ? [...this.acked.filter((a) => a.id !== id), e] : this.acked, rest);
        // Last, so that at no moment the act is neither here nor known to be there.
        await this.ports.outbox.drop(e);
        if (sent.cursor > this.cursor) await this.pull().catch(() => undefined);
      }
    } finally {
      this.sending = false;
    }
  }

  /** Takes what others did since the cursor. */
  private async pull(): Promise<void> {
    const got = await this.ports.pull(this.cursor);
    this.cursor = Math.max(this.cursor, got.cursor);
    if (got.events.length === 0) return;
    this.kept = { ...this.kept, ...got.snapshots };
    const known = new Set(this.acked.map((e) => e.id));
    const fresh = got.events.filter((e) => !known.has(e.id));
    if (fresh.length === 0) return;
    const ids = new Set(fresh.map((e) => e.id));
    // Acknowledged after all: the answer was lost on the way, not the act.
    for (const p of this.pending) if (ids.has(p.id)) void this.ports.outbox.drop(p);
    this.put(
      [...this.acked, ...fresh],
      this.pending.filter((p) => !ids.has(p.id)),
    );
  }

  /** What a page before this one left unsent goes first. */
  private async takeUp(): Promise<void> {
    const left = await this.ports.outbox.left();
    const acked = new Set(this.acked.map((e) => e.id));
    const known = new Set([...acked, ...this.pending.map((e) => e.id)]);
    for (const e of left) if (acked.has(e.id)) void this.ports.outbox.drop(e);
    const fresh = left.filter((e) => !known.has(e.id));
    if (this.stopped || fresh.length === 0) return;
    for (const e of fresh) this.ports.outbox.failed.add(e.id);
    this.put(this.acked, [...fresh, ...this.pending]);
    void this.flush();
  }

  /** Sends, retries and follows other devices until the answer is called. */
  start(): () => void {
    this.stopped = false;
    const stop = new AbortController();
    let cancel = () => {};
    const again = () => {
      cancel = this.ports.later(RETRY_MS, () => {
        void this.flush();
        again();
      });
    };
    again();
    void this.takeUp();
    void this.flush();
    void this.follow(stop.signal);
    return () => {
      this.stopped = true;
      cancel();
      stop.abort();
    };
  }

  private async follow(stop: AbortSignal): Promise<void> {
    while (!stop.aborted) {
      try {
        if ((await this.ports.wait(this.cursor, stop)) > this.cursor && !stop.aborted) await this.pull();
      } catch {
        if (!stop.aborted) await new Promise<void>((done) => this.ports.later(RETRY_MS, done));
      }
    }
  }
}
