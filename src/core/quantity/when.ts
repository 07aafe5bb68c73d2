/** In which order day, month and year are written. */
export const DATE_ORDERS = ["dmy", "mdy", "ymd"] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

const DAYS = ["sun", "mon", "tue", "wed", "thu", "fri", "sat"];
const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
/** A day said without a time is meant until the shop closes. */
export const DAY_ENDS = { hours: 17, minutes: 0 } as const;

const at = (text: string): { hours: number; minutes: number; rest: string } | null => {
  const m = /(?:^|[\s,])(?:at\s+)?(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm|h|o'clock)?\s*$/i.exec(text);
  // A lone number at the end is a time only where something says so: "13 Jun 16:00", "Fri 4 pm"; not the year of "13/6/2026".
  if (!m || (!m[2] && !m[3])) return null;
  let hours = Number(m[1]);
  const half = m[3]?.toLowerCase();
  if ((half === "am" || half === "pm") && (hours < 1 || hours > 12)) return null;
  if (half === "pm" && hours < 12) hours += 12;
  if (half === "am" && hours === 12) hours = 0;
  const minutes = Number(m[2] ?? 0);
  if (hours > 23 || minutes > 59) return null;
  return { hours, minutes, rest: text.slice(0, m.index) };
};

function dayOf(y: number, month: number, d: number): Date | null {
  const t = new Date(y, month - 1, d);
  return t.getFullYear() === y && t.getMonth() === month - 1 && t.getDate() === d ? t : null;
}

function readDay(text: string, now: Date, order: DateOrder): Date | null {
  const today = new Date(now.getFullYear(), now.getMonth(), now.getDate());
  const plus = (n: number) => new Date(today.getFullYear(), today.getMonth(), today.getDate() + n);
  const t = text.trim().toLowerCase().replace(/[,]+/g, " ").replace(/\s+/g, " ").trim();
  if (t === "" || t === "today") return today;
  if (t === "tomorrow") return plus(1);
  const inDays = /^in (\d{1,3}) (day|week)s?$/.exec(t);
  if (inDays) return plus(Number(inDays[1]) * (inDays[2] === "week" ? 7 : 1));
  const word = t.replace(/^(next|on) /, "");
  const day = DAYS.findIndex(
    (d) =>
      word === d ||
      (word.startsWith(d) && `${["sun", "mon", "tues", "wednes", "thurs", "fri", "satur"][DAYS.indexOf(d)]}day`.startsWith(word)),
  );
  if (day >= 0) return plus((day - today.getDay() + 7) % 7 || 7);
  // Without a year: the next such day.
  const next = (month: number, d: number) => {
    const here = dayOf(today.getFullYear(), month, d);
    return here && here >= today ? here : dayOf(today.getFullYear() + 1, month, d);
  };
  const yearOf = (y: string) => (y.length === 2 ? 2000 + Number(y) : Number(y));
  // "Fri 13 Jun": the day of the week is said beside the date.
  const plain = t.replace(new RegExp(`^(${DAYS.join("|")})[a-z]*\\.? `), "");
  const named = /^(\d{1,2})(?:st|nd|rd|th|\.)? ?([a-z]{3,9})\.?(?: (\d{4}|\d{2}))?$/.exec(plain) ?? null;
  const turned = /^([a-z]{3,9})\.? (\d{1,2})(?:st|nd|rd|th)?(?: (\d{4}))?$/.exec(plain);
  if (named || turned) {
    const [d, name, y] = named ? [named[1]!, named[2]!, named[3]] : [turned![2]!, turned![1]!, turned![3]];
    const month = MONTHS.indexOf(name.slice(0, 3)) + 1;
    return month === 0 ? null : y ? dayOf(yearOf(y), month, Number(d)) : next(month, Number(d));
  }
  const iso = /^(\d{4})[-./](\d{1,2})[-./](\d{1,2})$/.exec(plain);
  if (iso) return dayOf(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const short = /^(\d{1,2})[-./](\d{1,2})(?:[-./](\d{4}|\d{2})?)?$/.exec(plain);
  if (!short) return null;
  const [a, b, y] = [Number(short[1]), Number(short[2]), short[3]];
  const [d, month] = order === "dmy" ? [a, b] : [b, a];
  return y ? dayOf(yearOf(y), month, d) : next(month, d);
}

/**
 * A day and time as people write it: "Fri 16:00", "tomorrow", "13 Jun 4 pm", "13/6 16:00", "2026-06-13", "in 3 days". In the time zone of
 * this machine; without a time the end of the shop's day.
 * @param text what was typed; nothing = null
 * @param nowMs now, ms since 1970: days without a year are the next such day
 * @param order how the shop writes figures: 6/7 is a day in June or in July
 * @returns ms since 1970, or null when it is no day
 * @example readWhen("nonsense", 0, "dmy") // null
 */
export function readWhen(text: string, nowMs: number, order: DateOrder): number | null {
  if (!text.trim()) return null;
  const iso = /^(\d{4}-\d{2}-\d{2})T(\d{2}:\d{2})/.exec(text.trim());
  const clean = iso ? `${iso[1]} ${iso[2]}` : text.trim();
  const time = at(clean);
  const day = readDay(time ? time.rest : clean, new Date(nowMs), order);
  if (!day) return null;
  const { hours, minutes } = time ?? DAY_ENDS;
  return new Date(day.getFullYear(), day.getMonth(), day.getDate(), hours, minutes).getTime();
}

/**
 * A day and time in the shop's order, as it can be typed again.
 * @example writeWhen(new Date(2026, 5, 13, 16, 0).getTime(), "dmy") // "13/6/2026 16:00"
 */
export function writeWhen(ms: number, order: DateOrder): string {
  const t = new Date(ms);
  const [y, m, d] = [t.getFullYear(), t.getMonth() + 1, t.getDate()];
  const two = (n: number) => String(n).padStart(2, "0");
  const date = order === "dmy" ? `${d}/${m}/${y}` : order === "mdy" ? `${m}/${d}/${y}` : `${y}-${two(m)}-${two(d)}`;
  return `${date} ${two(t.getHours())}:${two(t.getMinutes())}`;
}
