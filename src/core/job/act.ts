import type { EventType, Payload } from "./payloads";

/** An event yet to be recorded: its type with its payload. */
export type Act = { [T in EventType]: { type: T; payload: Payload<T> } }[EventType];
