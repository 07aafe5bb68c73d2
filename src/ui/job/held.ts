import { format } from "date-fns";
import type { HeldBy } from "@/client/outbox";

/** Why acts wait here, in the tray's few words; beneath it stands that they are kept. */
export const HELD_WORDS: Readonly<Record<HeldBy, string>> = {
  away: "Server not reached",
  locked: "Not let in: unlock",
  trouble: "Server in trouble",
};
/** With the time since when. @example heldWords("away", Date.parse("2025-06-13T14:02")) // "Server not reached since 14:02" */
export const heldWords = (by: HeldBy, sinceMs: number | null): string =>
  by === "away" && sinceMs !== null ? `${HELD_WORDS.away} since ${format(sinceMs, "HH:mm")}` : HELD_WORDS[by];
/** The same in a sentence. */
export const HELD_SAYS: Readonly<Record<HeldBy, string>> = {
  away: "The server is not reached. The job goes on here with every gate; acts go over as soon as it is back, also after a reload.",
  locked: "This device is not let in any more: its time ran out, or somebody ended it. Unlock it, and they go over.",
  trouble: "The server answers, but cannot store anything just now. Nothing is lost; it is tried again every few seconds.",
};
