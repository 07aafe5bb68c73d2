import type { JobEvent, LineInJob, Payload, StockNeed } from "@/core/job";
import type { BuyToday } from "@/core/reorder";
import type { SalvagePart, StockEvent, Worth } from "@/core/stock";

/** What a panel of the shelf looks like, where the catalogue knows it. */
export interface PanelSize {
  widthMm: number;
  heightMm: number;
}

/** A part a donor still gives: what a new one costs, of all pieces, and whether taking it pays. */
export interface SalvageRow extends SalvagePart, Worth {
  /** The price is of what this shop bought. */
  known: boolean;
}

/** Everything the page of the stock starts with. */
export interface StockPageData {
  /** The stock's own log. */
  events: JobEvent[];
  cursor: number;
  /** What lies where by now, its own log and all jobs taken together, as a log begun anew. */
  baseline: StockEvent[];
  /** Newest breaches, of the own log or of a job. */
  breaches: { eventId: string; why: string }[];
  /** What open jobs still take, and up to where in the log of each this was read. */
  needs: (StockNeed & { job: string; jobId: string; seen: number })[];
  /** What to count this week, greatest first. */
  count: { lot: string; item: string; left: number; place: string; days: number; breaches: number }[];
  /** Sizes of panels, by code. */
  sizes: Record<string, PanelSize>;
  /** What donors still give, by their lot. */
  salvage: Record<string, SalvageRow[]>;
  buy: BuyToday;
  currency: string;
  sellers: string[];
  /** What sellers guarantee, by name. */
  guarantees: Record<string, NonNullable<Payload<"match.ordered">["guarantee"]>>;
  /** Lines of orders that stand in the jobs they are for. */
  lines: Record<string, LineInJob>;
  /** Number of the next order of the shop. */
  nextOrder: string;
  nowMs: number;
}

/** What the bench says of the stock. */
export interface StockToday {
  /** What jobs need that is neither here nor on its way. */
  short: { item: string; count: number; jobs: string[] }[];
  /** Orders of the shop that are out, each with when it is likely here. */
  out: { order: string; seller: string; dueMs: number }[];
}
