import { z } from "zod";

/**
 * POST /api/jobs/:id/events. `aheadMs`, one for each event: how far the device's clock was measured to be ahead of the server's when
 * it was recorded; null when it never was. `via` is what pages of the first round said of the way an act came; it counts for nothing.
 */
export const AppendRequest = z.strictObject({
  via: z.enum(["live", "outbox"]).optional(),
  events: z.array(z.unknown()).min(1).max(500),
  aheadMs: z.array(z.number().min(-4e12).max(4e12).nullable()).max(500).optional(),
});

export interface AppendReply {
  accepted: { id: string; seq: number; placed: string; repeated: boolean; late: boolean }[];
  /** The first event that was not accepted; those after it were not looked at. */
  refused: { id: string | null; gate: string; reason: string } | null;
  cursor: number;
  /** The server's time, so that a device can tell how far its own is ahead. */
  nowMs: number;
}

export interface ProblemReply {
  problem: string;
  details?: { where: string; message: string }[];
}

export interface EventsReply {
  events: { event: unknown; seq: number }[];
  snapshots: Record<string, unknown>;
  cursor: number;
  nowMs: number;
}

/** GET /api/live: jobs that grew past a cursor of the whole shop. */
export interface LiveReply {
  cursor: number;
  jobs: string[];
  nowMs: number;
}
