import { browserOf, msOf } from "@/core/job";

/** A page asks anew at least this often while it reaches the server (its wait ends after 20 s); ms. */
const HEARD_MS = 30_000;
/** Stretches kept for each browser. */
const MOST = 50;

interface Presence {
  /** When each browser was last heard of. */
  heard: Map<string, number>;
  away: Map<string, { from: number; to: number }[]>;
  /** When this server itself was not there. */
  down: { from: number; to: number }[];
}
const store = globalThis as typeof globalThis & { helvanePresence?: Presence };
const presence = (): Presence => {
  store.helvanePresence ??= { heard: new Map(), away: new Map(), down: [] };
  return store.helvanePresence;
};

/** A browser that follows a job asked: whether it was away since it last did is noticed here, by the server, and nowhere else. */
export function heardOf(device: string, nowMs: number): void {
  const p = presence();
  const browser = browserOf(device);
  const last = p.heard.get(browser);
  if (last !== undefined && nowMs - last > HEARD_MS)
    p.away.set(browser, [...(p.away.get(browser) ?? []), { from: last, to: nowMs }].slice(-MOST));
  p.heard.set(browser, nowMs);
}
/** The server was down from its last sign of life to its start. */
export const wasDown = (from: number, to: number): void => void presence().down.push({ from, to });

/** Whether a device could not reach this server at a place in time, as the server itself noticed. */
export function wasAway(device: string, placed: string): boolean {
  const at = msOf(placed);
  const p = presence();
  return [...(p.away.get(browserOf(device)) ?? []), ...p.down].some((x) => at > x.from && at < x.to);
}
