import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type BackupFile, KEEP_BACKUPS, keepBackups } from ".";

const NOW = "2026-06-30T12:30:00.000Z";
const HOUR = 3_600_000;
const ago = (hours: number, kind: BackupFile["kind"] = "timed", bytes = 1): BackupFile => ({
  at: new Date(Date.parse(NOW) - hours * HOUR).toISOString(),
  kind,
  bytes,
});
const age = (f: BackupFile) => Math.round((Date.parse(NOW) - Date.parse(f.at)) / HOUR);

describe("keepBackups", () => {
  it("of two years of hourly backups: 24 hours, 14 days, 8 weeks and 12 months, each its newest", () => {
    const all = Array.from({ length: 2 * 365 * 24 }, (_, h) => ago(h));
    const { keep, drop } = keepBackups(all, NOW, KEEP_BACKUPS);
    expect(keep.length + drop.length).toBe(all.length);
    const ages = keep.map(age).sort((a, b) => a - b);
    // Every hour of the last 24; then 23:30 of each day before, as far as 14 days, today among them.
    expect(ages.slice(0, 24)).toEqual(Array.from({ length: 24 }, (_, i) => i));
    for (let day = 1; day < 14; day++) expect(ages).toContain(13 + (day - 1) * 24);
    // Sundays 23:30, today's week among the eight: 30 June 2026 is a Tuesday.
    for (let week = 1; week < 8; week++) expect(ages).toContain(13 + 24 + (week - 1) * 168);
    // The last of a month: 31 May was 30 days before today's day.
    expect(ages).toContain(13 + 29 * 24);
    expect(new Set(keep.map((f) => f.at.slice(0, 7))).size).toBe(12);
    expect(keep.length).toBeLessThan(24 + 14 + 8 + 12);
  });
  it("keeps one before each migration and the newest verified, however old", () => {
    const old = [ago(90_000, "beforeMigration"), ago(80_000, "verified"), ago(70_000, "verified"), ago(85_000)];
    const young = Array.from({ length: 3000 }, (_, h) => ago(h));
    const { keep } = keepBackups([...old, ...young], NOW, KEEP_BACKUPS);
    expect(keep).toContain(old[0]);
    expect(keep).toContain(old[2]);
  });
  it("over its size drops the least first, never the newest nor the newest verified", () => {
    const files = [
      ...Array.from({ length: 40 }, (_, i) => ago(i, "timed", 10)),
      ago(5000, "beforeMigration", 10),
      ago(900, "verified", 10),
    ];
    const kept = (maxBytes: number) => keepBackups(files, NOW, { ...KEEP_BACKUPS, maxBytes }).keep.map(age);
    expect(kept(60)).toContain(5000);
    expect(kept(60).length).toBe(6);
    expect(kept(60)).not.toContain(5);
    expect(kept(0).sort((a, b) => a - b)).toEqual([0, 900]);
  });
  it("nothing is lost or doubled, the order they came in does not matter, and what stays once stays when asked again", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -50, max: 20_000 }), fc.constantFrom("timed", "verified", "beforeMigration")), {
          maxLength: 60,
        }),
        (rows) => {
          const files = [...new Map(rows.map(([h, k]) => [h, ago(h, k as BackupFile["kind"])])).values()];
          const { keep, drop } = keepBackups(files, NOW, KEEP_BACKUPS);
          expect([...keep, ...drop].sort((a, b) => (a.at < b.at ? -1 : 1))).toEqual(
            [...files].sort((a, b) => (a.at < b.at ? -1 : 1)),
          );
          const shuffled = keepBackups([...files].reverse(), NOW, KEEP_BACKUPS).keep;
          expect(new Set(shuffled)).toEqual(new Set(keep));
          expect(keepBackups(keep, NOW, KEEP_BACKUPS).drop).toEqual([]);
          if (files.length) expect(keep.length).toBeGreaterThan(0);
        },
      ),
    );
  });
  it("a time that cannot be read is an error, never a backup dropped", () => {
    expect(() => keepBackups([{ at: "yesterday", kind: "timed" }], NOW, KEEP_BACKUPS)).toThrow(/"yesterday" is no time/);
    expect(() => keepBackups([], "x", KEEP_BACKUPS)).toThrow(RangeError);
  });
});
