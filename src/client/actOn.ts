import { type Act, makeEventId, newestVersion, nextClock } from "@/core/job";
import type { AppendReply } from "@/wire/jobs";
import { deviceId, whoIsHere } from "./device";
import { aheadMs } from "./serverTime";

/**
 * One act in a job that is not open on this page: recorded at once, or refused in words. Nothing is kept here when the server is away.
 * @returns null when it was taken, else why not
 */
export async function actOn(jobId: string, act: Act): Promise<string | null> {
  const ms = Date.now();
  const event = {
    id: makeEventId(ms, crypto.getRandomValues(new Uint8Array(10))),
    jobId,
    v: newestVersion(act.type),
    who: whoIsHere(),
    device: deviceId(),
    clock: nextClock(null, ms),
    seen: 0,
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
