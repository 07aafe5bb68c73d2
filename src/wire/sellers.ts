import { z } from "zod";

export const FeedRequest = z.strictObject({ failure: z.enum(["none", "outage", "late", "badRows"]) });

export interface OffersReply {
  answers: { seller: string; ok: boolean; words: string; problems: string[]; asOf: string | null }[];
}
