import { draws, normalDraw } from "@/core/chance";
import {
  type Act,
  type JobEvent,
  makeClock,
  makeEventId,
  msOf,
  newestVersion,
  type Snapshots,
  STOCK_LOG,
  stockFromJob,
} from "@/core/job";
import { walkPlan } from "./demoWalk";

const MIN = 60_000;
const HOUR = 60 * MIN;
const DAY = 24 * HOUR;
/** Closed jobs of the year: about three a week. */
const JOBS = 156;
/** Length of a roll, mm. */
const ROLL_MM = 10_000;
/** Numbers of the year's jobs count on from here; the demo's own begin after them. */
const FIRST_NUMBER = 2240;

const CUSTOMERS = [
  "Reading Room",
  "Ferry office",
  "Wren Lane school",
  "Harbour kitchen",
  "Mill print shop",
  "Parish archive",
  "Night bus desk",
  "Garden co-op",
  "Choir, back office",
  "Allotment society",
  "Tide table desk",
  "Bakery on the quay",
] as const;
/** What each seller takes in truth, against what he quotes; how often what he sends is wrong. */
const SELLERS: Readonly<Record<string, { ratio: number; spread: number; wrong: number }>> = {
  "Brightwater Panels": { ratio: 1.05, spread: 0.25, wrong: 0.04 },
  "Second Light": { ratio: 1.2, spread: 0.4, wrong: 0.11 },
  "Norrow Parts": { ratio: 0.95, spread: 0.3, wrong: 0.06 },
};

/** A whole job as the demo's own hands would do it: its desk part, then every act of its plan. */
interface Template {
  head: readonly JobEvent[];
  body: readonly JobEvent[];
}

function templateOf(log: readonly JobEvent[], snapshots: Snapshots): Template | null {
  const planned = log.findIndex((e) => e.type === "plan.made");
  if (planned < 0 || log.some((e) => e.type === "job.opened" && e.payload.cameBack)) return null;
  const head = log.slice(0, planned + 1).filter((e) => e.type !== "quote.chosen" && e.type !== "job.promised");
  const first = head.at(-1)!;
  const make = (act: Act, turn: number) =>
    ({
      ...first,
      ...act,
      id: `${first.id}-${turn}`,
      clock: `${first.clock}~${String(turn).padStart(4, "0")}`,
      v: newestVersion(act.type),
    }) as JobEvent;
  return { head, body: walkPlan(head, snapshots, null, make) };
}

/** Working time: not at night and not on a Sunday. */
function atWork(ms: number): number {
  const d = new Date(ms);
  const h = d.getHours();
  if (h < 9) d.setHours(9, (ms / MIN) % 60, 0, 0);
  if (h >= 17) {
    d.setDate(d.getDate() + 1);
    d.setHours(9, (ms / MIN) % 60, 0, 0);
  }
  if (d.getDay() === 0) d.setDate(d.getDate() + 1);
  return d.getTime();
}

/**
 * A year of closed jobs for the demo's bench, drawn from a seed: same day, same year. Every one is a job of the demo as its hands
 * would do it, at times, prices and sellers of its own.
 * @param demo the demo's jobs, of which those with a plan are followed to their end
 */
export function demoYear(demo: readonly (readonly JobEvent[])[], snapshots: Snapshots, nowMs: number, jobs = JOBS): JobEvent[][] {
  const u = draws("a year at the Quillhaven bench");
  const templates = demo.flatMap((log) => templateOf(log, snapshots) ?? []);
  let made = 0;
  const id = (ms: number) => {
    made += 1;
    return makeEventId(ms, new Uint8Array([made >> 16, made >> 8, made, 1, 2, 3, 4, 5, 6, 7].map((x) => x & 255)));
  };
  const opened = Array.from({ length: jobs }, () => nowMs - (20 + u() * 345) * DAY).sort((a, b) => a - b);
  return opened.map((at, i) => {
    const t = templates[Math.floor(u() * templates.length)]!;
    return oneJob(t, i, atWork(at), u, id);
  });
}

