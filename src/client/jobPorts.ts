import type { JobEvent, JobState, Refusal, Snapshots } from "@/core/job";
import type { Known } from "./known";
import type { Held, HeldBy, Kept, Told } from "./outbox";

export interface Pulled {
  events: readonly JobEvent[];
  snapshots: Snapshots;
  cursor: number;
}

/** What the client needs of the outbox of its browser. */
export interface JobOutbox {
  waiting(jobId: string): Kept[];
  aside(jobId: string): Kept[];
  heldBy(): Held | null;
  subscribe(listener: (t: Told) => void): () => void;
  keep(event: JobEvent, aheadMs: number | null): void;
  discard(id: string): Promise<void>;
  again(id: string, seen: number): void;
  known(id: string, placed: string, cursor: number): Promise<void>;
  takeUp(): Promise<void>;
  flush(): Promise<void>;
}

/** What the client needs of the world; every part of it can fail, be late, or say the same thing twice. */
export interface JobPorts {
  outbox: JobOutbox;
  /** Events after a cursor; throws when the server is not reached. */
  pull: (after: number) => Promise<Pulled>;
  /** Tells when the job may have grown, and why nothing is heard when nothing is. */
  follow: (jobId: string, grown: (held: HeldBy | null, mine: boolean) => void) => () => void;
  keepKnown: (known: Known) => void;
  now: () => number;
  /** How far this device's clock is ahead of the server's, ms; null when that was never measured. */
  aheadMs: () => number | null;
  random: () => Uint8Array;
  who: () => string;
  /** This tab's lane of this browser. */
  device: () => string;
}

/** An act the server did not take, why, and what else is waiting that depends on it. */
export interface NotTaken {
  event: JobEvent;
  refusal: Refusal;
  dependent: readonly JobEvent[];
}

/** The job as this device knows it, made anew with every change, so that whoever draws it can tell by identity. */
export interface JobLog {
  events: readonly JobEvent[];
  snapshots: Snapshots;
  state: JobState;
  refusal: Refusal | null;
  unsent: number;
  notTaken: readonly NotTaken[];
  /** Why nothing is sent, or null. */
  held: Held | null;
  /** This browser's newest entry that may be taken back, or null. */
  canTakeBack: JobEvent | null;
  /** What this browser took back last and may put again, or null. */
  canPutAgain: JobEvent | null;
}
