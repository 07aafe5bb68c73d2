import type { JobEvent, Snapshots } from "@/core/job";
import type { AppendReply, EventsReply } from "@/wire/jobs";
import { deviceId, whoIsHere } from "./device";
import type { JobPorts, Sent } from "./jobClient";
import { keepKnown } from "./known";
import { dropSent, failedToSend, keepUnsent, unsentHere, unsentOf } from "./outbox";

/** What a reply to one act means; anything that does not name the act says nothing about it. */
export async function readReply(e: JobEvent, res: Response): Promise<Sent> {
  const unknown: Sent = { is: "unknown", reached: true };
  if (!/^application\/json\b/i.test(res.headers.get("content-type") ?? "")) return unknown;
  const reply = (await res.json().catch(() => null)) as Partial<AppendReply> | null;
  const cursor = typeof reply?.cursor === "number" ? reply.cursor : 0;
  if (reply?.accepted?.some((a) => a.id === e.id)) return { is: "taken", cursor };
  if (reply?.refused?.id === e.id && res.status < 500)
    return { is: "refused", refusal: { gate: reply.refused.gate, reason: reply.refused.reason }, cursor };
  return unknown;
}

/** The world of a job's client in a browser: this server, the outbox, the clock. */
export function browserPorts(jobId: string): JobPorts {
  const at = `/api/jobs/${jobId}`;
  return {
    send: async (e, via) => {
      const res = await fetch(`${at}/events`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ via, events: [e] }),
      }).catch(() => null);
      return res ? readReply(e, res) : { is: "unknown", reached: false };
    },
    pull: async (after) => {
      const res = await fetch(`${at}/events?after=${after}`, { cache: "no-store" });
      if (!res.ok) throw new Error(`the log was not read: ${res.status}`);
      const body = (await res.json()) as EventsReply;
      return {
        events: body.events.map((x) => x.event as JobEvent),
        snapshots: body.snapshots as Snapshots,
        cursor: body.cursor,
      };
    },
    wait: async (after, signal) => {
      const res = await fetch(`${at}/wait?after=${after}`, { signal, cache: "no-store" });
      if (!res.ok) throw new Error(`not followed: ${res.status}`);
      return ((await res.json()) as { cursor: number }).cursor;
    },
    outbox: {
      here: () => unsentHere(jobId),
      left: () => unsentOf(jobId),
      keep: (e) => void keepUnsent(e),
      drop: dropSent,
      failed: failedToSend,
    },
    keepKnown: (known) => keepKnown(jobId, known),
    now: () => Date.now(),
    random: () => crypto.getRandomValues(new Uint8Array(10)),
    who: whoIsHere,
    device: () => (typeof window === "undefined" ? "" : deviceId()),
    later: (ms, then) => {
      const t = setTimeout(then, ms);
      return () => clearTimeout(t);
    },
  };
}
