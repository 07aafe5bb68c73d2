import { compareEvents, type JobEvent, type Refusal } from "@/core/job";

/** An act this browser recorded and the server has not acknowledged. */
export interface Kept {
  event: JobEvent;
  /** How far this device's clock was measured to be ahead of the server's when it was recorded, ms; null when it never was. */
  aheadMs: number | null;
  /** Why the server did not take it; null while it is still to be sent. */
  aside: Refusal | null;
}

/** Why nothing is sent: not reached, not let in, or an answer that says nothing about the act. None of it is the act's fault. */
export type HeldBy = "away" | "locked" | "trouble";
export interface Held {
  by: HeldBy;
  /** What the server said, where it said anything. */
  words: string | null;
}

/** What the server says to one act that was sent. */
export type Sent =
  /** It is on the server, from now or from before. */
  | { is: "taken"; placed: string; cursor: number }
  /** The act itself was refused: sent again as it is, it would be refused again. */
  | { is: "refused"; refusal: Refusal; cursor: number }
  /** Nothing is known of the act. It is sent again. */
  | { is: "unknown"; held: Held };

/** What the tabs of a browser tell each other, and each tab its own pages. */
export type Told =
  | { is: "kept"; kept: Kept }
  | { is: "taken"; jobId: string; id: string; placed: string; cursor: number }
  | { is: "aside"; jobId: string; id: string; refusal: Refusal; cursor: number }
  | { is: "gone"; jobId: string; id: string }
  | { is: "held"; held: Held | null };

/** What the outbox needs of the browser; every part of it can fail. */
export interface OutboxPorts {
  /** What is kept across a reload or a flat battery. A browser that keeps nothing, as in a private window, throws. */
  disk: { all(): Promise<readonly Kept[]>; put(k: Kept): Promise<void>; drop(id: string): Promise<void> };
  /** True when this tab is the one that sends, for a few seconds from now; never throws. */
  elected(): Promise<boolean>;
  send(k: Kept): Promise<Sent>;
  tabs: { tell(t: Told): void; hear(listener: (t: Told) => void): void };
  later(ms: number, then: () => void): () => void;
}

const RETRY_MS = 3000;
const inOrder = (a: Kept, b: Kept) =>
  a.event.clock !== b.event.clock ? (a.event.clock < b.event.clock ? -1 : 1) : compareEvents(a.event, b.event);

/**
 * Everything recorded in this browser that the server does not have. Each tab records in a lane of its own; one of them is elected
 * to send, in the order recorded, also what tabs that are gone left behind. An act leaves only when the server has it, or when a
 * person says so.
 */
export class Outbox {
  private readonly kept = new Map<string, Kept>();
  /** Ids that left for good: a disk that answers late brings none of them back. */
  private readonly left = new Set<string>();
  private readonly listeners = new Set<(t: Told) => void>();
  private held: Held | null = null;
  private sending = false;
  private asked = false;
  private cancel: (() => void) | null = null;

  constructor(private readonly ports: OutboxPorts) {
    ports.tabs.hear((t) => {
      this.take(t);
      if (t.is === "kept") void this.flush();
    });
  }

