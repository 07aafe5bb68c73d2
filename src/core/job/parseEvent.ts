import { z } from "zod";
import { words } from "../quantity/shapes";
import { readClock } from "./clock";
import type { JobEvent } from "./event";
import { type EventType, PAYLOADS } from "./payloads";
import { liftEvent, newestVersion } from "./versions";

// In small letters: an address with capitals would name another job.
const uuid = z.uuid().regex(/^[0-9a-f-]+$/, "a UUID in small letters");
const hybrid = z.string().refine((c) => readClock(c) !== null, "a hybrid clock, 15 digits, a hyphen, 6 digits");

const EnvelopeShape = z.strictObject({
  id: uuid,
  jobId: uuid,
  type: z.string().min(1).max(60),
  v: z.int().min(1),
  payload: z.unknown(),
  who: words(60),
  device: z.string().regex(/^[A-Za-z0-9-]{4,64}$/, "a device id of 4 to 64 letters, digits and hyphens"),
  clock: hybrid,
  placed: hybrid.optional(),
  seen: z.int().min(0),
});

export type ParsedEvent = { ok: true; event: JobEvent } | { ok: false; problem: string };

const where = (path: readonly PropertyKey[]) => path.map(String).join(".");

/**
 * Validates one event from outside or read back from disk.
 * @param raw anything
 * @returns the event, or one sentence naming the field, what was read and what was expected; never throws
 * @example parseEvent({ type: "open.magic" }).ok // false
 */
export function parseEvent(raw: unknown): ParsedEvent {
  const env = EnvelopeShape.safeParse(raw);
  if (!env.success) {
    const i = env.error.issues[0]!;
    return { ok: false, problem: `event field "${where(i.path) || "event"}": ${i.message}` };
  }
  if (!Object.hasOwn(PAYLOADS, env.data.type))
    return { ok: false, problem: `event type "${env.data.type}" is not one this Helvane knows` };
  const type = env.data.type as EventType;
  const newest = newestVersion(type);
  if (env.data.v > newest)
    return { ok: false, problem: `event type "${type}" is at version ${env.data.v}; this Helvane reads up to ${newest}` };
  const lifted = liftEvent({ type, v: env.data.v, payload: env.data.payload });
  const payload = PAYLOADS[type].safeParse(lifted.payload);
  if (!payload.success) {
    const i = payload.error.issues[0]!;
    return { ok: false, problem: `${type}, field "${where(i.path) || "payload"}": ${i.message}` };
  }
  return { ok: true, event: { ...env.data, v: lifted.v, type, payload: payload.data } as JobEvent };
}
