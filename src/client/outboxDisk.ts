import { createStore, del, entries, set, update } from "idb-keyval";
import type { JobEvent } from "@/core/job";
import type { Kept, OutboxPorts, Told } from "./outbox";

/** A tab sends for this long before another may; ms. Shorter than a person's patience, longer than a slow answer. */
const LEASE_MS = 7000;
const ACT = "act:";
/** How the first round kept an act: the event alone. */
const OLD = "event:";

/** Acts in IndexedDB, by id. What the first round left there is read as well. */
export const disk: OutboxPorts["disk"] = {
  async all() {
    const rows = await entries<string, Kept | JobEvent>();
    return rows.flatMap(([key, v]) => {
      if (key.startsWith(ACT)) return [v as Kept];
      return key.startsWith(OLD) ? [{ event: v as JobEvent, aheadMs: 0, aside: null }] : [];
    });
  },
  put: (k) => set(`${ACT}${k.event.id}`, k),
  async drop(id) {
    await del(`${ACT}${id}`);
    for (const [key, v] of await entries<string, JobEvent>()) if (key.startsWith(OLD) && v.id === id) await del(key);
  },
};

interface Lease {
  tab: string;
  until: number;
}
let leases: ReturnType<typeof createStore> | null = null;

/**
 * One tab of a browser at a time: a lease in IndexedDB, because neither locks nor shared workers exist where the page is no secure
 * context. A browser that keeps nothing has no other tab to agree with.
 */
export async function elected(tab: string, now = Date.now()): Promise<boolean> {
  try {
    leases ??= createStore("helvane-lease", "lease");
    let mine = false;
    await update<Lease>(
      "sender",
      (l) => {
        // A lease that ends much later than any does was given by a clock that has been set back since.
        mine = !l || l.tab === tab || l.until < now || l.until > now + 2 * LEASE_MS;
        return mine ? { tab, until: now + LEASE_MS } : l!;
      },
      leases,
    );
    return mine;
  } catch {
    return true;
  }
}
/** Gives the lease back when the tab closes, so that the next one need not wait for its end. */
export async function resign(tab: string): Promise<void> {
  try {
    if (leases) await update<Lease>("sender", (l) => (l?.tab === tab ? { tab, until: 0 } : l!), leases);
  } catch {
    // It ends by itself.
  }
}

/** What tabs of one browser tell each other; nothing where the browser has no channel. */
export function tabs<T = Told>(name: string): { tell(t: T): void; hear(listener: (t: T) => void): void } {
  const channel = typeof BroadcastChannel === "undefined" ? null : new BroadcastChannel(name);
  return {
    tell: (t) => channel?.postMessage(t),
    hear: (listener) => channel?.addEventListener("message", (m) => listener(m.data as T)),
  };
}
