/** This load of the page: a monotonic clock starts anew with it. */
const session = `s-${Math.random().toString(36).slice(2)}-${Date.now().toString(36)}`;

export interface Moment {
  at: number;
  mono: number;
  session: string;
  server?: number;
}

/** Now by the clocks of this device, s. */
export const deviceMoment = (): Moment => ({ at: Date.now() / 1000, mono: performance.now() / 1000, session });

/**
 * Now by every clock there is, s: the server's too, where it answers within a second. Asked afresh, since a kept difference is
 * wrong as soon as somebody sets the clock.
 */
export async function momentNow(jobId: string): Promise<Moment> {
  const now = deviceMoment();
  const abort = new AbortController();
  const timer = setTimeout(() => abort.abort(), 1000);
  try {
    const reply = await fetch(`/api/jobs/${jobId}/events?after=${Number.MAX_SAFE_INTEGER}`, {
      signal: abort.signal,
      cache: "no-store",
    });
    const came = performance.now() / 1000;
    const told = (await reply.json()) as { nowMs?: unknown };
    if (reply.ok && typeof told.nowMs === "number") return { ...now, server: told.nowMs / 1000 - (came - now.mono) / 2 };
  } catch {
    // Away, or too slow: the device's own clocks are what there is.
  } finally {
    clearTimeout(timer);
  }
  return now;
}
