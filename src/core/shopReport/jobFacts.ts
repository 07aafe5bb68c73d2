import { type JobEvent, type JobState, msOf, OWN_SHELF, placeOf, type TimesOpen } from "../job";

/** An order of a job: from whom, what its goods came to, and whether it came. */
export interface Placed {
  seller: string;
  goodsMinor: number;
  currency: string;
  /** The line of an order of the shop it was; null for an order of its own. */
  line: string | null;
  came: boolean;
  /** Why it went back; null where it stayed. */
  back: string | null;
}

/** What the shop's figures are told from, of one job. No customer words. Times ISO, money minor units; null = it did not happen, or nobody said. */
export interface JobFacts {
  id: string;
  number: string;
  machine: string;
  serial: string;
  family: string | null;
  code: string | null;
  seller: string | null;
  outcome: string | null;
  openedIso: string;
  /** When it was decided what to do: the price agreed, else the first order. */
  decidedIso: string | null;
  orderedIso: string | null;
  /** When the panel that stayed came. */
  arrivedIso: string | null;
  /** First hand on the machine. */
  begunIso: string | null;
  closedIso: string | null;
  /** The date as it was promised first. */
  promisedIso: string | null;
  /** As it stands now, and how often it was changed. */
  promiseIso: string | null;
  promiseChanges: number;
  /** When an order that is out is expected, how many orders there were. */
  expectedIso: string | null;
  orders: number;
  priceMinor: number | null;
  currency: string | null;
  /** Panels that stayed, with what came with them; 0 where none was fitted. */
  partsMinor: number | null;
  placed: Placed[];
  /** New tape that was laid, mm by item. */
  tape: Record<string, number>;
  handsMin: number;
  plannedMin: number | null;
  /** Minutes of the calendar it lay open, the longest stretch of it, and how often hands came back to it. */
  opened: TimesOpen;
  returns: number;
  lifts: number;
  reopened: number;
  /** The earlier job it came back after. */
  cameBack: string | null;
}

const DAY_MS = 86_400_000;
const goodsOf = (o: { priceMinor: number; lines?: readonly { priceMinor: number; count: number }[] | undefined }): number =>
  o.priceMinor + (o.lines ?? []).reduce((n, l) => n + l.priceMinor * l.count, 0);

function placedOf(events: readonly JobEvent[]): Placed[] {
  const out: Placed[] = [];
  for (const e of events) {
    const last = out.at(-1);
    if (e.type === "match.ordered")
      out.push({
        seller: e.payload.seller,
        goodsMinor: goodsOf(e.payload),
        currency: e.payload.currency,
        line: e.payload.line ?? null,
        came: e.payload.seller === OWN_SHELF,
        back: null,
      });
    else if (e.type === "match.arrived" && last) last.came = true;
    else if (e.type === "match.returned" && last) last.back = e.payload.reason;
  }
  return out;
}
const iso = (clock: string): string => new Date(msOf(clock)).toISOString();

/**
 * The facts of a job for the shop's figures.
 * @param events those that count, in canonical order
 * @returns null for a job never opened
 * @example jobFacts("j", [], emptyState(), { handsMin: 0, plannedMin: null, family: null, code: null, tape: {}, opened: timesOpen([], {}) }) // null
 */
export function jobFacts(
  id: string,
  events: readonly JobEvent[],
  s: JobState,
  known: Pick<JobFacts, "handsMin" | "plannedMin" | "family" | "code" | "tape" | "opened">,
): JobFacts | null {
  if (!s.job || !s.openedClock) return null;
  const at = (type: JobEvent["type"], last = false) => {
    const e = last ? events.findLast((x) => x.type === type) : events.find((x) => x.type === type);
    return e ? iso(placeOf(e)) : null;
  };
  const count = (type: JobEvent["type"]) => events.filter((e) => e.type === type).length;
  const opened = events.find((e) => e.type === "job.opened");
  const firstPromise = opened?.type === "job.opened" ? opened.payload.promiseAt : null;
  const later = events.find((e) => e.type === "job.promised" && e.payload.promiseAt !== null);
  const order = s.match.order;
  const begun = events.find((e) => /^(open|swap|bond|bench)\./.test(e.type));
  return {
    id,
    number: s.job.number,
    machine: s.job.machineModel,
    serial: s.job.serial,
    ...known,
    seller: order?.seller ?? null,
    outcome: s.closed?.outcome ?? null,
    openedIso: iso(s.openedClock),
    decidedIso: at("quote.chosen") ?? at("match.ordered"),
    orderedIso: at("match.ordered"),
    arrivedIso: s.match.arrived ? at("match.arrived", true) : null,
    begunIso: begun ? iso(placeOf(begun)) : null,
    closedIso: s.closed && s.closedClock ? iso(s.closedClock) : null,
    promisedIso: firstPromise ?? (later?.type === "job.promised" ? later.payload.promiseAt : null),
    promiseIso: s.job.promiseAt,
    promiseChanges: count("job.promised"),
    expectedIso:
      order && !s.match.arrived ? new Date(msOf(order.clock) + (order.days?.p50 ?? order.dueDays) * DAY_MS).toISOString() : null,
    orders: count("match.ordered"),
    priceMinor: s.quote?.expectedMinor ?? null,
    currency: s.quote?.currency ?? order?.currency ?? null,
    partsMinor: order ? goodsOf(order) : s.match.chosen ? null : 0,
    placed: placedOf(events),
    returns: s.match.returns.length,
    lifts: count("swap.panelLifted"),
    reopened: count("job.reopened"),
    cameBack: s.job.cameBack?.number ?? null,
  };
}
