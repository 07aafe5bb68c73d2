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

interface Placed {
  clock: Clock;
  device: string;
  id: string;
}

/**
 * Canonical order: by clock, then device, then id.
 * @example compareEvents({ clock: "000000000000001-000000", device: "a", id: "1" }, { clock: "000000000000002-000000", device: "a", id: "2" }) // -1
 */
export function compareEvents(a: Placed, b: Placed): number {
  if (a.clock !== b.clock) return a.clock < b.clock ? -1 : 1;
  if (a.device !== b.device) return a.device < b.device ? -1 : 1;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
