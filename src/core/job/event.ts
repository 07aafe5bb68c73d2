import type { EventType, Payload } from "./payloads";

interface Envelope<T extends EventType> {
  /** UUIDv7 made on the device. */
  id: string;
  jobId: string;
  type: T;
  /** Version of the payload's shape. */
  v: number;
  payload: Payload<T>;
  who: string;
  device: string;
  /** What its device's clock said. */
  clock: string;
  /** Where it stands in canonical order, set once by the server when it first takes the event; missing until then. */
  placed?: string | undefined;
  /** The server's cursor for this job that the device had last seen. */
  seen: number;
}
/** One event of a job's log, told apart by `type`. */
export type JobEvent = { [T in EventType]: Envelope<T> }[EventType];
export type EventOf<T extends EventType> = Envelope<T>;
