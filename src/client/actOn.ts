import { type Act, makeEventId, newestVersion, nextClock } from "@/core/job";
import type { AppendReply, EventsReply } from "@/wire/jobs";
import { deviceId, whoIsHere } from "./device";
import { aheadMs } from "./serverTime";

/** Where the log of a job stands now; null when the server was not reached. */
async function newest(jobId: string): Promise<number | null> {
  const res = await fetch(`/api/jobs/${jobId}/events?after=0`).catch(() => null);
  return res?.ok ? ((await res.json()) as EventsReply).cursor : null;
}

/**
 * One act in a job that is not open on this page: recorded at once, or refused in words. Nothing is kept here when the server is away.
 * @param seen up to where in the log of the job whoever decided it had looked; what spends money asks for it. Missing = as the job
 * stands now: its gate is asked, and an act it refuses is not recorded.
 * @returns null when it was taken, else why not
 */
export async function actOn(jobId: string, act: Act, seen?: number): Promise<string | null> {
  const upTo = seen ?? (await newest(jobId));
  if (upTo === null) return "The server was not reached: nothing was recorded.";
  const ms = Date.now();
  const event = {
    id: makeEventId(ms, crypto.getRandomValues(new Uint8Array(10))),
    jobId,
    v: newestVersion(act.type),
    who: whoIsHere(),
    device: deviceId(),
    clock: nextClock(null, ms),
    seen: upTo,
    ...act,
  };
  const res = await fetch(`/api/jobs/${jobId}/events`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ events: [event], aheadMs: [aheadMs()] }),
  }).catch(() => null);
  if (!res) return "The server was not reached: nothing was recorded.";
  if (res.ok) return null;
  const reply = (await res.json().catch(() => ({}))) as Partial<AppendReply> & { problem?: string };
  return reply.refused?.reason ?? reply.problem ?? "Not recorded.";
}
