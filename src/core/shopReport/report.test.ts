import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { calendarFeed, turnaround } from ".";

describe("turnaround", () => {
  const jobs = [
    ...[1, 2, 2, 3, 4, 6, 7].map((days) => ({ days, done: true })),
    { days: 2, done: false },
    { days: 5, done: false },
    { days: 9, done: false },
  ];
  it("is the product-limit table worked by hand", () => {
    const t = turnaround(jobs);
    // At risk 10, 9, 6, 5, 3, 2: the open one of day 2 leaves after day 2.
    const left = [9 / 10, 7 / 9, 5 / 6, 4 / 5, 2 / 3, 1 / 2];
    let s = 1;
    expect(t.curve.map((c) => c.days)).toEqual([1, 2, 3, 4, 6, 7]);
    for (const [k, f] of left.entries()) {
      s *= f;
      expect(t.curve[k]!.done).toBeCloseTo(1 - s, 12);
    }
    // Greenwood at day 2: 0.7 × sqrt(1/90 + 2/63).
    expect(t.curve[1]!.sd).toBeCloseTo(0.7 * Math.sqrt(1 / 90 + 2 / 63), 12);
    // Three days by the closed ones, four in truth.
    expect(t).toMatchObject({ p50Days: 4, jobs: 10, open: 3 });
  });
  it("says null where it cannot be told, and nothing of nothing", () => {
    expect(
      turnaround([
        { days: 1, done: true },
        { days: 5, done: false },
        { days: 6, done: false },
      ]).p50Days,
    ).toBeNull();
    expect(turnaround([])).toEqual({ p50Days: null, p80Days: null, curve: [], jobs: 0, open: 0 });
  });
  it("without open jobs it is the plain share; open jobs never make it shorter; order does not matter", () => {
    const days = fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(days, fc.array(fc.integer({ min: 0, max: 20 }), { maxLength: 10 }), (done, open) => {
        const all = done.map((d) => ({ days: d, done: true }));
        const t = turnaround(all);
        for (const c of t.curve) expect(c.done).toBeCloseTo(done.filter((d) => d <= c.days).length / done.length, 9);
        const more = turnaround([...all, ...open.map((d) => ({ days: d, done: false }))]);
        expect(more.p50Days ?? Number.POSITIVE_INFINITY).toBeGreaterThanOrEqual(t.p50Days!);
        expect(turnaround([...all].reverse())).toEqual(t);
      }),
    );
  });
});

/** A strict reader of RFC 5545's lines: octets, CRLF, unfolding; knows nothing of the writer. */
function readFeed(text: string): { name: string; value: string }[] {
  const bytes = new TextEncoder().encode(text);
  const lines: number[][] = [[]];
  for (let i = 0; i < bytes.length; i++) {
    if (bytes[i] === 13) {
      if (bytes[i + 1] !== 10) throw new Error("CR without LF");
      i++;
      lines.push([]);
    } else if (bytes[i] === 10) throw new Error("LF without CR");
    else lines.at(-1)!.push(bytes[i]!);
  }
  if (lines.at(-1)!.length) throw new Error("the last line does not end");
  lines.pop();
  const plain: number[][] = [];
  for (const l of lines) {
    if (l.length > 75) throw new Error(`${l.length} octets`);
    if (l[0] === 32) plain.at(-1)!.push(...l.slice(1));
    else plain.push([...l]);
    // A character split over lines would not decode by itself.
    new TextDecoder("utf-8", { fatal: true }).decode(new Uint8Array(l));
  }
  return plain.map((l) => {
    const s = new TextDecoder("utf-8", { fatal: true }).decode(new Uint8Array(l));
    const at = s.indexOf(":");
    if (at < 1) throw new Error(`no colon: ${s}`);
    return { name: s.slice(0, at), value: s.slice(at + 1) };
  });
}
const unescaped = (t: string) => t.replace(/\\([\\;,nN])/g, (_, c: string) => (c === "n" || c === "N" ? "\n" : c));

describe("calendarFeed", () => {
  const row = {
    job: "H-2411",
    kind: "promise",
    startIso: "2026-03-02T14:00:00.000Z",
    endIso: "2026-03-02T15:30:00+01:00",
    sequence: 2,
    summary: "H-2411, Ostrel Kestrel 14; promised é\\🙂 ".repeat(4),
  };
  it("is read by a strict reader: octets, line ends, escapes, UTC", () => {
    const feed = readFeed(calendarFeed([row], { stamp: "2026-03-01T08:00:00Z", name: "Bench, one" }));
    const value = (n: string) => feed.filter((l) => l.name === n).map((l) => l.value);
    expect(feed[0]).toEqual({ name: "BEGIN", value: "VCALENDAR" });
    expect(feed.at(-1)).toEqual({ name: "END", value: "VCALENDAR" });
    expect(value("DTSTART")).toEqual(["20260302T140000Z"]);
    expect(value("DTEND")).toEqual(["20260302T143000Z"]);
    expect(value("UID")).toEqual(["H-2411-promise@helvane.bench"]);
    expect(value("SEQUENCE")).toEqual(["2"]);
    expect(unescaped(value("SUMMARY")[0]!)).toBe(row.summary);
    expect(unescaped(value("X-WR-CALNAME")[0]!)).toBe("Bench, one");
  });
  it("one UID per job and kind, the same after a change; what is cancelled stays and says so", () => {
    const of = (rows: (typeof row & { cancelled?: boolean })[]) =>
      readFeed(calendarFeed(rows, { stamp: "2026-03-01T08:00:00Z", name: "B" }));
    const ids = (rows: Parameters<typeof of>[0]) => of(rows).flatMap((l) => (l.name === "UID" ? [l.value] : []));
    const two = [row, { ...row, kind: "delivery" }];
    expect(new Set(ids(two)).size).toBe(2);
    expect(ids(two.map((r) => ({ ...r, sequence: 3, startIso: "2026-03-05T10:00:00Z" })))).toEqual(ids(two));
    expect(of([{ ...row, cancelled: true }]).some((l) => l.name === "STATUS" && l.value === "CANCELLED")).toBe(true);
  });
  it("whatever stands in a summary, the feed is read and the words come back", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme", maxLength: 200 }), (s) => {
        const text = s.replace(/[\r\n]/g, " ");
        const clean = [...text]
          .filter((c) => c.charCodeAt(0) >= 32 || c === "\t")
          .join("")
          .replaceAll("\u007f", "");
        const feed = readFeed(calendarFeed([{ ...row, summary: text }], { stamp: "2026-03-01T08:00:00Z", name: "B" }));
        expect(unescaped(feed.find((l) => l.name === "SUMMARY")!.value)).toBe(clean);
      }),
    );
    const broken = calendarFeed([{ ...row, summary: "a\r\nEND:VCALENDAR" }], { stamp: "2026-03-01T08:00:00Z", name: "B" });
    expect(readFeed(broken).filter((l) => l.name === "END")).toHaveLength(2);
    expect(() => calendarFeed([{ ...row, startIso: "soon" }], { stamp: "2026-03-01T08:00:00Z", name: "B" })).toThrow(/"soon"/);
  });
});
