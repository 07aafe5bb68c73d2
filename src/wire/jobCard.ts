import type { JobState, Power, StockNeed } from "@/core/job";
import type { Station } from "@/core/teardown";

/** What lists show of a job: a projection, kept as a cache beside the log. */
export interface JobCard {
  id: string;
  number: string;
  customer: string;
  machine: string;
  serial: string;
  promiseAt: string | null;
  /** Taken before what was promised earlier. */
  first: boolean;
  closed: string | null;
  /** How to reach the customer; empty where nobody wrote it. */
  contact: string;
  openedAtIso: string | null;
  closedAtIso: string | null;
  /** Put off by a person: until when, where known, and why. */
  putOff: { untilIso: string | null; why: string } | null;
  /** Who recorded the last act. */
  who: string | null;
  station: Station;
  oldCode: string | null;
  newCode: string | null;
  arrived: boolean;
  orderedDueIso: string | null;
  seller: string | null;
  /** An order that is out: when it was placed, and its days. */
  order: { placedIso: string; p50Days: number; p80Days: number; priceMinor?: number; line?: string } | null;
  /** Panels that went back. */
  returned: number;
  /** Taped, with touch glass: it lies before it is handed over. */
  glass: boolean;
  shelf: "ready" | "decision" | "waiting" | "handOver";
  reason: string;
  /** Minutes of hands-on work left, P50 and P80, from the plan; null without one. */
  minutesLeft: { p50: number; p80: number } | null;
  /** Physically open on a bench: parts or screws away. */
  open: boolean;
  power: Power;
  screwsOut: number;
  /** What heats, in words; null when nothing does. */
  heat: string | null;
  damage: JobState["triage"]["damage"];
  buildId: string | null;
  lid: { widthMm: number; heightMm: number; openingX: number; openingY: number; openingW: number; openingH: number } | null;
  tools: string[];
  faults: number;
  family: string | null;
  /** Hands-on minutes taken against planned, once handed over; null before. */
  timeRatio: number | null;
  mishaps: string[];
  /** What it will still take from the stock. */
  needs: StockNeed[];
}