function oneJob(t: Template, i: number, startMs: number, u: () => number, id: (ms: number) => string): JobEvent[] {
  const jobId = id(Math.round(startMs));
  const out: JobEvent[] = [];
  let now = startMs;
  let count = 0;
  const who = u() < 0.6 ? "Bench 1" : "Bench 2";
  const put = (act: Act) => {
    count += 1;
    const at = Math.round(now);
    out.push({
      ...act,
      id: id(at),
      jobId,
      v: newestVersion(act.type),
      who,
      device: "demo-year",
      clock: makeClock(at, count),
      seen: 0,
    } as JobEvent);
  };
  const names = Object.keys(SELLERS);
  let seller = names[Math.floor(u() ** 1.4 * names.length)]!;
  const days = 2 + Math.floor(u() * 5);
  const arrive = () => {
    const s = SELLERS[seller]!;
    const took = days * s.ratio * Math.exp(s.spread * normalDraw(u));
    // The carrier calls in the morning.
    const d = new Date(now + took * DAY);
    d.setHours(11, 5 + Math.floor(u() * 20), 0, 0);
    now = atWork(Math.max(now + 4 * HOUR, d.getTime()));
  };
  const asked = t.head.filter((e) => e.type === "match.arrivalChecked");
  for (const e of t.head) {
    const act = { type: e.type, payload: e.payload } as Act;
    if (act.type === "job.opened") {
      const customer = CUSTOMERS[Math.floor(u() * CUSTOMERS.length)]!;
      put({
        ...act,
        payload: {
          ...act.payload,
          number: `H-${FIRST_NUMBER + i}`,
          customer,
          serial: `Q${String(4000 + i * 7)}-${i % 9}`,
          promiseAt: new Date(atWork(startMs + (days + 3.5 + u() * 3) * DAY)).toISOString(),
        },
      });
      continue;
    }
    if (act.type === "match.ordered") {
      now = atWork(now + (0.1 + u() ** 3 * 2.5) * DAY);
      const priceMinor = Math.round(act.payload.priceMinor * (0.92 + u() * 0.16));
      const expected = priceMinor + 3900 + Math.round(u() * 3200);
      put({
        type: "quote.chosen",
        payload: {
          option: "panelNew",
          expectedMinor: expected,
          p80Minor: Math.round(expected * 1.12),
          currency: act.payload.currency,
          taxPercent: 20,
          days,
          validUntil: new Date(now + 14 * DAY).toISOString(),
          assumptions: [],
          labourMinutes: 45,
          marginPercent: 15,
          agreedBy: "Customer",
        },
      });
      const order = () => put({ ...act, payload: { ...act.payload, seller, priceMinor, dueDays: days } });
      order();
      if (u() < SELLERS[seller]!.wrong) {
        arrive();
        const first = asked[0]!;
        put({
          type: "match.arrivalChecked",
          payload: { ...(first.payload as { item: "cracks" }), result: "wrong", note: "not as ordered" },
        });
        now += 10 * MIN;
        put({ type: "match.returned", payload: { reason: "wrongPart", note: "", kept: [] } });
        seller = names.find((n) => n !== seller)!;
        now += 20 * MIN;
        order();
      }
      arrive();
      continue;
    }
    now += (0.4 + u()) * MIN;
    if (act.type === "plan.made") now = atWork(now + u() ** 2 * 1.2 * DAY);
    put(act);
  }
  const pace = 0.55 * Math.exp(0.28 * normalDraw(u));
  for (const e of t.body) {
    now += pace * MIN * (0.5 + u());
    put({ type: e.type, payload: e.payload } as Act);
  }
  now += 6 * MIN;
  put({ type: "job.closed", payload: { outcome: "handedOver", reason: "" } });
  return out;
}

