import type { BuildIndex } from "../build";
import type { Answer } from "./answer";
import type { JobView } from "./derived";
import type { EventOf } from "./event";
import type { EventType, Payload } from "./payloads";
import type { JobState, Snapshot, Snapshots } from "./state";

/** What a gate is asked with. */
export interface Asked<T extends EventType, B> extends JobView {
  s: JobState;
  e: EventOf<T>;
  /** The job's build with what was found on it; for an act on the machine there always is one. */
  b: B;
}

/** What an event is applied with. */
export interface Applied<T extends EventType> {
  e: EventOf<T>;
  b: BuildIndex | null;
  snapshots: Snapshots;
}

type HashField<P> = Extract<P extends unknown ? keyof P : never, `${string}Hash`>;
/** Every field that names reference data by its hash says of which kind: the snapshot is kept with the job. */
type Relies<P> = [HashField<P>] extends [never] ? { relies?: never } : { relies: Record<HashField<P>, Snapshot["kind"]> };

interface Traits<T extends EventType> {
  /** What it is, as it stands in a sentence: "a screw taken out". */
  name: string;
  /** Never held back by a stop or a plan that is missing: it tells what happened, or resolves a stop. */
  always?: true;
  /** May be recorded before the job is opened, and after it is closed. */
  beforeOpening?: true;
  afterClosing?: true;
  /** Stands in the stock's own log, in no job. */
  stock?: true;
  /** May stand in the stock's log as well as in a job. */
  inStock?: true;
  /** Goes through an open safety stop. */
  throughStop?: true | ((p: Payload<T>, s: JobState) => boolean);
  /** Feeds the machine, wakes it, or looks at it running: refused while liquid in it is not cleared. */
  powers?: true | ((p: Payload<T>, v: { state: JobState; snapshots: Snapshots }) => boolean);
  /** Spends money: refused when it was decided on an older state of the job. */
  spends?: true;
  /** Corrects the record rather than telling of an act: refused when it comes late, as when it is recorded live. */
  noAct?: true;
  /** Why it can never be taken back. */
  stays?: string;
  /** Why it cannot be taken back as things stand; null when it can. What was taken back already stays so. */
  staysWhile?: (s: JobState) => string | null;
  /** How its payload of version 1 becomes version 2, then of 2 becomes 3, and so on: what is written today is one more than these. */
  lift?: readonly ((payload: Readonly<Record<string, unknown>>) => Record<string, unknown>)[];
}

interface Applies<T extends EventType> {
  /** Told only what happened, never whether it was allowed: an act that came late has happened all the same. */
  apply: (s: JobState, p: Payload<T>, c: Applied<T>) => void;
}

interface AtDesk<T extends EventType> {
  /** A record or decision, or power: `power` acts change what the bench is fed by. */
  on: "desk" | "power";
  may?: (p: Payload<T>, a: Asked<T, BuildIndex | null>) => Answer;
}
interface OnMachine<T extends EventType> {
  /** Hands on the machine: needs a plan, and no money stop open. */
  on: "machine";
  may?: (p: Payload<T>, a: Asked<T, BuildIndex>) => Answer;
}

/** All that is known of one kind of event: whether it may be, what it changes, and how it is treated. */
export type EventRule<T extends EventType> = Traits<T> & Applies<T> & Relies<Payload<T>> & (AtDesk<T> | OnMachine<T>);

/** The rules of a station: one for every kind in its `payloads.ts`, which the compiler counts. */
export type RulesOf<P> = { readonly [T in keyof P & EventType]: EventRule<T> };
