import { apply } from "./apply";
import { msOf, placeOf } from "./clock";
import type { JobEvent } from "./event";
import { actsOnMachine, BREAK_MIN } from "./handsOn";
import { emptyState, type Snapshots } from "./state";
import { openNow } from "./stillAway";

/** How long a machine lay open, and how often hands came back to it. Minutes of the calendar, nights and all. */
export interface TimesOpen {
  openMin: number;
  /** The longest stretch of it. */
  longestMin: number;
  /** Runs of work on it: one, and one more for each break. */
  takenUp: number;
}

/** What takes things away of a machine and puts them back. */
const CHANGES_IT = /^(open|swap|bond|close)\./;

/**
 * How long a machine lay open in all, and how often it was taken up: a break is a gap longer than `BREAK_MIN`. One that lies open
 * still counts up to its last entry.
 * @param events those that count, in canonical order
 * @example timesOpen([], {}).takenUp // 0
 */
export function timesOpen(events: readonly JobEvent[], snapshots: Snapshots): TimesOpen {
  const state = emptyState();
  const view = { state, snapshots };
  const out: TimesOpen = { openMin: 0, longestMin: 0, takenUp: 0 };
  let since: number | null = null;
  let hands: number | null = null;
  const until = (ms: number) => {
    if (since === null) return;
    const min = (ms - since) / 60_000;
    out.openMin += min;
    out.longestMin = Math.max(out.longestMin, min);
    since = null;
  };
  let ms = 0;
  for (const e of events) {
    apply(state, snapshots, e);
    ms = msOf(placeOf(e));
    if (!actsOnMachine(e.type)) continue;
    if (hands === null || ms - hands > BREAK_MIN * 60_000) out.takenUp += 1;
    hands = ms;
    if (!CHANGES_IT.test(e.type)) continue;
    if (!openNow(view)) until(ms);
    else since ??= ms;
  }
  until(ms);
  return out;
}
