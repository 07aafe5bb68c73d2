import { format, isSameDay } from "date-fns";
import { durationWords } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";

/** Shelves by what can move now. */
export const SHELVES: { id: JobCard["shelf"]; name: string; note: string; empty: string }[] = [
  {
    id: "ready",
    name: "Ready to open",
    note: "Panel is here",
    empty: "Nothing ready. A job comes here when its panel is checked in.",
  },
  { id: "decision", name: "Needs a decision", note: "One answer each", empty: "No question open." },
  { id: "waiting", name: "Waiting for a panel", note: "Ordered", empty: "Nothing on order." },
  { id: "handOver", name: "Hand over", note: "Proved open", empty: "Nothing to hand over." },
];

/** A promise on the shelf edge. @example dueWords(null, 0) // "No date yet" */
export const dueWords = (iso: string | null, nowMs: number) =>
  !iso
    ? "No date yet"
    : isSameDay(new Date(iso), nowMs)
      ? `Today ${format(new Date(iso), "HH:mm")}`
      : format(new Date(iso), "EEE d MMM");

/** The one reason on the shelf edge, and whether the promise breaks. */
export function edgeNote(c: JobCard, nowMs: number): { words: string; bad: boolean } {
  if (c.shelf === "waiting" && c.orderedDueIso) {
    const late = c.promiseAt !== null && Date.parse(c.orderedDueIso) > Date.parse(c.promiseAt);
    return { words: `here ${format(new Date(c.orderedDueIso), "EEE d MMM")}${late ? ": call today" : ""}`, bad: late };
  }
  const need = c.minutesLeft ? `needs ${durationWords(c.minutesLeft.p80)}` : "";
  if (!c.promiseAt) return { words: need || "ask when it is wanted", bad: false };
  const start = c.minutesLeft ? Date.parse(c.promiseAt) - c.minutesLeft.p80 * 60_000 : Date.parse(c.promiseAt);
  if (start < nowMs) return { words: `${need ? `${need}, ` : ""}promise breaks`, bad: true };
  return {
    words: need ? `${need}, start by ${format(start, isSameDay(start, nowMs) ? "HH:mm" : "EEE HH:mm")}` : "no plan yet",
    bad: false,
  };
}