/**
 * What the shop's own log says of that year: the rolls of tape its jobs took, each bought the week before it was needed, and what was
 * thrown away. The books of the demo hold.
 */
export function demoYearStock(year: readonly (readonly JobEvent[])[], snapshots: Snapshots, nowMs: number): JobEvent[] {
  const uses = year
    .flatMap((log) => stockFromJob(log, snapshots))
    .filter((e) => e.type === "stock.used" && e.item.startsWith("tape/"))
    .sort((a, b) => (a.clock < b.clock ? -1 : 1));
  const left = new Map<string, number>();
  const out: JobEvent[] = [];
  for (const e of uses) {
    if (e.type !== "stock.used") continue;
    const here = left.get(e.item) ?? 0;
    if (here < e.count) {
      const n = out.length + 1;
      const at = Math.round(msOf(e.clock) - 7 * DAY);
      left.set(e.item, here + ROLL_MM - e.count);
      out.push({
        type: "stock.received",
        payload: {
          item: e.item,
          lot: `R-Y${n}`,
          count: ROLL_MM,
          place: "drawer 2",
          priceMinor: 96,
          seller: "Brightwater Panels",
          expires: new Date(at + 540 * DAY).toISOString().slice(0, 10),
        },
        id: makeEventId(at, new Uint8Array([9, 9, 9, 9, 9, 9, 9, 9, n >> 8, n & 255])),
        jobId: STOCK_LOG,
        v: newestVersion("stock.received"),
        who: "Bench 1",
        device: "demo-year",
        clock: makeClock(at, n),
        seen: 0,
      } as JobEvent);
    } else left.set(e.item, here - e.count);
  }
  const put = (at: number, act: Act) =>
    out.push({
      ...act,
      id: makeEventId(at, new Uint8Array([8, 8, 8, 8, 8, 8, 8, 8, out.length >> 8, out.length & 255])),
      jobId: STOCK_LOG,
      v: newestVersion(act.type),
      who: "Bench 1",
      device: "demo-year",
      clock: makeClock(at, out.length),
      seen: 0,
    } as JobEvent);
  // Old panels go to the glass box after a month; the widest roll came to its end the day before yesterday.
  for (const e of year.flatMap((log) => stockFromJob(log, snapshots)))
    if (e.type === "stock.salvaged" && e.item.startsWith("donor/") && nowMs - msOf(e.clock) > 45 * DAY)
      put(msOf(e.clock) + 30 * DAY, {
        type: "stock.scrapped",
        payload: { item: e.item, lot: e.lot, count: 1, why: "glass box, nothing to take" },
      });
  const last = out.findLast((e) => e.type === "stock.received" && e.payload.item === "tape/4x0.5");
  if (last?.type === "stock.received")
    put(nowMs - 2 * DAY, {
      type: "stock.counted",
      payload: { lot: last.payload.lot, item: last.payload.item, count: 0, why: "the end of the roll is creased" },
    });
  return out;
}

/** A machine of the year that comes back: the newest one handed over within the guarantee, with what its customer says now. */
export function demoReturn(year: readonly (readonly JobEvent[])[], nowMs: number): JobEvent[] {
  const log = year.findLast((l) => l.some((e) => e.type === "close.handedOver"));
  const opened = log?.[0];
  if (opened?.type !== "job.opened") return [];
  const at = nowMs - 25 * MIN;
  const id = (n: number) => makeEventId(at, new Uint8Array([9, n, 1, 2, 3, 4, 5, 6, 7, 8]));
  const payload: typeof opened.payload = {
    ...opened.payload,
    number: "H-2428",
    words: "The picture flickers when the lid is moved, since we have it back.",
    happened: "",
    promiseAt: null,
    cameBack: { job: opened.jobId, number: opened.payload.number },
  };
  return [{ ...opened, id: id(1), jobId: id(2), who: "Bench 2", clock: makeClock(at, 1), payload }];
}