  /** Waiting acts of a job, in the order recorded; every tab's. */
  waiting = (jobId: string): Kept[] => this.of(jobId).filter((k) => k.aside === null);
  /** Acts of a job the server did not take. */
  aside = (jobId: string): Kept[] => this.of(jobId).filter((k) => k.aside !== null);
  /** How many acts of all jobs wait. */
  unsent = (): number => [...this.kept.values()].filter((k) => k.aside === null).length;
  heldBy = (): Held | null => this.held;
  private of(jobId: string): Kept[] {
    return [...this.kept.values()].filter((k) => k.event.jobId === jobId).sort(inOrder);
  }
  subscribe(listener: (t: Told) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Takes in what was told, by this tab or another. */
  private take(t: Told): void {
    if (t.is === "kept") {
      if (this.left.has(t.kept.event.id)) return;
      this.kept.set(t.kept.event.id, t.kept);
    } else if (t.is === "taken" || t.is === "gone") {
      this.left.add(t.id);
      this.kept.delete(t.id);
    } else if (t.is === "aside") {
      const k = this.kept.get(t.id);
      if (k) this.kept.set(t.id, { ...k, aside: t.refusal });
    } else this.held = t.held;
    for (const l of [...this.listeners]) l(t);
  }
  private tell(t: Told): void {
    this.take(t);
    this.ports.tabs.tell(t);
  }
  private async quietly<T>(ask: () => Promise<T>): Promise<T | undefined> {
    try {
      return await ask();
    } catch {
      return undefined;
    }
  }

  /** Keeps an act, at hand at once; it is sent as soon as can be. */
  keep(event: JobEvent, aheadMs: number | null): void {
    const kept: Kept = { event, aheadMs, aside: null };
    this.tell({ is: "kept", kept });
    void this.quietly(() => this.ports.disk.put(kept)).then(() => this.flush());
  }

  /** A person's word that an act goes: kept as a note, or not wanted. */
  async discard(id: string): Promise<void> {
    const k = this.kept.get(id);
    if (k) await this.leaves(id, { is: "gone", jobId: k.event.jobId, id });
  }

  /** Sends an act that was not taken once more: what its device has seen by now is its new place, its time stays. */
  again(id: string, seen: number): void {
    const k = this.kept.get(id);
    if (!k) return;
    const next: Kept = { ...k, event: { ...k.event, seen: Math.max(seen, k.event.seen) }, aside: null };
    this.tell({ is: "kept", kept: next });
    void this.quietly(() => this.ports.disk.put(next)).then(() => this.flush());
  }

  /** The act is on the server already, as its log says. */
  async known(id: string, placed: string, cursor: number): Promise<void> {
    const k = this.kept.get(id);
    if (k) await this.leaves(id, { is: "taken", jobId: k.event.jobId, id, placed, cursor });
  }

  private async leaves(id: string, t: Told): Promise<void> {
    // Last from the disk, so that at no moment the act is neither here nor known to be there.
    this.tell(t);
    await this.quietly(() => this.ports.disk.drop(id));
  }

  /** What pages before this one left unsent, on the disk. */
  async takeUp(): Promise<void> {
    const all = (await this.quietly(() => this.ports.disk.all())) ?? [];
    for (const k of all) if (!this.left.has(k.event.id) && !this.kept.has(k.event.id)) this.take({ is: "kept", kept: k });
  }

  /** The next act to send: the first that waits in its lane. */
  private next(): Kept | undefined {
    return [...this.kept.values()].filter((k) => k.aside === null).sort(inOrder)[0];
  }

  /** Sends what waits, one after the other in the order it was recorded, until one gets no answer. */
  async flush(): Promise<void> {
    if (this.sending) {
      this.asked = true;
      return;
    }
    this.sending = true;
    try {
      do {
        this.asked = false;
        if (this.unsent() === 0 || !(await this.ports.elected())) break;
        await this.takeUp();
        for (let k = this.next(); k; k = this.next()) if (!(await this.sendOne(k))) return;
      } while (this.asked);
    } finally {
      this.sending = false;
    }
  }

  /** @returns false when nothing came of it and the rest has to wait */
  private async sendOne(k: Kept): Promise<boolean> {
    const { id, jobId } = k.event;
    const sent = await this.ports.send(k);
    if (sent.is === "unknown") {
      this.tell({ is: "held", held: sent.held });
      return false;
    }
    if (this.held) this.tell({ is: "held", held: null });
    if (sent.is === "taken") await this.leaves(id, { is: "taken", jobId, id, placed: sent.placed, cursor: sent.cursor });
    else {
      const { refusal, cursor } = sent;
      this.tell({ is: "aside", jobId, id, refusal, cursor });
      await this.quietly(() => this.ports.disk.put({ ...k, aside: refusal }));
    }
    return true;
  }

  /** Looks for what is left and tries again every few seconds, until the answer is called. */
  start(): () => void {
    const again = () => {
      this.cancel = this.ports.later(RETRY_MS, () => {
        void this.takeUp().then(() => this.flush());
        again();
      });
    };
    again();
    void this.takeUp().then(() => this.flush());
    return () => this.cancel?.();
  }
}
