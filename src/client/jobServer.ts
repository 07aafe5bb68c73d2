import type { JobEvent, Snapshots } from "@/core/job";
import { laneOf } from "@/core/job";
import type { AppendReply, EventsReply, LiveReply } from "@/wire/jobs";
import { deviceId, inThisTab, keepInThisTab, whoIsHere } from "./device";
import { Follower, type Grown, NotFollowed } from "./follow";
import type { JobPorts } from "./jobClient";
import { keepKnown } from "./known";
import { type Held, Outbox, type Sent } from "./outbox";
import { disk, elected, resign, tabs } from "./outboxDisk";
import { aheadMs, measure } from "./serverTime";

const AWAY: Held = { by: "away", words: null };

/**
 * What a reply to one act means; one that does not name the act says nothing about it, and the act is kept: a session that ran out,
 * a passcode that changed, an error, a page of something else.
 */
export async function readReply(e: JobEvent, res: Response): Promise<Sent> {
  const json = /^application\/json\b/i.test(res.headers.get("content-type") ?? "");
  const reply = (json ? await res.json().catch(() => null) : null) as (Partial<AppendReply> & { problem?: unknown }) | null;
  const cursor = typeof reply?.cursor === "number" ? reply.cursor : 0;
  const taken = reply?.accepted?.find((a) => a.id === e.id);
  if (taken && res.status < 500) return { is: "taken", placed: taken.placed ?? e.clock, cursor };
  if (reply?.refused?.id === e.id && res.status < 500)
    return { is: "refused", refusal: { gate: reply.refused.gate, reason: reply.refused.reason }, cursor };
  const words = typeof reply?.problem === "string" ? reply.problem.slice(0, 300) : null;
  return { is: "unknown", held: { by: res.status === 401 || res.redirected ? "locked" : "trouble", words } };
}

const later = (ms: number, then: () => void) => {
  const t = setTimeout(then, ms);
  return () => clearTimeout(t);
};

/** Asks, and takes the answer's measure of the server's time. */
async function ask<T>(address: string, init?: RequestInit): Promise<{ res: Response; body: T | null }> {
  const sent = Date.now();
  const res = await fetch(address, { cache: "no-store", ...init });
  const got = Date.now();
  const body = (await res
    .clone()
    .json()
    .catch(() => null)) as T | null;
  if (res.ok) measure(body, sent, got);
  return { res, body };
}

const fresh = () => `t${[...crypto.getRandomValues(new Uint8Array(4))].map((b) => b.toString(16).padStart(2, "0")).join("")}`;

let browser: { tab: string; outbox: Outbox; follower: Follower } | null = null;

/** This page's part of what all tabs of the browser share: the outbox, and the stream that follows the shop. */
export function benchOfBrowser(): { tab: string; outbox: Outbox; follower: Follower } {
  if (browser) return browser;
  const tab = fresh();
  // A page loaded anew in the same tab goes on sending at once; it records in a lane of its own all the same.
  const sender = inThisTab("helvane.tab") ?? fresh();
  keepInThisTab("helvane.tab", sender);
  const outbox = new Outbox({
    disk,
    elected: () => elected(sender),
    tabs: tabs("helvane-outbox"),
    later,
    send: async (k) => {
      const out = await ask(`/api/jobs/${k.event.jobId}/events`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ events: [k.event], aheadMs: [k.aheadMs] }),
      }).catch(() => null);
      return out ? readReply(k.event, out.res) : { is: "unknown", held: AWAY };
    },
  });
  const follower = new Follower({
    elected: () => elected(sender),
    tabs: tabs<Grown>("helvane-live"),
    later,
    wait: async (after, signal) => {
      const sent = Date.now();
      const res = await fetch(`/api/live?device=${deviceId()}${after === null ? "" : `&after=${after}`}`, {
        signal,
        cache: "no-store",
      });
      if (res.status === 401 || res.redirected) throw new NotFollowed("locked");
      if (!res.ok) throw new NotFollowed("trouble");
      const body = (await res.json()) as LiveReply;
      // The answer may have been waited for: only the way back counts.
      const got = Date.now();
      measure(body, Math.max(sent, got - 50), got);
      return body;
    },
  });
  outbox.start();
  window.addEventListener("pagehide", () => void resign(sender));
  window.addEventListener("beforeunload", (e) => {
    // While the server is away the page could not be loaded again, whether acts wait or not.
    if (outbox.unsent() > 0 || outbox.heldBy()?.by === "away") e.preventDefault();
  });
  browser = { tab, outbox, follower };
  return browser;
}

/** While a page is made on the server nothing is kept and nothing is sent. */
const NOTHING: JobPorts["outbox"] = {
  waiting: () => [],
  aside: () => [],
  heldBy: () => null,
  subscribe: () => () => {},
  keep: () => {},
  discard: async () => {},
  again: () => {},
  known: async () => {},
  takeUp: async () => {},
  flush: async () => {},
};

/** The world of a job's client in a browser: this server, the outbox, the clock. */
export function browserPorts(jobId: string): JobPorts {
  const here = typeof window !== "undefined";
  return {
    outbox: here ? benchOfBrowser().outbox : NOTHING,
    pull: async (after) => {
      const { res, body } = await ask<EventsReply>(`/api/jobs/${jobId}/events?after=${after}`);
      if (!res.ok || !body?.events) throw new Error(`the log was not read: ${res.status}`);
      return {
        events: body.events.map((x) => x.event as JobEvent),
        snapshots: body.snapshots as Snapshots,
        cursor: body.cursor,
      };
    },
    follow: (id, grown) => benchOfBrowser().follower.follow(id, grown),
    keepKnown: (known) => keepKnown(jobId, known),
    now: () => Date.now(),
    aheadMs,
    random: () => crypto.getRandomValues(new Uint8Array(10)),
    who: whoIsHere,
    device: () => (here ? laneOf(deviceId(), benchOfBrowser().tab) : ""),
  };
}
