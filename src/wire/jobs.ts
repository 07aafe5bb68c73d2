import { z } from "zod";

/** POST /api/jobs/:id/events. `via` says how it travelled: straight from the hand, or later from the outbox after being offline. */
export const AppendRequest = z.strictObject({ via: z.enum(["live", "outbox"]), events: z.array(z.unknown()).min(1).max(500) });

export interface AppendReply {
  accepted: { id: string; seq: number; repeated: boolean; late: boolean }[];
  /** The first event that was not accepted; those after it were not looked at. */
  refused: { id: string | null; gate: string; reason: string } | null;
  cursor: number;
}

export interface ProblemReply {
  problem: string;
  details?: { where: string; message: string }[];
}

export interface EventsReply {
  events: { event: unknown; seq: number }[];
  snapshots: Record<string, unknown>;
  cursor: number;
}
