export interface CalendarRow {
  job: string;
  /** promise, delivery, dwell, guarantee. */
  kind: string;
  startIso: string;
  endIso: string;
  /** Counts changes. */
  sequence: number;
  /** Job number and machine; never a customer's words. */
  summary: string;
  /** Stays in the feed for a while, so that calendars take it out. */
  cancelled?: boolean;
}

/** Octets of a line (RFC 5545, 3.1). */
const LINE = 75;

/** Text of a property: backslash, semicolon, comma and line ends escaped; other control characters dropped (RFC 5545, 3.3.11). */
const escaped = (t: string): string =>
  t
    .replace(/[\\;,]/g, "\\$&")
    .replace(/\r\n|\r|\n/g, "\\n")
    // biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is dropped
    .replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, "");

/** UTC in basic form. Throws for what is no time. */
function utc(iso: string): string {
  const t = new Date(iso);
  if (Number.isNaN(t.getTime())) throw new RangeError(`"${iso}" is not a time`);
  return t.toISOString().replace(/[-:]|\.\d+/g, "");
}

/** Splits a line between characters so that no piece is over 75 octets. */
function folded(line: string): string {
  const out: string[] = [];
  let piece = "";
  let octets = 0;
  for (const ch of line) {
    const code = ch.codePointAt(0)!;
    const n = code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
    if (octets + n > LINE) {
      out.push(piece);
      piece = " ";
      octets = 1;
    }
    piece += ch;
    octets += n;
  }
  return [...out, piece].join("\r\n");
}

/** What a UID is made of: nothing that would break its line. */
const plain = (s: string): string => s.replace(/[^A-Za-z0-9._-]/g, "-");

/**
 * A calendar feed (iCalendar, RFC 5545): one event per job and kind with a UID that never changes, times in UTC.
 * @throws RangeError for a time that is none
 * @example calendarFeed([], { stamp: "2026-03-01T08:00:00Z", name: "Bench" }).startsWith("BEGIN:VCALENDAR\r\n") // true
 */
export function calendarFeed(rows: readonly CalendarRow[], o: { stamp: string; name: string }): string {
  const lines = [
    "BEGIN:VCALENDAR",
    "VERSION:2.0",
    "PRODID:-//Helvane//bench//EN",
    "CALSCALE:GREGORIAN",
    `X-WR-CALNAME:${escaped(o.name)}`,
  ];
  for (const r of rows)
    lines.push(
      "BEGIN:VEVENT",
      `UID:${plain(r.job)}-${plain(r.kind)}@helvane.bench`,
      `DTSTAMP:${utc(o.stamp)}`,
      `DTSTART:${utc(r.startIso)}`,
      `DTEND:${utc(r.endIso)}`,
      `SEQUENCE:${r.sequence}`,
      `SUMMARY:${escaped(r.summary)}`,
      ...(r.cancelled ? ["STATUS:CANCELLED"] : []),
      "END:VEVENT",
    );
  lines.push("END:VCALENDAR");
  return `${lines.map(folded).join("\r\n")}\r\n`;
}
