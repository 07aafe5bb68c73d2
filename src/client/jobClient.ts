import {
  type Act,
  askGate,
  browserOf,
  compareEvents,
  counting,
  fold,
  type JobEvent,
  makeEventId,
  newestVersion,
  nextClock,
  placeAct,
  placeOf,
  type Refusal,
  ruleOf,
  type Snapshots,
} from "@/core/job";
import type { JobLog, JobPorts, NotTaken, Pulled } from "./jobPorts";
import type { Known } from "./known";
import type { Held, HeldBy, Told } from "./outbox";

export type { JobLog, JobOutbox, JobPorts, NotTaken, Pulled } from "./jobPorts";

const greatest = (list: readonly string[]): string | null =>
  list.reduce<string | null>((m, c) => (m === null || c > m ? c : m), null);

/** One job on this device: what the server acknowledged, what is still to be sent, and how the two come together. */
export class JobClient {
  private acked: readonly JobEvent[];
  private kept: Snapshots;
  private cursor: number;
  /** Why others are not heard of, or null. */
  private lost: HeldBy | null = null;
  private refusal: Refusal | null = null;
  private pulling: Promise<void> | null = null;
  private pullAgain = false;
  private readonly listeners = new Set<() => void>();
  private now: JobLog;

  constructor(
    readonly jobId: string,
    readonly ports: JobPorts,
    first: Known,
    /** Reference data acts may rely on, by hash, beyond what the job already keeps. */
    private reference: Snapshots,
  ) {
    this.acked = first.events;
    this.kept = first.snapshots;
    this.cursor = first.cursor;
    this.now = this.draw();
    const own = this.pending().length > 0 || this.now.notTaken.length > 0;
    this.asSent = own ? this.draw(false) : { ...this.now, held: null, canTakeBack: null, canPutAgain: null };
  }
  /** The job as the server sent it, without what this browser keeps: what a page that was made there begins with. */
  private readonly asSent: JobLog;
  readonly first = (): JobLog => this.asSent;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly log = (): JobLog => this.now;

