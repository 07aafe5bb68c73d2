/**
 * A hybrid logical clock as text that sorts: 15 digits of milliseconds, a hyphen, 6 digits of a counter.
 * Canonical order of events is (clock, device, id), by plain string comparison.
 */
export type Clock = string;

const SHAPE = /^(\d{15})-(\d{6})$/;

/** Milliseconds and counter of a clock, or null when it is not one. @example readClock("001750000000000-000002")?.counter // 2 */
export function readClock(clock: string): { ms: number; counter: number } | null {
  const m = SHAPE.exec(clock);
  return m ? { ms: Number(m[1]), counter: Number(m[2]) } : null;
}

/** Milliseconds since 1970 of a clock; 0 for what is none. @example msOf("001750000000000-000002") // 1750000000000 */
export const msOf = (clock: string): number => readClock(clock)?.ms ?? 0;

/**
 * @param ms whole milliseconds since 1970, 0 or more @param counter 0 to 999999
 * @example makeClock(1750000000000, 2) // "001750000000000-000002"
 */
export const makeClock = (ms: number, counter: number): Clock =>
  `${String(ms).padStart(15, "0")}-${String(counter).padStart(6, "0")}`;

/**
 * The next clock of a device: greater than every clock it has seen, and not behind its own time.
 * @param seen the greatest clock the device has seen, or null
 * @param nowMs the device's time in milliseconds since 1970
 * @example nextClock("000000000000500-000000", 400) // "000000000000500-000001"
 */
export function nextClock(seen: Clock | null, nowMs: number): Clock {
  const last = seen ? readClock(seen) : null;
  const now = Math.max(0, Math.floor(nowMs));
  if (!last || now > last.ms) return makeClock(now, 0);
  return last.counter >= 999_999 ? makeClock(last.ms + 1, 0) : makeClock(last.ms, last.counter + 1);
}

interface Timed {
  clock: Clock;
  placed?: Clock | undefined;
}
interface Placed extends Timed {
  device: string;
  id: string;
}

/**
 * Where an event stands in time: the clock the server placed it at; what its device gave while it is not placed yet, and for what
 * was stored before events were placed.
 * @example placeOf({ clock: "000000000000009-000000", placed: "000000000000005-000000" }) // "000000000000005-000000"
 */
export const placeOf = (e: Timed): Clock => e.placed ?? e.clock;

/**
 * Canonical order: by place, then device, then id.
 * @example compareEvents({ clock: "000000000000001-000000", device: "a", id: "1" }, { clock: "000000000000002-000000", device: "a", id: "2" }) // -1
 */
export function compareEvents(a: Placed, b: Placed): number {
  const at = a.placed ?? a.clock;
  const bt = b.placed ?? b.clock;
  if (at !== bt) return at < bt ? -1 : 1;
  if (a.device !== b.device) return a.device < b.device ? -1 : 1;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}

/** A clock moved by whole milliseconds; never before 1970. @example movedBy("000000000000500-000002", -100) // "000000000000400-000002" */
export function movedBy(clock: Clock, ms: number): Clock {
  const c = readClock(clock);
  return c ? makeClock(Math.max(0, c.ms + Math.round(ms)), c.counter) : clock;
}

/**
 * The place of an act: its device's clock less how far that clock was measured to be ahead; never after `nowMs`; always after
 * `floor`, the place of what its lane did before and of what its device had seen. A device four hundred days ahead or behind
 * stands where its hands were.
 * @param aheadMs device's clock less the server's, in ms; null for a device never in contact, which is placed on arrival
 * @param floor the greatest place that has to come before, or null
 * @param nowMs the server's time, ms since 1970
 * @example placeAct("000000000009000-000000", 8000, null, 2000) // "000000000001000-000000"
 */
export function placeAct(clock: Clock, aheadMs: number | null, floor: Clock | null, nowMs: number): Clock {
  const now = makeClock(Math.max(0, Math.floor(nowMs)), 0);
  const own = aheadMs === null ? now : movedBy(clock, -aheadMs);
  const at = msOf(own) > msOf(now) ? now : own;
  return floor !== null && at <= floor ? nextClock(floor, msOf(at)) : at;
}

const LANE = "--";

/**
 * The browser a device id belongs to: every tab of it records in a lane of its own, so that clocks rise in each.
 * @example browserOf("dev-0123456789abcdef--k3") // "dev-0123456789abcdef"
 */
export const browserOf = (device: string): string => device.split(LANE)[0]!;
/** The device id of one tab of a browser. @example laneOf("dev-01", "k3") // "dev-01--k3" */
export const laneOf = (browser: string, tab: string): string => `${browserOf(browser)}${LANE}${tab}`;
