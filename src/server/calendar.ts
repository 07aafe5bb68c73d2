import { randomBytes } from "node:crypto";
import { buildOf, candidateOf, fold, msOf } from "@/core/job";
import { type CalendarRow, calendarFeed, type JobFacts } from "@/core/shopReport";
import { holdOf } from "@/core/tape";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { listReference } from "@/data/referenceStore";
import { readSetting, writeSetting } from "@/data/settingStore";
import { allFacts } from "./facts";
import { benchCards } from "./jobList";

const DAY_MS = 86_400_000;
const CALENDAR = "calendar";

/** The secret part of the feed's address; null while the feed is off. */
export const calendarSecret = async (): Promise<string | null> =>
  (await readSetting<{ secret: string | null }>(connection().db, CALENDAR))?.secret ?? null;
export const calendarAddress = async (): Promise<string | null> => {
  const secret = await calendarSecret();
  return secret === null ? null : `/calendar/${secret}.ics`;
};
/** Turns the feed on with an address nobody can guess (128 bits), or off; the address before is gone either way. */
export async function setCalendar(on: boolean): Promise<string | null> {
  await writeSetting(connection().db, CALENDAR, { secret: on ? randomBytes(16).toString("hex") : null });
  return calendarAddress();
}

/** What is cancelled stays in the feed so many days, so that calendars take it out. */
const CANCELLED_DAYS = 30;
const HOUR_MS = 3_600_000;

/** When the new tape of an open job holds a machine that is handed over gently, at worst; null where nothing was pressed. */
async function holdsFrom(jobId: string): Promise<string | null> {
  const log = await readLog(connection().db, jobId);
  const view = { state: fold(log.events, log.snapshots), snapshots: log.snapshots };
  const build = buildOf(view)?.build;
  const pressed = view.state.bond.pressedClock;
  const hold = build && pressed ? holdOf(build, view.state.bondTold, candidateOf(view)?.outline.value) : null;
  return hold?.handedOver ? new Date(msOf(pressed!) + hold.handedOver.lateMin * 60_000).toISOString() : null;
}

/**
 * Promises, expected deliveries, when tape holds and when a seller's guarantee ends, as a calendar: job number and machine, never a
 * customer's words.
 */
export async function readCalendar(nowMs: number, shopName: string): Promise<string> {
  const [{ open }, terms] = await Promise.all([benchCards(), listReference(connection().db, "seller")]);
  const resting = new Map<string, string>();
  for (const c of open.filter((x) => x.station === "prove" || x.station === "close")) {
    const from = await holdsFrom(c.id);
    if (from) resting.set(c.id, from);
  }
  /** Guarantee counts from the day the panel came; one that ended a while ago is no entry any more. */
  const guaranteeEnds = (j: JobFacts): number | null => {
    const days = terms.find((t) => t.data.name === j.seller)?.data.guaranteeDays;
    if (!days || !j.arrivedIso || (j.outcome !== null && j.outcome !== "handedOver")) return null;
    const ends = Date.parse(j.arrivedIso) + days * DAY_MS;
    return nowMs - ends > CANCELLED_DAYS * DAY_MS ? null : ends;
  };
  const rows = (await allFacts()).flatMap((j): CalendarRow[] => {
    const cancelled = j.closedIso !== null && j.outcome !== "handedOver";
    const at = (kind: string, iso: string, sequence: number, summary: string): CalendarRow => ({
      job: j.number,
      kind,
      startIso: iso,
      endIso: new Date(Date.parse(iso) + HOUR_MS).toISOString(),
      sequence: sequence + (cancelled ? 1 : 0),
      summary,
      ...(cancelled ? { cancelled: true } : {}),
    });
    const ends = guaranteeEnds(j);
    const holds = resting.get(j.id);
    const kept =
      ends === null ? [] : [at("guarantee", new Date(ends).toISOString(), j.orders, `${j.number}: guarantee of the panel ends`)];
    const ended = j.closedIso !== null && nowMs - Date.parse(j.closedIso) > CANCELLED_DAYS * DAY_MS;
    if (ended) return kept;
    return [
      ...kept,
      ...(holds ? [at("dwell", holds, 0, `${j.number}: tape holds, ${j.machine} may be handed over`)] : []),
      ...(j.promiseIso ? [at("promise", j.promiseIso, j.promiseChanges, `${j.number} promised: ${j.machine}`)] : []),
      ...(j.expectedIso ? [at("delivery", j.expectedIso, Math.max(0, j.orders - 1), `${j.number}: panel expected`)] : []),
    ];
  });
  return calendarFeed(rows, { stamp: new Date(nowMs).toISOString(), name: shopName || "The bench" });
}