  /** What waits and is not known to be on the server. */
  private pending(): JobEvent[] {
    const known = new Set(this.acked.map((e) => e.id));
    return this.ports.outbox.waiting(this.jobId).flatMap((k) => (known.has(k.event.id) ? [] : [k.event]));
  }
  private draw(mine = true): JobLog {
    const pending = mine ? this.pending() : [];
    const events = [...this.acked, ...pending];
    const snapshots = { ...this.reference, ...this.kept };
    return {
      events,
      snapshots,
      state: fold(events, snapshots),
      refusal: this.refusal,
      unsent: pending.length,
      notTaken: mine ? this.notTaken(events, snapshots) : [],
      held: mine ? this.heldBy() : null,
      canTakeBack: mine ? this.newestOwn(events) : null,
      canPutAgain: mine ? this.takenBackLast(events) : null,
    };
  }
  private heldBy(): Held | null {
    return this.ports.outbox.heldBy() ?? (this.lost && { by: this.lost, words: null });
  }
  /** What was not taken, each with what else stands in this browser's list that its gate would not let through without it. */
  private notTaken(events: readonly JobEvent[], snapshots: Snapshots): NotTaken[] {
    const aside = this.ports.outbox.aside(this.jobId);
    return aside.map((k) => {
      const behind = aside.filter((x) => x !== k && compareEvents(k.event, x.event) < 0).map((x) => x.event);
      const dependent = behind.filter(
        (x) => askGate([...events, k.event], snapshots, x) === null && askGate(events, snapshots, x) !== null,
      );
      return { event: k.event, refusal: k.aside!, dependent };
    });
  }
  private newestOwn(events: readonly JobEvent[]): JobEvent | null {
    const me = browserOf(this.ports.device());
    return counting(events).findLast((e) => browserOf(e.device) === me && !ruleOf(e.type).stays) ?? null;
  }
  /** What this browser took back and did nothing else since but put such things again: the last of it. */
  private takenBackLast(events: readonly JobEvent[]): JobEvent | null {
    const me = browserOf(this.ports.device());
    const back: JobEvent[] = [];
    for (const e of [...events].sort(compareEvents)) {
      if (browserOf(e.device) !== me) continue;
      if (e.type === "job.takenBack") {
        const target = events.find((x) => x.id === e.payload.eventId);
        if (target && target.type !== "job.takenBack") back.push(target);
        continue;
      }
      const last = back.at(-1);
      if (last && last.type === e.type && JSON.stringify(last.payload) === JSON.stringify(e.payload)) back.pop();
      else back.length = 0;
    }
    return back.at(-1) ?? null;
  }
  private changed(log: boolean): void {
    this.now = log ? this.draw() : { ...this.now, refusal: this.refusal, held: this.heldBy() };
    for (const l of [...this.listeners]) l();
  }
  /** Reference data read anew: acts may rely on it from now on. */
  learn(reference: Snapshots): void {
    if (reference === this.reference) return;
    this.reference = reference;
    this.changed(true);
  }
  private keepKnown(): void {
    this.ports.keepKnown({ events: this.acked, snapshots: this.kept, cursor: this.cursor });
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
    const device = this.ports.device();
    const aheadMs = this.ports.aheadMs();
    for (const act of acts) {
      const all = [...this.now.events, ...made];
      const ms = this.ports.now();
      // A lane's clock rises whatever is done to the device's; its place comes after all that is known here.
      const clock = nextClock(greatest(all.filter((e) => e.device === device).map((e) => e.clock)), ms);
      const floor = greatest(all.map(placeOf));
      const e = {
        id: makeEventId(ms, this.ports.random()),
        jobId: this.jobId,
        v: newestVersion(act.type),
        who: this.ports.who(),
        device,
        clock,
        placed: placeAct(clock, aheadMs ?? 0, floor, ms - (aheadMs ?? 0)),
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
    this.refusal = null;
    for (const e of made) this.ports.outbox.keep(e, aheadMs);
    this.changed(true);
    return true;
  }

  /** Takes back this browser's newest entry that counts, or one by id. */
  takeBack(eventId: string | undefined = this.now.canTakeBack?.id): boolean {
    if (eventId) return this.record({ type: "job.takenBack", payload: { eventId } });
    this.refuse({ gate: "takeBack", reason: "Nothing of this device to take back." });
    return false;
  }

  /** Records once more what was taken back last: a new act, through its gate. */
  putAgain(): boolean {
    const e = this.now.canPutAgain;
    if (e) return this.record({ type: e.type, payload: e.payload } as Act);
    this.refuse({ gate: "takeBack", reason: "Nothing that was taken back here to put again." });
    return false;
  }

  /** Sends an act that was not taken once more, with what this device has seen by now. */
  again(id: string): void {
    this.refusal = null;
    this.ports.outbox.again(id, this.cursor);
  }

  /** Lets an act go that was not taken: what it said and why it was refused stands in the job's log, as a note where one is wanted. */
  letGo(id: string, words: string, asNote: boolean): boolean {
    const k = this.ports.outbox.aside(this.jobId).find((x) => x.event.id === id);
    if (!k) return false;
    const act: Act = asNote
      ? { type: "job.noted", payload: { text: words } }
      : { type: "job.actDiscarded", payload: { type: k.event.type, words, clock: k.event.clock } };
    if (!this.record(act)) return false;
    void this.ports.outbox.discard(id);
    return true;
  }

  /** What the outbox tells, of this tab or another. */
  private hear(t: Told): void {
    if (t.is === "held") {
      this.changed(false);
      return;
    }
    if ((t.is === "kept" ? t.kept.event.jobId : t.jobId) !== this.jobId) return;
    if (t.is === "taken") {
      this.lost = null;
      this.taken(t.id, t.placed);
      if (t.cursor > this.cursor) void this.pull();
    } else if (t.is === "aside") {
      this.refusal = t.refusal;
      if (t.cursor > this.cursor) void this.pull();
    }
    this.changed(true);
  }
  /** Acts seen waiting, so that one the server took is not missing for a moment. */
  private readonly seenWaiting = new Map<string, JobEvent>();
  private taken(id: string, placed: string): void {
    const e = this.seenWaiting.get(id) ?? this.now.events.find((x) => x.id === id);
    this.seenWaiting.delete(id);
    if (!e || this.acked.some((a) => a.id === id)) return;
    this.acked = [...this.acked, { ...e, placed }];
    this.keepKnown();
  }

  /** Takes what others did since the cursor; one asking at a time. */
  private pull(): Promise<void> {
    if (this.pulling) {
      this.pullAgain = true;
      return this.pulling;
    }
    this.pulling = (async () => {
      try {
        do {
          this.pullAgain = false;
          const got = await this.ports.pull(this.cursor);
          // Words were removed from what is kept here: the whole log is read anew.
          if (this.cursor > 0 && got.events.some((e) => e.type === "job.redacted")) this.takeIn(await this.ports.pull(0));
          else this.takeIn(got);
        } while (this.pullAgain);
      } catch {
        // Not reached: whoever follows says so, and asks again.
      } finally {
        this.pulling = null;
      }
    })();
    return this.pulling;
  }
  private takeIn(got: Pulled): void {
    this.cursor = Math.max(this.cursor, got.cursor);
    if (got.events.length === 0) return;
    this.kept = { ...this.kept, ...got.snapshots };
    const fresh = new Map(got.events.map((e) => [e.id, e]));
    const had = new Set(this.acked.map((e) => e.id));
    // As the server has it: its place is the server's.
    this.acked = [...this.acked.map((e) => fresh.get(e.id) ?? e), ...got.events.filter((e) => !had.has(e.id))];
    this.keepKnown();
    // Acknowledged after all: the answer was lost on the way, not the act.
    for (const e of got.events) void this.ports.outbox.known(e.id, placeOf(e), got.cursor);
    this.changed(true);
  }

  /** Follows the outbox and other devices until the answer is called. */
  start(): () => void {
    const ends = [
      this.ports.outbox.subscribe((t) => {
        if (t.is === "kept" && t.kept.event.jobId === this.jobId) this.seenWaiting.set(t.kept.event.id, t.kept.event);
        this.hear(t);
      }),
      this.ports.follow(this.jobId, (by, mine) => {
        if (by !== this.lost) {
          this.lost = by;
          this.changed(false);
        }
        if (by !== null) return;
        void this.ports.outbox.flush();
        if (mine) void this.pull();
      }),
    ];
    for (const e of this.pending()) this.seenWaiting.set(e.id, e);
    // What a page before this one left unsent, and what came since this page was made.
    void this.ports.outbox.takeUp().then(() => this.ports.outbox.flush());
    void this.pull();
    this.changed(true);
    return () => {
      for (const end of ends) end();
    };
  }
}
